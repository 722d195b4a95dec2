import { choice, defineReckoner, optional, record } from '../shape/index.ts';

const flank = (label: string) =>
  record(
    {
      lengthwise: choice(['toe', 'centre', 'heel'], 'Along the tooth'),
      profile: choice(['top', 'centre', 'root'], 'Up the tooth'),
    },
    label,
  );
type Move = 'pinion-in' | 'pinion-out' | 'gear-in' | 'gear-out' | 'none';

/**
 * What to move for a better contact pattern on the gear's teeth. Depth of the pinion first, since it shifts the backlash
 * too: a pattern at the top of the tooth wants the pinion in, at the root out; drive and coast on opposite ends say the
 * same. A pattern at the toe on both flanks wants the gear out, at the heel in. Handbook rules, from memory.
 */
export const contactPattern = defineReckoner({
  id: 'contact-pattern',
  title: 'Contact pattern',
  subject: 'gears',
  asks: ['tooth marking', 'toe or heel', 'marking paste', 'pinion depth'],
  formula: 'top → pinion in, root → pinion out;  then both at the toe → gear out, both at the heel → gear in',
  sources: ['handbook rules, from memory: the maker’s pictures of the very gear come first'],
  checks: [
    {
      inputs: { drive: { lengthwise: 'heel', profile: 'top' }, coast: { lengthwise: 'toe', profile: 'top' } },
      gives: { move: 'pinion-in' },
      source: 'handbook rule, from memory',
    },
    {
      inputs: { drive: { lengthwise: 'toe', profile: 'root' } },
      gives: { move: 'pinion-out' },
      source: 'handbook rule, from memory',
    },
    {
      inputs: { drive: { lengthwise: 'toe', profile: 'centre' } },
      gives: { move: 'gear-out' },
      source: 'handbook rule, from memory',
    },
    {
      inputs: { drive: { lengthwise: 'heel', profile: 'centre' } },
      gives: { move: 'gear-in' },
      source: 'handbook rule, from memory',
    },
    {
      inputs: { drive: { lengthwise: 'centre', profile: 'centre' } },
      gives: { move: 'none' },
      source: 'handbook rule, from memory',
    },
  ],
  inputs: {
    drive: flank('Drive flank (convex side of the gear)'),
    coast: optional(flank('Coast flank')),
  },
  outputs: {
    move: { label: 'Move', is: 'word' },
    reason: { label: 'Why', is: 'word' },
    thenCheck: { label: 'Then check', is: 'word' },
  },
  compute({ drive, coast }, work) {
    const [move, reason] = choose(drive, coast);
    work.given('Drive flank', `${drive.lengthwise}, ${drive.profile}`);
    if (coast) work.given('Coast flank', `${coast.lengthwise}, ${coast.profile}`);
    work.step('Move', 'depth of the pinion first, then the backlash', reason, move);
    if (!coast)
      work.warn('Look at the coast flank too: the same place at opposite ends means the depth, not the backlash.');
    if (coast && drive.profile !== 'centre' && coast.profile !== 'centre' && drive.profile !== coast.profile)
      work.warn(
        'Top on one flank and root on the other does not come of depth: look for a wrong pair, a bent shaft or wear.',
      );
    const thenCheck =
      move === 'none'
        ? 'backlash at four places, then turn the pair over by hand'
        : move.startsWith('pinion')
          ? 'backlash, which the depth has moved, and bring it back by the gear; then mark again'
          : 'backlash is still within its limits; then mark again';
    return { move, reason, thenCheck };
  },
});

interface Flank {
  readonly lengthwise: 'toe' | 'centre' | 'heel';
  readonly profile: 'top' | 'centre' | 'root';
}
function choose(drive: Flank, coast: Flank | undefined): [Move, string] {
  const opposite =
    coast !== undefined &&
    drive.lengthwise !== 'centre' &&
    coast.lengthwise !== 'centre' &&
    drive.lengthwise !== coast.lengthwise;
  if (drive.profile === 'top')
    return ['pinion-in', 'the marking is at the top of the tooth: the pinion stands too far out'];
  if (drive.profile === 'root') return ['pinion-out', 'the marking is at the root: the pinion stands too deep'];
  if (opposite)
    return drive.lengthwise === 'heel'
      ? ['pinion-in', 'heel on drive and toe on coast: the pinion stands too far out']
      : ['pinion-out', 'toe on drive and heel on coast: the pinion stands too deep'];
  if (drive.lengthwise === 'toe') return ['gear-out', 'the marking is at the toe: too little backlash'];
  if (drive.lengthwise === 'heel') return ['gear-in', 'the marking is at the heel: too much backlash'];
  return ['none', 'the marking is central: leave it'];
}
