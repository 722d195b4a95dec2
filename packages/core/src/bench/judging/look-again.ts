const UNITS = { day: 1, week: 7, month: 30, year: 365 } as const;
const DAY_MS = 86_400_000;
const NUMBERS: Readonly<Record<string, number>> = {
  a: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  eight: 8,
  ten: 10,
  twelve: 12,
  twenty: 20,
  fifty: 50,
  'a hundred': 100,
  hundred: 100,
};
const COUNT = `(\\d+|${Object.keys(NUMBERS)
  .sort((a, b) => b.length - a.length)
  .join('|')})`;
const SPAN = new RegExp(`\\b${COUNT} (day|week|month|year|hour)s?\\b`, 'i');

/**
 * The day that words name for a next look: "in 6 months", "after two weeks" (from the hand-over), or "2027-05-01"; "after 200
 * hours" where it is known how long the unit runs.
 * @param hoursPerWeek hours that the unit runs in a week
 * @returns undefined for words that name nothing that a calendar knows
 */
export function lookAgainDay(words: string, handedOver: Date, hoursPerWeek?: number): Date | undefined {
  const day = /\b(\d{4})-(\d{2})-(\d{2})\b/.exec(words);
  if (day) return new Date(`${day[0]}T00:00:00Z`);
  const span = SPAN.exec(words);
  if (!span) return undefined;
  const count = NUMBERS[span[1]!.toLowerCase()] ?? Number(span[1]);
  const unit = span[2]!.toLowerCase() as keyof typeof UNITS | 'hour';
  if (unit === 'hour' && !hoursPerWeek) return undefined;
  const days = unit === 'hour' ? Math.ceil((count / hoursPerWeek!) * 7) : count * UNITS[unit];
  return new Date(handedOver.getTime() + days * DAY_MS);
}
