import type { Op, Sheet, SideName } from '../../sheet/index.ts';
import type { HoldReason } from '../shelf/events.ts';

/** Words as they stand in mid-sentence: the first letter small, the others as they are, since a unit may be among them. */
export const lowerFirst = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** The same words, begun with a capital. */
export const upperFirst = (words: string): string => words.replace(/^./, (c) => c.toUpperCase());

/** A side of the ladder as a heading. */
export function sideWords(side: SideName): string {
  return { strip: 'Strip', bottom: 'Along the bottom', build: 'Build' }[side];
}

/** What a job waits for, as it stands in a sentence. */
export function holdWords(why: HoldReason): string {
  const words: Readonly<Record<HoldReason, string>> = {
    parts: 'parts',
    yes: 'a yes',
    cure: 'a cure',
    helper: 'a helper',
    tool: 'a tool',
    decision: 'a decision',
    'day-end': 'the next working day',
  };
  return words[why];
}

/** How many there are; a question mark while nobody knows. */
export function countWords(count: number): string {
  return count === 0 ? '?' : String(count);
}

/** "30 min", "2 h", "1 h 30 min". */
export function minutesWords(minutes: number): string {
  const m = Math.round(minutes);
  if (m < 60) return `${m} min`;
  return m % 60 === 0 ? `${m / 60} h` : `${Math.floor(m / 60)} h ${m % 60} min`;
}

/** A part by its title. */
export function partTitle(sheet: Sheet, part: string): string {
  return sheet.parts[part]?.title ?? part;
}

/** "Rework: the bore, to 60 mm, 5 min": an operation whose kind is its verb. */
export function verbTitle(
  sheet: Sheet,
  op: Pick<Op, 'kind'> & {
    readonly what: string;
    readonly part?: string;
    readonly to?: string;
    readonly minutes?: number;
  },
): string {
  const what = lowerFirst(op.part === undefined ? op.what : partTitle(sheet, op.part));
  return `${upperFirst(op.kind)}: ${what}${op.to ? `, ${op.to}` : ''}${op.minutes === undefined ? '' : `, ${minutesWords(op.minutes)}`}`;
}
