// The planner against its goals, beside a baseline of the same run: the first plan of one job alone.
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import ts from 'typescript';
import { Planner } from '@jubb/core/planning';
import { held } from './lib/goals.mjs';

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

/**
 * Sixty jobs of twelve activities, for which two pairs of hands need six and a half weeks: promised within a week as they are drawn, or one
 * after the other over so many weeks.
 */
function shop(weeks) {
  const made = randomShop(seeded(7), { jobs: 60, each: 12, hands: 2 });
  if (weeks === undefined) return made;
  return {
    ...made,
    jobs: made.jobs.map((job, i) => ({
      ...job,
      due: MONDAY + Math.round(((i + 6) / 60) * weeks * 7 * 1440),
      activities: job.activities.map((a) => ({ ...a, ...(a.notBefore ? { notBefore: MONDAY + i * 700 } : {}) })),
    })),
  };
}
/**
 * The least that any search of ours has come to, in up to a minute and with any settings. The goal is for the shop as it is drawn. Where
 * promises can nearly be kept, or all of them, next to nothing is the best and a share of it says little: that is told, beside the hands'
 * idle hours, and has no goal.
 */
const SHOPS = [
  { name: 'all within a week', problem: shop(), best: 1_618_094, goal: 0.03 },
  { name: 'over five weeks', problem: shop(5), best: 29_610 },
  { name: 'over six and a half weeks', problem: shop(6.5), best: 1.5 },
];
const { problem } = SHOPS[2];
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
// The middle of five: one alone may meet the collector of the five before.
const [, , first] = Array.from({ length: 5 }, () => time(() => new Planner(problem))).sort((x, y) => x.ms - y.ms);
held(
  'first plan, 60 jobs of 12',
  `${first.ms.toFixed(0)} ms, ${(first.ms / base.ms).toFixed(0)} × one job alone`,
  '100 ms',
  first.ms < 100,
);
let after5;
let over5 = 0;
for (const { name, problem: promised, best, goal } of SHOPS) {
  const planner = new Planner(promised);
  const begun = planner.plan().cost.total;
  over5 = Math.max(over5, time(() => planner.improve({ seconds: 5 })).ms - 5000);
  after5 = planner.plan();
  const { total, late, idle } = after5.cost;
  const least = Math.min(best, total);
  const what = `promised ${name}: after 5 s, against the best known`;
  const got = `${((total / least - 1) * 100).toFixed(1)} % above; ${begun.toFixed(0)} → ${total.toFixed(1)} (weighted minutes late ${late.toFixed(0)}, idle ${(idle / 60).toFixed(0)} h), best ${least}`;
  if (goal === undefined) console.log(`note  ${what}: ${got}`);
  else held(what, got, `${goal * 100} %`, total <= least * (1 + goal));
}
held('over the time given', `${over5.toFixed(0)} ms`, '50 ms', over5 < 50);
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
held('planned again after a drag', `${drag.ms.toFixed(0)} ms`, '150 ms', drag.ms < 150);
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
held('500 random shops, the most over the time given', `${over.toFixed(0)} ms`, '50 ms', over < 50);

// Fisher and Thompson 1963, 10 × 10, optimum 930: in five seconds, by seed.
const rows = /const FT10 = (\[[\s\S]*?\n\]);/.exec(
  readFileSync(new URL('src/planning/job-shop.test.ts', core), 'utf8'),
)[1];
const ft10 = JSON.parse(rows.replaceAll(/,(\s*\])/g, '$1'));
const ends = Array.from({ length: 10 }, (_, i) => {
  const seed = i + 1;
  const p = new Planner(jobShop(ft10), seed);
  p.improve({ seconds: 5 });
  return p.plan().cost.finish;
});
held('FT10 in 5 s, ten seeds', ends.join(', '), '948', Math.max(...ends) <= 948.6);
rmSync(folder, { recursive: true });
