/** Minor units as people read them: "£ 214", "£ 64.50". */
export function moneyWords(minor: number, currency: string): string {
  const whole = minor % 100 === 0;
  return `${currency} ${(minor / 100).toFixed(whole ? 0 : 2)}`;
}

/** Minor units in a column of sums: always with both places. */
export const moneyExact = (minor: number, currency: string): string => `${currency} ${(minor / 100).toFixed(2)}`;

/** A chance as people say it: "1 in 40". */
export const oddsWords = (chance: number): string =>
  chance <= 0 ? 'none' : `1 in ${Math.max(1, Math.round(1 / chance))}`;

/** A sum as it is typed, in minor units: "240", "64.50", "64,5"; undefined for what is none. */
export function minorOf(text: string): number | undefined {
  const typed = text.trim().replace(',', '.');
  return /^\d{1,8}(\.\d{1,2})?$/.test(typed) ? Math.round(Number(typed) * 100) : undefined;
}
