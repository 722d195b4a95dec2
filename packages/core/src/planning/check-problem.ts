import { refuse } from './plan-error.ts';
import type { PlanJob, PlanProblem } from './types.ts';

/**
 * Looks a problem over before anything is planned.
 * @throws PlanError naming the field: no resources, a number that is none, a name twice or unknown, a circle, an activity
 * that fits no opening, a place or a pin that there is not
 */
export function checkProblem(p: PlanProblem): void {
  if (p.resources.length === 0)
    refuse(
      'no-resources',
      'resources',
      [],
      'at least one pair of hands or a tool',
      'there is nobody and nothing to plan with',
    );
  const calendars = new Map(p.calendars.map((c) => [c.id, c]));
  const resources = new Map<string, number>();
  p.resources.forEach((r, i) => {
    const at = `resources[${i}]`;
    if (resources.has(r.id))
      refuse('named-twice', `${at}.id`, r.id, 'a name of its own', `two resources are called ${r.id}`);
    if (!Number.isInteger(r.capacity) || r.capacity < 1)
      refuse(
        'bad-capacity',
        `${at}.capacity`,
        r.capacity,
        'a whole number from 1',
        `${r.title}: ${r.capacity} of it is no number of things`,
      );
    if (r.calendar !== undefined && !calendars.has(r.calendar))
      refuse(
        'unknown-calendar',
        `${at}.calendar`,
        r.calendar,
        [...calendars.keys()].join(', '),
        `${r.title} keeps hours that are not there: ${r.calendar}`,
      );
    resources.set(r.id, r.capacity);
  });
  p.calendars.forEach((c, i) => {
    let last = -Infinity;
    c.open.forEach(([a, b], k) => {
      if (!(a >= last && b > a) || !Number.isFinite(a) || !Number.isFinite(b))
        refuse(
          'bad-hours',
          `calendars[${i}].open[${k}]`,
          [a, b],
          'spans in order, each ending after it begins',
          `${c.id}: hours run backwards or overlap`,
        );
      last = b;
    });
  });
  const seen = new Set<string>();
  const names = new Set<string>();
  p.jobs.forEach((job, j) => {
    if (names.has(job.id))
      refuse('named-twice', `jobs[${j}].id`, job.id, 'a name of its own', `two jobs are called ${job.id}`);
    names.add(job.id);
    if (!(job.weight >= 0) || !Number.isFinite(job.weight))
      refuse(
        'bad-weight',
        `jobs[${j}].weight`,
        job.weight,
        'a number from 0',
        `job ${job.name}: its weight is no number`,
      );
    if (!Number.isFinite(job.release) || (job.due !== null && !Number.isFinite(job.due)))
      refuse(
        'bad-time',
        `jobs[${j}]`,
        [job.release, job.due],
        'minutes, or no promise',
        `job ${job.name}: its times are no times`,
      );
    if (job.place !== undefined && p.places.length > 0 && !p.places.includes(job.place))
      refuse(
        'unknown-place',
        `jobs[${j}].place`,
        job.place,
        p.places.join(', '),
        `job ${job.name} stands at ${job.place}, which is no bench place`,
      );
    const own = new Set(job.activities.map((a) => a.id));
    job.activities.forEach((a, i) => {
      const at = `jobs[${j}].activities[${i}]`;
      if (seen.has(a.id))
        refuse('named-twice', `${at}.id`, a.id, 'a name of its own', `two activities are called ${a.id}`);
      seen.add(a.id);
      if (!(a.minutes >= 0) || !Number.isFinite(a.minutes))
        refuse('bad-minutes', `${at}.minutes`, a.minutes, 'minutes from 0', `${a.title}: ${a.minutes} is no time`);
      for (const n of a.needs) {
        const there = n.anyOf.reduce((sum, id) => {
          const capacity = resources.get(id);
          if (capacity === undefined)
            refuse(
              'unknown-resource',
              `${at}.needs`,
              id,
              [...resources.keys()].join(', '),
              `${a.title} needs ${id}, which is not there`,
            );
          return sum + capacity;
        }, 0);
        if (!Number.isInteger(n.count) || n.count < 1 || there < n.count)
          refuse(
            'too-many-needed',
            `${at}.needs`,
            n.count,
            `1 to ${there}`,
            `${a.title} needs ${n.count} of ${n.anyOf.join(', ')}; there are ${there}`,
          );
      }
      for (const l of a.after) {
        if (!own.has(l.activity))
          refuse(
            'unknown-activity',
            `${at}.after`,
            l.activity,
            'an activity of the same job',
            `${a.title} waits for ${l.activity}, which is not in job ${job.name}`,
          );
        if ((l.noLaterThan ?? Infinity) < (l.noSoonerThan ?? 0))
          refuse(
            'empty-window',
            `${at}.after`,
            [l.noSoonerThan, l.noLaterThan],
            'no later than is no less than no sooner than',
            `${a.title}: its window closes before it opens`,
          );
      }
      if (!a.pauses) fits(p, a, at);
    });
    circle(job, `jobs[${j}]`);
  });
  p.pins.forEach((pin, i) => {
    if (!seen.has(pin.activity))
      refuse(
        'unknown-activity',
        `pins[${i}].activity`,
        pin.activity,
        'an activity of the plan',
        `a pin holds ${pin.activity}, which is not there`,
      );
    if (!Number.isFinite(pin.start))
      refuse('bad-time', `pins[${i}].start`, pin.start, 'minutes', 'a pin holds no time');
  });
}

/** What is done in one go must fit some opening of what it needs. */
function fits(p: PlanProblem, a: PlanJob['activities'][number], at: string): void {
  for (const n of a.needs) {
    const longest = n.anyOf.map((id) => {
      const calendar = p.resources.find((r) => r.id === id)!.calendar;
      if (calendar === undefined) return Infinity;
      return p.calendars.find((c) => c.id === calendar)!.open.reduce((most, [x, y]) => Math.max(most, y - x), 0);
    });
    const most = Math.max(...longest);
    if (most < a.minutes)
      refuse(
        'too-long',
        `${at}.minutes`,
        a.minutes,
        `at most ${most} min in one go`,
        `${a.title} takes ${a.minutes} min in one go, and nobody is there so long`,
      );
  }
}

function circle(job: PlanJob, at: string): void {
  const state = new Map<string, 'open' | 'done'>();
  const by = new Map(job.activities.map((a) => [a.id, a]));
  const visit = (id: string, trail: readonly string[]): void => {
    if (state.get(id) === 'done') return;
    if (state.get(id) === 'open') {
      const round = [...trail.slice(trail.indexOf(id)), id];
      refuse(
        'circle',
        `${at}.activities`,
        round,
        'an order with a beginning',
        `job ${job.name} waits for itself: ${round.join(' after ')}`,
      );
    }
    state.set(id, 'open');
    for (const l of by.get(id)!.after) visit(l.activity, [...trail, id]);
    state.set(id, 'done');
  };
  for (const a of job.activities) visit(a.id, []);
}
