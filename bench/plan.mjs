// The planner against its goals, beside a baseline of the same run: the first plan of one job alone.
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import ts from 'typescript';
import { Planner } from '../packages/core/dist/planning/index.js';

// Shops and instances are the tests' own: compiled for here.
const folder = mkdtempSync(join(tmpdir(), 'jubb-plan-'));
const core = new URL('../packages/core/', import.meta.url);
const compiled = async (name) => {
  const source = readFileSync(new URL(`src/planning/${name}.ts`, core), 'utf8').replaceAll(
    /'\.\/([a-z-]+)\.ts'/g,
    (_, file) => `'${new URL(`dist/planning/${file}.js`, core).href}'`,
  );
  const out = join(folder, `${name}.mjs`);
  writeFileSync(
    out,
    ts.transpileModule(source, { compilerOptions: { module: 'esnext', target: 'es2022' } }).outputText,
  );
  return import(out);
};
const { randomShop, MONDAY } = await compiled('shop.fixtures');
const { seeded } = await import(new URL('dist/planning/chance.js', core).href);
const { jobShop } = await compiled('job-shop.fixtures');

let failed = false;
const say = (what, got, goal, ok) => {
  failed ||= !ok;
  console.log(`${ok ? 'good' : 'MISS'}  ${what}: ${got} (goal ${goal})`);
};

/** The least that a search of ours has come to for that shop, in a longer time than here: late by nothing, 36 h of idle hands. */
const BEST_KNOWN = 21.64;
/** Sixty jobs of twelve activities, promised over so many weeks; two pairs of hands need six and a half for them. */
function shop(weeks = 6.5) {
  const made = randomShop(seeded(7), { jobs: 60, each: 12, hands: 2 });
  return {
    ...made,
    jobs: made.jobs.map((job, i) => ({
      ...job,
      due: MONDAY + Math.round(((i + 6) / 60) * weeks * 7 * 1440),
      activities: job.activities.map((a) => ({ ...a, ...(a.notBefore ? { notBefore: MONDAY + i * 700 } : {}) })),
    })),
  };
}
const problem = shop();
const one = { ...problem, jobs: problem.jobs.slice(0, 1) };
// A first go warms the machine up, as the page's worker is by the time anybody plans.
new Planner(one);
new Planner(problem);
const time = (work) => {
  const begun = performance.now();
  const value = work();
  return { ms: performance.now() - begun, value };
};
const base = time(() => new Planner(one));
const first = time(() => new Planner(problem));
say(
  'first plan, 60 jobs of 12',
  `${first.ms.toFixed(0)} ms, ${(first.ms / base.ms).toFixed(0)} × one job alone`,
  '100 ms',
  first.ms < 100,
);
const planner = first.value;
const started = planner.plan().cost.total;
const five = time(() => planner.improve({ seconds: 5 }));
const after5 = planner.plan();
const longer = new Planner(problem, 3);
longer.improve({ seconds: 40 });
const best = Math.min(BEST_KNOWN, after5.cost.total, longer.plan().cost.total);
say(
  'after 5 s, against the best known',
  `${((after5.cost.total / best - 1) * 100).toFixed(1)} % above; ${started.toFixed(0)} → ${after5.cost.total.toFixed(1)} (late ${after5.cost.late} min), after 40 s ${longer.plan().cost.total.toFixed(1)}, best ${best.toFixed(1)}`,
  '3 %',
  after5.cost.total <= best * 1.03,
);
// The same jobs promised too soon: not all of it can be kept.
const tight = shop(5);
const [tight5, tight40] = [5, 40].map((seconds) => {
  const p = new Planner(tight);
  p.improve({ seconds });
  return p.plan().cost.total;
});
say(
  'promised too soon: after 5 s, against 40 s',
  `${((tight5 / tight40 - 1) * 100).toFixed(1)} % above; ${new Planner(tight).plan().cost.total.toFixed(0)} → ${tight5.toFixed(0)}`,
  '3 %',
  tight5 <= tight40 * 1.03,
);
say('over the time given', `${(five.ms - 5000).toFixed(0)} ms`, '50 ms', five.ms < 5050);
const [moved, slot] = Object.entries(after5.slots).find(
  ([, s]) => s.on.some((r) => r.startsWith('hands')) && s.start > MONDAY + 600,
);
const drag = time(() => {
  const again = new Planner({
    ...problem,
    inForce: after5.slots,
    pins: [{ activity: moved, start: slot.start, on: slot.on }],
  });
  again.improve({ seconds: 0.03 });
  return again.plan();
});
say('planned again after a drag', `${drag.ms.toFixed(0)} ms`, '150 ms', drag.ms < 150);
let over = 0;
for (let seed = 1; seed <= 500; seed += 1) {
  const random = seeded(seed * 7919);
  const some = new Planner(
    randomShop(random, {
      jobs: 1 + Math.floor(random() * 9),
      each: 1 + Math.floor(random() * 8),
      hands: 1 + Math.floor(random() * 3),
    }),
    seed,
  );
  over = Math.max(over, time(() => some.improve({ seconds: 0.01 })).ms - 10);
}
say('500 random shops, the most over the time given', `${over.toFixed(0)} ms`, '50 ms', over < 50);

// Fisher and Thompson 1963, 10 × 10, optimum 930: in five seconds, by seed.
const rows = /const FT10 = (\[[\s\S]*?\n\]);/.exec(
  readFileSync(new URL('src/planning/job-shop.test.ts', core), 'utf8'),
)[1];
const ft10 = JSON.parse(rows.replaceAll(/,(\s*\])/g, '$1'));
const ends = [1, 2, 3].map((seed) => {
  const p = new Planner(jobShop(ft10), seed);
  p.improve({ seconds: 5 });
  return p.plan().cost.finish;
});
say('FT10 in 5 s, three seeds', ends.join(', '), '948', Math.max(...ends) <= 948.6);
rmSync(folder, { recursive: true });
if (failed) process.exitCode = 1;
