import type { JobView } from '@jubb/contract';
import type { CommandType } from '@jubb/core/bench';
import type { QueryClient } from '@tanstack/react-query';
import type { Waiting } from './waiting.ts';

/** What a command is called where it is told of by itself; the others are called by their type. */
const WORDS: Partial<Record<CommandType, string>> = {
  complete: 'a step that was done',
  'take-reading': 'a reading',
  'take-run': 'a run of a stand',
  pull: 'a pull',
  'answer-pull': 'the answer to a pull',
  judge: 'a finding',
  'fit-pack': 'a pack that was fitted',
  adjust: 'a setting that was moved',
  note: 'a note',
  hold: 'a hold',
  move: 'a move to another place',
  park: 'parking',
  resume: 'taking it up again',
  'start-timer': 'the start of a wait',
  'end-timer': 'the end of a wait',
  'sign-off': 'the sign-off',
  'hand-over': 'the hand-over',
  'take-back': 'taking the last entry back',
};

/** "a reading, job 306": what waits, and of which job as far as this device knows it. */
export function commandWords(w: Pick<Waiting, 'command' | 'job'>, client: QueryClient): string {
  const { type } = w.command;
  const booked = client.getQueryData<JobView>(['job', w.job])?.events[0];
  const number = booked?.type === 'job-booked' ? `, job ${booked.payload.number}` : '';
  return `${WORDS[type] ?? type.replaceAll('-', ' ')}${number}`;
}
