/** Number drills 1 to 60, inch; from memory. */
const NUMBERS = [
  0.228, 0.221, 0.213, 0.209, 0.2055, 0.204, 0.201, 0.199, 0.196, 0.1935, 0.191, 0.189, 0.185, 0.182, 0.18, 0.177,
  0.173, 0.1695, 0.166, 0.161, 0.159, 0.157, 0.154, 0.152, 0.1495, 0.147, 0.144, 0.1405, 0.136, 0.1285, 0.12, 0.116,
  0.113, 0.111, 0.11, 0.1065, 0.104, 0.1015, 0.0995, 0.098, 0.096, 0.0935, 0.089, 0.086, 0.082, 0.081, 0.0785, 0.076,
  0.073, 0.07, 0.067, 0.0635, 0.0595, 0.055, 0.052, 0.0465, 0.043, 0.042, 0.041, 0.04,
];
/** Letter drills A to Z, inch; from memory. */
const LETTERS = [
  0.234, 0.238, 0.242, 0.246, 0.25, 0.257, 0.261, 0.266, 0.272, 0.277, 0.281, 0.29, 0.295, 0.302, 0.316, 0.323, 0.332,
  0.339, 0.348, 0.358, 0.368, 0.377, 0.386, 0.397, 0.404, 0.413,
];
const round = (mm: number): number => Math.round(mm * 1e4) / 1e4;
const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

const inchNames = new Map<number, string>([
  ...NUMBERS.map((d, i) => [round(d * 25.4), `#${i + 1}`] as const),
  ...LETTERS.map((d, i) => [round(d * 25.4), String.fromCharCode(65 + i)] as const),
  ...Array.from({ length: 96 }, (_, i) => {
    const n = i + 1;
    const g = gcd(n, 64);
    const [over, under] = [n / g, 64 / g];
    const whole = Math.floor(over / under);
    const rest = over % under;
    const text = [whole > 0 ? String(whole) : '', rest > 0 ? `${rest}/${under}` : ''].filter(Boolean).join(' ');
    return [round((n / 64) * 25.4), `${text} in`] as const;
  }),
]);

/** Drills of a metric set, mm: tenths to 14, halves and quarters above (ISO 235 preferred sizes, from memory). */
const metric: readonly number[] = [
  ...Array.from({ length: 28 }, (_, i) => round(0.2 + i * 0.05)),
  ...Array.from({ length: 125 }, (_, i) => round(1.6 + i * 0.1)),
  ...Array.from({ length: 72 }, (_, i) => round(14.25 + i * 0.25)),
  ...Array.from({ length: 72 }, (_, i) => round(32.5 + i * 0.5)),
];

/** The drills that a thread of this system is usually drilled with, mm, rising. */
export function drillsFor(system: 'metric' | 'unified'): readonly number[] {
  return system === 'metric' ? metric : [...inchNames.keys()].sort((a, b) => a - b);
}

/** What a drill is called: "6.8 mm", "#7", "F", "5/16 in". */
export function drillName(mm: number, system: 'metric' | 'unified'): string {
  return (system === 'unified' ? inchNames.get(round(mm)) : undefined) ?? `${round(mm)} mm`;
}
