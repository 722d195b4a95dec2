import type { CureVerb, SheetFault } from './faults.ts';
import type { Sheet } from './types.ts';

/** What a fault shows, each in words: "Output: too low", "Spin by hand: a growl". */
export function faultShows(sheet: Sheet, fault: SheetFault): readonly string[] {
  return Object.entries(fault.shows).map(([name, says]) => {
    const look = sheet.looks[name];
    const read = sheet.tests[name] ?? sheet.settings[name] ?? sheet.measures[name];
    const choice = look?.choices.find((c) => c.id === says)?.title;
    return `${look?.title ?? read?.title ?? name}: ${(choice ?? `too ${says}`).toLowerCase()}`;
  });
}

const SAID: Readonly<Record<CureVerb, string>> = {
  renew: 'new',
  dress: 'dressed',
  clean: 'cleaned',
  look: 'looked at',
  set: 'set',
  tighten: 'tightened',
  fill: 'filled',
};
/** What cures it, in words: "bearing new", "end float set". */
export function faultCure(sheet: Sheet, fault: SheetFault): readonly string[] {
  return Object.entries(fault.cure).map(([name, verb]) => {
    const thing = sheet.parts[name] ?? sheet.settings[name] ?? sheet.joints[name] ?? sheet.fluids[name];
    return `${(thing?.title ?? name).toLowerCase()} ${SAID[verb]}`;
  });
}
