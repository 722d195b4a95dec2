import { expect, test } from '@jest/globals';
import type { Command, CommandType, InstrumentFacts } from '@jubb/core/bench';
import { commandDtos, type InstrumentIdDto } from './index.ts';

/** As it comes over the wire: an instrument by its id, and nothing is readonly. */
type Wired<T> = T extends InstrumentFacts
  ? InstrumentIdDto
  : T extends readonly (infer E)[]
    ? number extends T['length']
      ? Wired<E>[]
      : { -readonly [K in keyof T]: Wired<T[K]> }
    : T extends object
      ? { -readonly [K in keyof T]: Wired<T[K]> }
      : T;
type Dto = InstanceType<(typeof commandDtos)[number]['value']>;
type WireType = Dto['type'];
type DtoOf<T extends WireType> = Extract<Dto, { type: T }>;
type CommandOf<T extends WireType> = Wired<Extract<Command, { type: T }>>;
/** Fields that differ between a command and the class that checks it. */
type Differs<T extends WireType> = [CommandOf<T>] extends [DtoOf<T>]
  ? [DtoOf<T>] extends [CommandOf<T>]
    ? never
    : T
  : T;
type Unheld = { [T in WireType]: Differs<T> }[WireType];

/** What the server gives for somebody, from a body of its own, and no browser as a command. */
const byTheServer = ['book', 'add-photo', 'order-parts', 'arrive-part', 'send-part-back', 'cancel-line', 'make-quote', 'answer-quote'] as const; // prettier-ignore

// These two compile only while they are empty. Of a run only the envelope is held here: `run-shape.ts` checks its curve.
const differing: Record<Exclude<Unheld, 'take-run'>, never> = {};
const unchecked: Record<Exclude<CommandType, WireType | (typeof byTheServer)[number]>, never> = {};

test('every class that checks a command has the fields of the command, each command has one, and the server’s own have none', () => {
  expect([differing, unchecked]).toEqual([{}, {}]);
  const names: readonly string[] = commandDtos.map((d) => d.name);
  expect(new Set(names).size).toBe(names.length);
  for (const name of byTheServer) expect(names).not.toContain(name);
});
