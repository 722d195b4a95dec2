const UNITS = { day: 1, week: 7, month: 30, year: 365 } as const;
const DAY_MS = 86_400_000;

/**
 * The day that words name for a next look: "in 6 months", "after two weeks" (from the hand-over), or "2027-05-01".
 * Undefined for words that name hours run or nothing that a calendar knows.
 */
export function lookAgainDay(words: string, handedOver: Date): Date | undefined {
  const day = /\b(\d{4})-(\d{2})-(\d{2})\b/.exec(words);
  if (day) return new Date(`${day[0]}T00:00:00Z`);
  const numbers: Readonly<Record<string, number>> = {
    a: 1,
    one: 1,
    two: 2,
    three: 3,
    four: 4,
    six: 6,
    ten: 10,
    twelve: 12,
  };
  const span = /\b(\d+|a|one|two|three|four|six|ten|twelve) (day|week|month|year)s?\b/i.exec(words);
  if (!span) return undefined;
  const count = numbers[span[1]!.toLowerCase()] ?? Number(span[1]);
  const days = count * UNITS[span[2]!.toLowerCase() as keyof typeof UNITS];
  return new Date(handedOver.getTime() + days * DAY_MS);
}
