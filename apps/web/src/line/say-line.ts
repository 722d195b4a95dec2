import type { OutboxState } from '../outbox/outbox.ts';
import type { Waiting } from '../outbox/waiting.ts';
import type { LineState } from './line-watch.ts';

/** What waits for longer than this is told of: what is on its way for a moment is not. */
const SAY_AFTER_MS = 3000;

const entries = (n: number): string => `${n} ${n === 1 ? 'entry' : 'entries'}`;
const clock = (ms: number): string =>
  new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(ms);

/** One line of the bar. */
export interface LineWords {
  readonly key: string;
  readonly words: string;
}

/**
 * What the bar says of the line and of what waits: how many, why, and whether they are kept. Nothing while all is well.
 * @param person whoever is signed in, if anybody is
 */
export function lineWords(
  { waiting, trouble }: OutboxState,
  line: LineState,
  person: string | undefined,
  now: number,
): readonly LineWords[] {
  const out: LineWords[] = [];
  const open = waiting.filter((w) => w.refused === undefined && w.aside === undefined);
  const mine = open.filter((w) => w.giver.id === person);
  const late = mine.filter((w) => now - Date.parse(w.at) > SAY_AFTER_MS);
  const unkept = open.filter((w) => w.unkept);
  const away = line.silentSince !== undefined || (trouble !== undefined && trouble.kind !== 'signed-out');
  const waits = away ? mine : late;
  const kept = waits.filter((w) => !w.unkept).length;
  const why = whyWords(trouble, line);

  if (waits.length > 0)
    out.push({
      key: 'waits',
      words: `${why} ${
        kept > 0 ? `${entries(kept)} ${kept === 1 ? 'is' : 'are'} kept on this device and will be sent.` : ''
      }`.trim(),
    });
  else if (line.silentSince !== undefined)
    out.push({
      key: 'silent',
      words: `${why} Since ${clock(line.silentSince)}; what is shown is what this device has kept.`,
    });
  if (unkept.length > 0)
    out.push({
      key: 'unkept',
      words: `${entries(unkept.length)} could not be kept: this browser cannot write. Leave this page open until ${unkept.length === 1 ? 'it is' : 'they are'} sent.`,
    });
  if (person === undefined && mine.length === 0 && open.some((w) => w.giver.id !== ''))
    out.push({ key: 'nobody', words: `Nobody is signed in. ${ofOthers(open)}` });
  else {
    const others = open.filter((w) => w.giver.id !== person && w.giver.id !== '');
    if (others.length > 0) out.push({ key: 'others', words: ofOthers(others) });
  }
  if (line.diskFull)
    out.push({
      key: 'disk',
      words: 'The workshop’s disk is full: nothing is written until there is room. Reading goes on.',
    });
  return out;
}

function whyWords(trouble: OutboxState['trouble'], line: LineState): string {
  if (line.why === 'silent' || trouble?.kind === 'silent') return 'The server does not answer.';
  if (line.why === 'no-line' || trouble?.kind === 'no-line') return 'No line to the server.';
  if (trouble?.kind === 'server') return `Not taken yet: ${trouble.says.replace(/\.?$/, '.')}`;
  if (trouble?.kind === 'signed-out') return 'Sign in again.';
  return 'Still on its way.';
}

function ofOthers(waiting: readonly Waiting[]): string {
  const names = [...new Set(waiting.map((w) => w.giver.name))];
  return names
    .map((name) => {
      const n = waiting.filter((w) => w.giver.name === name).length;
      return `${entries(n)} of ${name} ${n === 1 ? 'waits' : 'wait'} here until ${name} signs in.`;
    })
    .join(' ');
}
