import { scaleLinear, scalePoint } from 'd3-scale';

/** One figure of one visit. */
export interface TrendPoint {
  readonly at: string;
  readonly moment: 'as-found' | 'now';
  readonly value: number;
}
const [W, H] = [300, 110];
const escaped = (s: string): string => s.replace(/[<>&"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** A short trend as SVG for a page: open dots as found, full ones after the work. */
export function trendSvg(title: string, unit: string, points: readonly TrendPoint[]): string {
  const values = points.map((p) => p.value);
  const span = Math.max(...values) - Math.min(...values) || Math.abs(values[0] ?? 1) || 1;
  const y = scaleLinear([Math.min(...values) - span * 0.2, Math.max(...values) + span * 0.25], [H - 22, 24]);
  const x = scalePoint<number>(
    points.map((_, i) => i),
    [24, W - 24],
  );
  const at = (i: number): string => `${x(i)!.toFixed(1)} ${y(points[i]!.value).toFixed(1)}`;
  const dots = points.map(
    (p, i) =>
      `<circle cx="${x(i)!.toFixed(1)}" cy="${y(p.value).toFixed(1)}" r="4" fill="${p.moment === 'now' ? '#1d2326' : '#ffffff'}" stroke="#1d2326" stroke-width="1.5"/>` +
      `<text x="${x(i)!.toFixed(1)}" y="${(y(p.value) - 8).toFixed(1)}" font-size="9" text-anchor="middle">${Number(p.value.toPrecision(3))}</text>` +
      (i === 0 || points[i - 1]!.at.slice(0, 7) !== p.at.slice(0, 7)
        ? `<text x="${x(i)!.toFixed(1)}" y="${H - 6}" font-size="8" text-anchor="middle">${p.at.slice(0, 7)}</text>`
        : ''),
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${W} ${H}"><text x="4" y="11" font-size="9" font-weight="bold">${escaped(`${title}, ${unit}`)}</text><path d="M${points.map((_, i) => at(i)).join('L')}" fill="none" stroke="#1d2326" stroke-width="1.5"/>${dots.join('')}</svg>`;
}
