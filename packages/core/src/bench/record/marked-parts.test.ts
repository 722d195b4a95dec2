import { describe, expect, test } from '@jest/globals';
import { booked, librarySheet, person } from '../bench.fixtures.ts';
import { whereIs } from '../shelf/where-is.ts';
import type { BenchState } from '../log/state.ts';
import { absentParts, renewedParts, wornParts } from './marked-parts.ts';

const lever = librarySheet('lever-piston');
const hub = librarySheet('hub-dolly');
const stamp = { seq: 1, at: '2026-11-30T08:00:00.000Z', by: person } as const;
const of = (state: BenchState, more: Partial<BenchState>): BenchState => ({ ...state, ...more });
const fresh = (sheet = hub): BenchState =>
  sheet === hub ? booked(hub).state : booked(sheet, sheet.variants[0]!.id).state;

describe('what a drawing of a job marks', () => {
  test('worn is what is dressed, renewed or scrapped; not what is watched or used again', () => {
    const findings = {
      cups: 'renew',
      spindle: 'dress',
      hub: 'scrap',
      'cone-outer': 'watch',
      'cone-inner': 'reuse',
    } as const;
    expect(wornParts(of(fresh(), { findings }))).toEqual(new Set(['cups', 'spindle', 'hub']));
  });

  test('new is what the log says was renewed; a bolt by its joint counts as its fastener', () => {
    const renewed = { seal: { count: 1, ...stamp }, 'cap#3': { count: 1, ...stamp }, moon: { count: 1, ...stamp } };
    const joint = Object.values(hub.joints).find((j) => j.fastener === 'cap-bolt')!.id;
    const by = { ...renewed, [`${joint}#3`]: renewed['cap#3'] };
    expect(renewedParts(hub, of(fresh(), { renewed: by }))).toEqual(new Set(['seal', 'cap-bolt']));
  });

  test('what would go in another’s place is not there', () => {
    const absent = absentParts(lever, fresh(lever));
    expect(absent).toContain('backing');
    expect(absent).toContain('rear-ring');
    expect(absent).not.toContain('rear-lip');
  });
});

describe('where a part is', () => {
  const lying = (count: number): BenchState => of(fresh(), { off: { cups: { count, tray: 'A2', ...stamp } } });
  test.each([
    { what: 'on the unit', state: fresh(), part: 'cups', says: 'on the unit' },
    { what: 'in its tray', state: lying(2), part: 'cups', says: 'off, 2 in tray A2' },
    { what: 'some of it in its tray', state: lying(1), part: 'cups', says: '1 of 2 off, in tray A2' },
  ])('$what', ({ state, part, says }) => {
    expect(whereIs(hub, state, part)).toBe(says);
  });
  test('never on the unit while it has not been put there', () => {
    expect(whereIs(lever, fresh(lever), 'backing')).toBe('not on the unit');
  });
  test('with what carries it', () => {
    expect(whereIs(hub, fresh(), 'cups', true)).toBe('off with what carries it');
  });
});
