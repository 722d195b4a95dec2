import { formatBand, formatQuantity, type Quantity, formatReading } from '../../quantities/index.ts';
import { mendsPart, type Finding, type Op, type OpOf, type Setting, type Sheet, type Test } from '../../sheet/index.ts';
import { END_TITLES } from '../ends/words.ts';
import { readingWords } from '../judging/advice.ts';
import { measureOutcome } from '../measuring/figures.ts';
import { placesRead } from '../measuring/places.ts';
import { ladderOf } from '../ladder/moves.ts';
import { jobSheet } from '../ladder/job-sheet.ts';
import type { BenchState, Reading, Stamp } from '../log/state.ts';
import { lowerFirst } from '../ladder/words.ts';

/** Something of a job that was read outside its limit, looked bad, or could not be told. */
export interface BadThing {
  /** `look:spin`, `measure:journal`, `setting:float`, `test:output`, `pull:cap 1 3`, `fit:bearing`; of how it came in, with `as-found ` before it. */
  readonly key: string;
  readonly title: string;
  /** What was read or seen, and what is accepted, in words. */
  readonly says: string;
  readonly moment: 'as-found' | 'now';
  /** Too near a limit, or nobody could say: neither good nor bad. */
  readonly doubt?: true;
  readonly part?: string;
  /** The operation that read it. */
  readonly op: string;
  /** When it was read, and by whom. */
  readonly read: Stamp;
  /**
   * What became of it. `came-so`: it is how the unit came in, and nothing of it was read since; that is what the job is for.
   * Absent: it is open, and the job cannot be signed off.
   */
  readonly settled?: {
    readonly how: 'cured' | 'accepted' | 'came-so';
    readonly words: string;
    readonly by?: Stamp;
  };
}

/**
 * All that is or was bad about a job, a look, a reading, a setting, a test, a pull and a fit judged alike: bad is cured, or
 * accepted by name with a reason, or open. Sign-off, the quote, the customer's record and the bench ask this.
 */
export function badThings(pinned: Sheet, state: BenchState): readonly BadThing[] {
  const sheet = jobSheet(pinned, state);
  const { end } = state;
  const all = [
    ...Object.keys(sheet.tests).flatMap((id) => badTest(sheet.tests[id]!, state)),
    ...Object.keys(sheet.settings).flatMap((id) => badSetting(sheet.settings[id]!, state)),
    ...Object.keys(sheet.looks).flatMap((id) => badLook(sheet, state, id)),
    ...Object.keys(sheet.measures).flatMap((id) => badMeasure(sheet, state, id)),
    ...badPulls(sheet, state),
    ...badFits(sheet, state),
  ];
  // A unit that is not repaired goes back with what is bad about it.
  if (!end) return all;
  const words = `${lowerFirst(END_TITLES[end.how])}: ${end.reason}`;
  return all.map((b) => (b.settled ? b : { ...b, settled: { how: 'accepted' as const, words, by: stampOf(end) } }));
}

/** What is bad, is not how the unit came in, and is neither cured nor accepted. */
export function openBad(pinned: Sheet, state: BenchState): readonly BadThing[] {
  return badThings(pinned, state).filter((b) => !b.settled && !b.doubt);
}

const stampOf = (s: Stamp): Stamp => ({ seq: s.seq, at: s.at, by: s.by });

/** What was read or seen before the work was led back past it is no state of now: it is read anew, and stands as the way back. */
function sinceOpened<T extends Stamp & { readonly op: string }>(state: BenchState, last: T | undefined): T | undefined {
  return last && last.seq > (state.reopened[last.op] ?? 0) ? last : undefined;
}

/** Accepted after it was read: what is read anew is judged anew. */
function acceptance(state: BenchState, key: string, read: Stamp): Pick<BadThing, 'settled'> {
  const so = state.accepted[key];
  return so && so.seq > read.seq ? { settled: { how: 'accepted', words: so.reason, by: stampOf(so) } } : {};
}

/** What came in so: cured where the same was good later, else left to the job. */
function cameSo(
  read: Stamp,
  later: (Stamp & { readonly good: boolean }) | undefined,
  words: string,
): BadThing['settled'] {
  return later?.good && later.seq > read.seq
    ? { how: 'cured', words, by: stampOf(later) }
    : { how: 'came-so', words: 'How it came in' };
}

const verdictOf = (r: Reading): string => r.result?.verdict ?? 'within';
const both = (value: Quantity, accepted: string): string => `${formatReading(value)}; accepted ${accepted}`;

function badTest(test: Test, state: BenchState): BadThing[] {
  const of = (moment: Reading['moment']): Reading | undefined =>
    state.readings.findLast((r) => r.subject === 'test' && r.id === test.id && r.moment === moment);
  const came = of('as-found');
  const now = sinceOpened(state, of('now'));
  const base = (r: Reading): Pick<BadThing, 'title' | 'says' | 'op' | 'read'> => ({
    title: test.title,
    says: [both(r.value, formatBand(test.accept)), ...(r.proof?.says ?? [])].join('. '),
    op: r.op,
    read: stampOf(r),
  });
  const out: BadThing[] = [];
  if (came && verdictOf(came) === 'outside')
    out.push({
      ...base(came),
      key: `as-found test:${test.id}`,
      moment: 'as-found',
      settled: cameSo(
        came,
        now && { ...now, good: verdictOf(now) === 'within' },
        now ? `${formatReading(now.value)} now` : '',
      ),
    });
  if (now && verdictOf(now) === 'outside') {
    const key = `test:${test.id}`;
    const kept = state.done[now.op];
    // Before there was an event for it, the reason stood as a note of the test.
    const older: Pick<BadThing, 'settled'> =
      kept?.note && kept.seq > now.seq ? { settled: { how: 'accepted', words: kept.note, by: stampOf(kept) } } : {};
    out.push({ ...base(now), key, moment: 'now', ...older, ...acceptance(state, key, now) });
  }
  if (now && verdictOf(now) === 'undecided')
    out.push({ ...base(now), key: `test:${test.id}`, moment: 'now', doubt: true });
  return out;
}

function badSetting(setting: Setting, state: BenchState): BadThing[] {
  const known = state.settings[setting.id];
  const came = state.readings.findLast(
    (r) => r.subject === 'setting' && r.id === setting.id && r.moment === 'as-found',
  );
  const base = { title: setting.title };
  const out: BadThing[] = [];
  if (came && verdictOf(came) === 'outside')
    out.push({
      ...base,
      key: `as-found setting:${setting.id}`,
      says: both(came.result?.mean ?? came.value, formatBand(setting.band)),
      moment: 'as-found',
      op: came.op,
      read: stampOf(came),
      settled: cameSo(
        came,
        known?.confirmed && { ...known.confirmed, good: known.confirmed.verdict === 'within' },
        known?.confirmed ? `set to ${formatReading(known.confirmed.value)}` : '',
      ),
    });
  const round = known?.rounds.at(-1);
  const last = round?.readings.at(-1);
  if (!known?.confirmed && last && round?.result && round.result.verdict !== 'within') {
    const key = `setting:${setting.id}`;
    out.push({
      ...base,
      key,
      says: both(round.result.mean, formatBand(setting.band)),
      moment: 'now',
      op: last.op,
      read: stampOf(last),
      ...acceptance(state, key, last),
    });
  }
  return out;
}

function badLook(sheet: Sheet, state: BenchState, id: string): BadThing[] {
  const look = sheet.looks[id]!;
  const mine = state.looks.filter((l) => l.look === id);
  const came = mine.findLast((l) => l.moment === 'as-found');
  const now = sinceOpened(
    state,
    mine.findLast((l) => l.moment !== 'as-found'),
  );
  const base = (l: (typeof mine)[number]): Pick<BadThing, 'title' | 'says' | 'op' | 'read' | 'part'> => ({
    title: look.title,
    says: l.note ? `${l.title} (${l.note})` : l.title,
    op: l.op,
    read: stampOf(l),
    ...(look.part === undefined ? {} : { part: look.part }),
  });
  const byFinding = (l: Stamp): Pick<BadThing, 'settled'> => (look.part ? ofFinding(sheet, state, look.part, l) : {});
  const out: BadThing[] = [];
  if (came?.verdict === 'bad')
    out.push({
      ...base(came),
      key: `as-found look:${id}`,
      moment: 'as-found',
      settled:
        byFinding(came).settled ??
        cameSo(came, now && { ...now, good: now.verdict === 'good' }, now ? lowerFirst(now.title) : ''),
    });
  if (now?.verdict === 'bad') {
    const key = `look:${id}`;
    out.push({ ...base(now), key, moment: 'now', ...byFinding(now), ...acceptance(state, key, now) });
  }
  if (now?.verdict === 'unsure')
    out.push({
      ...base(now),
      key: `look:${id}`,
      moment: 'now',
      doubt: true,
      ...byFinding(now),
      ...acceptance(state, `look:${id}`, now),
    });
  return out;
}

function badMeasure(sheet: Sheet, state: BenchState, id: string): BadThing[] {
  const measure = sheet.measures[id]!;
  const outcome = measureOutcome(sheet, state, id);
  const places = placesRead(measure, state);
  const newest = places.map((p) => p.newest).sort((a, b) => b.seq - a.seq)[0];
  const verdict = outcome?.verdict ?? (places.some((p) => verdictOf(p.newest) === 'outside') ? 'outside' : 'within');
  if (!newest || verdict === 'within') return [];
  const figures = outcome?.figures.filter((f) => f.verdict === verdict) ?? [];
  const key = `measure:${id}`;
  return [
    {
      key,
      title: measure.title,
      says: [
        ...(places.some((p) => verdictOf(p.newest) === verdict) || figures.length === 0
          ? [readingWords(measure, state).slice(measure.title.length + 2)]
          : []),
        ...figures.map((f) => `${lowerFirst(f.name)} ${formatQuantity(f.value)}${limitOf(f.low, f.high)}`),
      ].join('; '),
      moment: 'now',
      part: measure.part,
      op: newest.op,
      read: stampOf(newest),
      ...(verdict === 'undecided' ? { doubt: true as const } : {}),
      ...ofFinding(sheet, state, measure.part, newest),
      ...acceptance(state, key, newest),
    },
  ];
}

const limitOf = (low: Quantity | undefined, high: Quantity | undefined): string =>
  high ? `, at most ${formatQuantity(high)}` : low ? `, at least ${formatQuantity(low)}` : '';

const DONE_ABOUT_IT: Readonly<Record<Finding, string>> = {
  reuse: 'used again',
  watch: 'left in, to be watched',
  dress: 'dressed',
  renew: 'renewed',
  scrap: 'scrapped',
};

/**
 * What the judgement on a part settles of what was read of it: a new or a dressed one cures; using it again accepts it, by
 * whoever found so against what was advised. A finding that went along with good readings says nothing of bad ones.
 */
function ofFinding(sheet: Sheet, state: BenchState, part: string, read: Stamp): Pick<BadThing, 'settled'> {
  const note = state.findingNotes[part];
  // Judged to be renewed, and never renewed: the job ended before.
  if (state.end && !state.renewed[part]) return {};
  if (!note) return sheet.parts[part]?.renew === 'always' ? { settled: { how: 'cured', words: 'always renewed' } } : {};
  if (mendsPart.has(note.finding))
    return { settled: { how: 'cured', words: DONE_ABOUT_IT[note.finding], by: stampOf(note) } };
  const agreed = note.advised === note.finding && note.finding !== 'watch';
  if (agreed || note.seq < read.seq) return {};
  return { settled: { how: 'accepted', words: `${DONE_ABOUT_IT[note.finding]}: ${note.reason}`, by: stampOf(note) } };
}

function badPulls(sheet: Sheet, state: BenchState): BadThing[] {
  return Object.entries(state.joints).flatMap(([id, j]) =>
    j.pulls
      .filter((p) => p.answer === 'accepted' && !p.void)
      .map((p): BadThing => ({
        key: `pull:${id} ${p.stage} ${p.bolt}`,
        title: `${sheet.joints[id]?.title ?? id}, fastener ${p.bolt}`,
        says: p.verdict === 'high' ? `${both(p.torque, formatBand(p.window))}` : 'it turned oddly',
        moment: 'now',
        op: p.op,
        read: stampOf(p),
        settled: {
          how: 'accepted',
          words: state.pullNotes[`${id} ${p.stage} ${p.bolt}`] ?? 'looked at, and found good',
          by: stampOf(p),
        },
      })),
  );
}

/** Parts that went in though their force or heat was not what their fit asks for. */
function badFits(sheet: Sheet, state: BenchState): BadThing[] {
  const ops = new Map<string, Op>(ladderOf(sheet, state).all.flatMap((s) => s.ops.map((o) => [o.id, o] as const)));
  const newest = new Map(state.readings.filter((r) => r.subject === 'process').map((r) => [r.op, r]));
  return [...newest.values()].flatMap((r): BadThing[] => {
    const done = state.done[r.op];
    const op = ops.get(r.op) as OpOf<'press'> | undefined;
    if (verdictOf(r) !== 'outside' || !done || !op) return [];
    return [
      {
        key: `fit:${r.op}`,
        title: `${sheet.parts[r.id]?.title ?? r.id}, ${op.kind === 'press' ? 'pressed in' : 'heated'}`,
        says: formatQuantity(r.value),
        moment: 'now',
        part: r.id,
        op: r.op,
        read: stampOf(r),
        settled: { how: 'accepted', words: done.note ?? 'no reason was given', by: stampOf(done) },
      },
    ];
  });
}
