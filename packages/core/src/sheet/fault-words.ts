import type { CureVerb, SheetFault } from './faults.ts';
import type { Sheet } from './types.ts';

/** In the middle of a sentence; a thread or an abbreviation keeps its letters. */
const lowerFirst = (words: string): string =>
  /^[A-Z][a-z]/.test(words) ? words[0]!.toLowerCase() + words.slice(1) : words;

/** What a fault shows, each in words: "Output: too low", "Spin by hand: a growl". */
export function faultShows(sheet: Sheet, fault: SheetFault): readonly string[] {
  return Object.entries(fault.shows).map(([name, says]) => {
    const look = sheet.looks[name];
    const read = sheet.tests[name] ?? sheet.settings[name] ?? sheet.measures[name];
    const choice = look?.choices.find((c) => c.id === says)?.title;
    return `${look?.title ?? read?.title ?? name}: ${lowerFirst(choice ?? `too ${says}`)}`;
  });
}

const SAID: Readonly<Record<CureVerb, string>> = {
  renew: 'new',
  dress: 'dress the',
  clean: 'clean the',
  look: 'look at the',
  set: 'set the',
  tighten: 'tighten the',
  fill: 'fill with',
};
/** What cures it, in words: "new bearing cups", "set the end float". */
export function faultCure(sheet: Sheet, fault: SheetFault): readonly string[] {
  return Object.entries(fault.cure).map(([name, verb]) => {
    const thing = sheet.parts[name] ?? sheet.settings[name] ?? sheet.joints[name] ?? sheet.fluids[name];
    return `${SAID[verb]} ${lowerFirst(thing?.title ?? name)}`;
  });
}
