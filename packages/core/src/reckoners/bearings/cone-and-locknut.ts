import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defineReckoner, list, optional, quantity, record, ReckonError } from '../shape/index.ts';

/** Furthest that one step is trusted, degrees. */
const LONGEST = 180;

/**
 * Where to set a cone next, so that the play is right after the locknut has pulled it: the locknut always moves it, and
 * by how much only the tries tell. First step from the pitch; then a secant through the last two tries.
 * Turning the cone further tightens.
 */
export const coneAndLocknut = defineReckoner({
  id: 'cone-and-locknut',
  title: 'Cone and locknut',
  subject: 'bearings',
  asks: ['cone adjustment', 'locknut tightens it', 'cup and cone', 'play after locking'],
  formula: 'first: next = cone + (play − target)·360/P;  then: next = c2 + (target − p2)(c2 − c1)/(p2 − p1)',
  sources: ['secant method', 'geometry of the thread'],
  checks: [
    {
      inputs: { tries: [{ coneTurn: '0 deg', playAfterLock: '0.10 mm' }], threadPitch: '1 mm', target: '0.02 mm' },
      gives: { nextConeTurn: '28.8 deg' },
      source: 'by hand: 0.08 × 360',
    },
    {
      inputs: {
        tries: [
          { coneTurn: '0 deg', playAfterLock: '0.10 mm' },
          { coneTurn: '28.8 deg', playAfterLock: '0.04 mm' },
        ],
        threadPitch: '1 mm',
        target: '0.02 mm',
      },
      gives: { nextConeTurn: '38.4 deg' },
      source: 'by hand: 28.8 + 0.02 × 28.8/0.06',
    },
  ],
  dangers: {
    'tries-contradict': {
      harm: 'A cone that turns along with its locknut is screwed on and on: the bearing is crushed.',
      fires: {
        tries: [
          { coneTurn: '0 deg', playAfterLock: '0.10 mm' },
          { coneTurn: '20 deg', playAfterLock: '0.11 mm' },
        ],
      },
      silent: {
        tries: [
          { coneTurn: '0 deg', playAfterLock: '0.10 mm' },
          { coneTurn: '20 deg', playAfterLock: '0.06 mm' },
        ],
      },
    },
    'may-be-preloaded': {
      harm: 'No play and too much preload feel alike: the balls dent their races under the first load.',
      fires: { tries: [{ coneTurn: '0 deg', playAfterLock: '0.00 mm' }] },
      silent: { tries: [{ coneTurn: '0 deg', playAfterLock: '0.01 mm' }] },
    },
  },
  inputs: {
    tries: list(
      record(
        {
          coneTurn: quantity('angle', 'Cone at', { min: -3600, max: 3600 }),
          lockTurn: optional(quantity('angle', 'Locknut turned', { min: -3600, max: 3600 })),
          playAfterLock: quantity('length', 'Play after locking', { min: -10, max: 100 }),
        },
        'Try',
      ),
      'Tries so far',
      { maxLength: 20 },
    ),
    threadPitch: quantity('length', 'Pitch of the thread', { above: 0, max: 20 }),
    target: quantity('length', 'Play wanted', { min: -10, max: 100 }),
  },
  outputs: { nextConeTurn: { label: 'Set the cone at', is: 'angle' } },
  compute({ tries, threadPitchMm: P, targetMm: target }, work) {
    const last = tries.at(-1)!;
    const before = tries.at(-2);
    const turned = before ? last.coneTurnDeg - before.coneTurnDeg : 0;
    const changed = before ? last.playAfterLockMm - before.playAfterLockMm : 0;
    let next: number;
    if (before && changed * turned < 0) {
      next = last.coneTurnDeg + ((target - last.playAfterLockMm) * turned) / changed;
      work.step(
        'Next',
        'c2 + (target − p2)(c2 − c1)/(p2 − p1)',
        `${f(last.coneTurnDeg)} + (${f(target, 3)} − ${f(last.playAfterLockMm, 3)}) × ${f(turned)} / ${f(changed, 3)}`,
        canonical(next, 'angle'),
      );
    } else {
      if (before)
        work.warn(
          'tries-contradict',
          'The last two tries contradict each other: turning the cone in did not tighten. The pitch is used; look for a cone that turns with the locknut.',
        );
      next = last.coneTurnDeg + ((last.playAfterLockMm - target) * 360) / P;
      work.step(
        'Next',
        'cone + (play − target) · 360 / P',
        `${f(last.coneTurnDeg)} + (${f(last.playAfterLockMm, 3)} − ${f(target, 3)}) × 360 / ${f(P)}`,
        canonical(next, 'angle'),
      );
    }
    if (Math.abs(next - last.coneTurnDeg) > LONGEST)
      throw new ReckonError(
        'no-step',
        'tries',
        f(next),
        `tries that lead less than ${LONGEST}° further`,
        `the next step would be ${f(next - last.coneTurnDeg)}°: read the play again`,
      );
    if (last.playAfterLockMm <= 0)
      work.warn(
        'may-be-preloaded',
        'No play at the last try: it may be preloaded by more than can be read. Start from a loose one.',
      );
    return { nextConeTurn: canonical(next, 'angle') };
  },
});
