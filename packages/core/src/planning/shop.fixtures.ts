import { workCalendar, type WeekHours } from './calendar.ts';
import type { Activity, Need, PlanJob, PlanProblem, Resource } from './types.ts';

const day: WeekHours[number] = [
  ['08:00', '12:00'],
  ['12:30', '17:00'],
];
export const week: WeekHours = [day, day, day, day, day, [], []];
/** Monday 2026-11-23, 08:00 in Europe/London. */
export const MONDAY = Date.UTC(2026, 10, 23, 8) / 60_000;

const hours = workCalendar('shop', week, 'Europe/London', MONDAY, 400);

/** Two pairs of hands, five tools and five places: a small workshop. */
export function shopResources(hands = 2): readonly Resource[] {
  const tool = (id: string, kind: Resource['kind'], capacity = 1): Resource => ({
    id,
    title: id,
    kind,
    capacity,
    calendar: 'shop',
  });
  return [
    ...Array.from({ length: hands }, (_, i) => ({ ...tool(`hands-${i + 1}`, 'hands'), title: `Hands ${i + 1}` })),
    tool('press', 'press'),
    tool('oven', 'oven'),
    { id: 'tank', title: 'Wash tank', kind: 'tank', capacity: 2 },
    tool('stand', 'stand'),
    tool('leak', 'stand'),
  ];
}
const anyHands = (n: number, hands: number): Need => ({
  anyOf: Array.from({ length: hands }, (_, i) => `hands-${i + 1}`),
  count: n,
});

/** A shop drawn by chance: jobs of so many activities, with ovens, soaks, windows, parts that come later, and helpers. */
export function randomShop(
  random: () => number,
  { jobs = 8, each = 6, hands = 2 }: { readonly jobs?: number; readonly each?: number; readonly hands?: number } = {},
): PlanProblem {
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  const made = Array.from({ length: jobs }, (_, j): PlanJob => {
    const activities: Activity[] = [];
    let stay = 0;
    for (let k = 0; k < each; k += 1) {
      const id = `${j}.${k}`;
      const before = activities.at(-1);
      const after = before ? [{ activity: before.id }] : [];
      const plain = { id, title: id, after, stay: `s${stay}` };
      const what = random();
      if (what < 0.1 && k + 1 < each) {
        // Warm a part, and fit it at once.
        activities.push({
          ...plain,
          minutes: 20 + Math.floor(random() * 40),
          attended: false,
          needs: [{ anyOf: ['oven'], count: 1 }],
        });
        k += 1;
        activities.push({
          id: `${j}.${k}`,
          title: `${j}.${k}`,
          minutes: 10,
          attended: true,
          needs: [anyHands(1, hands)],
          stay: `s${stay}`,
          after: [{ activity: id, noLaterThan: 2 }],
        });
      } else if (what < 0.2 && k + 1 < each) {
        // Sealant: skin before the final torque, and not too late for it.
        activities.push({ ...plain, minutes: 15, attended: true, needs: [anyHands(1, hands)], pauses: false });
        k += 1;
        activities.push({
          id: `${j}.${k}`,
          title: `${j}.${k}`,
          minutes: 10,
          attended: true,
          needs: [anyHands(1, hands)],
          stay: `s${stay}`,
          after: [{ activity: id, noSoonerThan: 15, noLaterThan: 60 }],
        });
      } else if (what < 0.3)
        activities.push({
          ...plain,
          minutes: 60 + Math.floor(random() * 300),
          attended: false,
          needs: random() < 0.5 ? [] : [{ anyOf: ['tank'], count: 1 }],
        });
      else if (what < 0.4) {
        // The unit stands on the shelf until its part is here.
        stay += 1;
        activities.push({
          ...plain,
          stay: `s${stay}`,
          minutes: 20 + Math.floor(random() * 60),
          attended: true,
          pauses: true,
          needs: [anyHands(1, hands)],
          notBefore: MONDAY + Math.floor(random() * 3000),
          notBeforeWhy: 'a part',
        });
      } else
        activities.push({
          ...plain,
          minutes: 10 + Math.floor(random() * 100),
          attended: true,
          pauses: random() < 0.8,
          needs: [
            anyHands(hands > 1 && random() < 0.1 ? 2 : 1, hands),
            ...(random() < 0.4 ? [{ anyOf: [pick(['press', 'stand', 'leak'])], count: 1 }] : []),
          ],
        });
    }
    return {
      id: `job-${j}`,
      name: String(j),
      release: MONDAY,
      due: random() < 0.9 ? MONDAY + 400 + Math.floor(random() * 7000) : null,
      weight: 1 + Math.floor(random() * 3),
      activities,
    };
  });
  return {
    now: MONDAY,
    resources: shopResources(hands),
    calendars: [hours],
    places: ['A', 'B', 'C', 'D', 'E'],
    jobs: made,
    pins: [],
  };
}
