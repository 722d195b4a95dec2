import { describe, expect, test } from '@jest/globals';
import { booked, libraryNames, librarySheet } from '../bench/bench.fixtures.ts';
import { orderPlan, readyToStart, type Readiness, type ShopHas, type ShopInstrument } from './index.ts';

const wrench = (id: string, minNm: number, maxNm: number, calibratedTo = '2027-01-01'): ShopInstrument => ({
  id,
  name: id,
  kind: 'torque-wrench',
  uncertainty: { value: maxNm * 0.01, unit: 'N·m' },
  wrench: { minNm, maxNm, lengthMm: 400 },
  calibratedTo,
});
const caliper: ShopInstrument = {
  id: 'c',
  name: 'Caliper',
  kind: 'caliper',
  uncertainty: { value: 0.03, unit: 'mm' },
  wrench: null,
  calibratedTo: '2027-01-01',
};
const empty: ShopHas = { instruments: [], documents: [], today: '2026-11-29' };
const sheet = librarySheet('axle-pinion');
const variant = sheet.variants[0]!.id;
const ready = (shop: Partial<ShopHas>, scope?: string): Readiness =>
  readyToStart(sheet, booked(sheet, variant, scope).state, { ...empty, ...shop });
const said = (r: Readiness, what: string): readonly string[] =>
  r.lacks.filter((l) => l.what === what).map((l) => l.says.replace(/\u202f/g, ' '));

describe('ready to start', () => {
  test('in a shop without a wrench every torque is said, with the step that it stops and when', () => {
    const r = ready({});
    expect(said(r, 'wrench')).toContain('No wrench for the wheels, 250 N·m');
    const wheels = r.lacks.find((l) => l.says.includes('wheels'))!;
    expect(wheels.stops).toMatchObject({ side: 'build', step: 'build lift' });
    expect(wheels.afterMinutes).toBeGreaterThan(100);
  });

  test('a wrench in range and in date is enough; one past its date is said by name', () => {
    expect(said(ready({ instruments: [wrench('Large', 60, 350), wrench('Small', 4, 60)] }), 'wrench')).toEqual([]);
    const old = said(
      ready({ instruments: [wrench('Large', 60, 350, '2026-01-01'), wrench('Small', 4, 60)] }),
      'wrench',
    );
    expect(old).toContain('Large for the wheels, 250 N·m: calibration ran out on 2026-01-01');
  });

  test('a gauge that is there but too coarse is said by name', () => {
    const seat = said(ready({ instruments: [caliper] }), 'gauge').find((l) => l.includes('head cone sits'));
    expect(seat).toMatch(/^Caliper is too coarse/);
    expect(said(ready({}), 'gauge').find((l) => l.includes('head cone sits'))).toMatch(/^No micrometer/);
  });

  test('parts that are always new and lie nowhere; not those that the drawer has', () => {
    const { state } = booked(sheet, variant);
    const plan = (stock: [string, number][]): ShopHas['plan'] =>
      orderPlan(sheet, state, { catalogue: new Map(), stock: new Map(stock) }, 'singles');
    expect(said(ready({ plan: plan([]) }), 'part').join()).toMatch(/Crush sleeve is not in the drawer/);
    expect(said(ready({ plan: plan([['PA5-376', 4]]) }), 'part').join()).not.toMatch(/Crush sleeve/);
  });

  test('a smaller job wants less', () => {
    const [all, few] = [ready({}), ready({}, 'half-shafts')];
    expect(few.lacks.length).toBeLessThan(all.lacks.length);
    expect(few.fetch.map((f) => f.says).join()).not.toMatch(/Flange bar/);
    expect(all.fetch).toContainEqual({ what: 'tool', says: 'torque wrench to 350 N·m', instead: 'torque multiplier' });
    expect(all.fetch.some((f) => f.what === 'helper')).toBe(true);
  });

  test.each(libraryNames)('%s: each lack is told once, in the order in which it stops the work', (name) => {
    const own = librarySheet(name);
    const { lacks } = readyToStart(own, booked(own, own.variants[0]!.id).state, empty);
    expect(new Set(lacks.map((l) => `${l.what} ${l.says}`)).size).toBe(lacks.length);
    expect(lacks.map((l) => l.afterMinutes)).toEqual(lacks.map((l) => l.afterMinutes).sort((a, b) => a - b));
  });
});
