import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { convert } from '../../quantities/index.ts';
import { boltTorque } from './bolt-torque.ts';
import { threadEngagement } from './thread-engagement.ts';
import { torqueAngle } from './torque-angle.ts';
import { torqueSanity } from './torque-sanity.ts';

const THREADS = ['M6', 'M8', 'M10', 'M12', 'M16', 'M20x1.5', '3/8-16 UNC', '1/2-20 UNF'] as const;
const CLASSES = ['4.6', '5.8', '8.8', '10.9', '12.9'] as const;

describe('strengths against the printed proof loads', () => {
  // ISO 898-1 table 5, kN: stress area × proof stress.
  test.each<[string, '8.8' | '10.9' | '12.9', number]>([
    ['M6', '8.8', 11.6],
    ['M8', '8.8', 21.2],
    ['M10', '8.8', 33.7],
    ['M12', '10.9', 70.0],
    ['M16', '10.9', 130],
    ['M10', '12.9', 56.3],
  ])('%s %s holds %s kN', (thread, propertyClass, kN) => {
    const { proofLoad } = boltTorque.reckon({ thread, propertyClass }).results;
    expect(convert(proofLoad, 'kN').value).toBeCloseTo(kN, kN >= 100 ? -1 : 0);
  });
});

describe('torque and clamp force', () => {
  test('the torque of bolt-torque as a snug torque gives the clamp force back', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...THREADS),
        fc.constantFrom(...CLASSES),
        fc.double({ min: 0.06, max: 0.3, noNaN: true }),
        (thread, propertyClass, mu) => {
          const { torque, clampForce } = boltTorque.reckon({ thread, propertyClass, frictionThread: mu }).results;
          const back = torqueAngle.reckon({
            thread,
            propertyClass,
            snugTorque: torque,
            angle: '0 deg',
            gripLength: '60 mm',
            frictionThread: mu,
            frictionHead: mu,
          }).results;
          expect(back.clampAfterSnug.value).toBeCloseTo(clampForce.value, 4);
          expect(back.clampAdded.value).toBe(0);
          expect(
            torqueSanity.reckon({ thread, propertyClass, torque, frictionThread: mu }).results.percentOfYield.value,
          ).toBeCloseTo(90, 6);
        },
      ),
    );
  });
  test('more friction: less clamp force for the same stress; a stronger class: more of both', () => {
    fc.assert(
      fc.property(fc.constantFrom(...THREADS), fc.double({ min: 0.05, max: 0.25, noNaN: true }), (thread, mu) => {
        const at = (propertyClass: string, friction: number): { force: number; torque: number } => {
          const r = boltTorque.reckon({ thread, propertyClass, frictionThread: friction }).results;
          return { force: r.clampForce.value, torque: r.torque.value };
        };
        expect(at('8.8', mu + 0.02).force).toBeLessThan(at('8.8', mu).force);
        expect(at('10.9', mu).torque).toBeGreaterThan(at('8.8', mu).torque);
        expect(at('10.9', mu).force).toBeGreaterThan(at('8.8', mu).force);
      }),
    );
  });
  test('more angle never clamps less, and never past yield; a longer bolt gains less', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 180, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (angle, more) => {
          const at = (deg: number, grip: number): { total: number; past: string } => {
            const r = torqueAngle.reckon({
              thread: 'M10',
              propertyClass: '10.9',
              snugTorque: '20 N·m',
              angle: { value: deg, unit: 'deg' },
              gripLength: { value: grip, unit: 'mm' },
            }).results;
            return { total: r.clampTotal.value, past: r.pastYield };
          };
          expect(at(angle + more, 60).total).toBeGreaterThanOrEqual(at(angle, 60).total);
          expect(at(angle, 90).total).toBeLessThanOrEqual(at(angle, 60).total);
          // 940 MPa on the stress area, and no more.
          expect(at(angle + more, 60).total).toBeLessThan(940 * 58);
        },
      ),
    );
  });
  test('more engagement holds more, to the point where the bolt is the weakest', () => {
    const at = (mm: number): { nut: number; weakest: string; limit: number } => {
      const r = threadEngagement.reckon({
        thread: 'M10',
        propertyClass: '8.8',
        engagement: { value: mm, unit: 'mm' },
        nutMaterial: 'aluminium',
      }).results;
      return { nut: r.nutStripForce.value, weakest: r.weakest, limit: r.limitTorque.value };
    };
    // 0.8 of a 1.5 mm pitch does not carry: 13.2 mm holds twice what 7.2 mm does.
    expect(at(13.2).nut).toBeCloseTo(2 * at(7.2).nut, 6);
    expect([at(6).weakest, at(25).weakest]).toEqual(['nut-thread', 'bolt']);
    expect(at(25).limit).toBeCloseTo(at(30).limit, 9);
  });
});
