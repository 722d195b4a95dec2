import { formatQuantity, inCanonical, type Quantity } from '../../quantities/index.ts';
import { beltRun, wheelsOf } from '../route.ts';
import type { Sheet } from '../types.ts';
import type { Report, Rule } from './rule.ts';

/** A plan drawn by eye may be off by so much of the belt's length (common practice: a tensioner takes up about this). */
const OFF_LENGTH = 0.03;
const millimetres = (q: Quantity): number => inCanonical(q, 'length');

/** A belt touches every pulley of its route from the side that is said, and is as long as its plan. */
export const routesRun: Rule = (sheet: Sheet, report: Report): void => {
  for (const route of Object.values(sheet.routes ?? {})) {
    const run = beltRun(wheelsOf(route, millimetres));
    if (!run) {
      report(
        ['routes', route.id, 'pulleys'],
        'route-cannot-run',
        `"${route.title}": the belt cannot touch each pulley from the side that is said, or two pulleys lie in each other`,
      );
      continue;
    }
    if (!route.length) continue;
    const given = millimetres(route.length);
    if (Math.abs(run.length - given) > OFF_LENGTH * given)
      report(
        ['routes', route.id, 'length'],
        'route-of-another-length',
        `"${route.title}": round its pulleys it is ${Math.round(run.length)} mm long, and the belt is ${formatQuantity(route.length)}`,
      );
  }
};
