import { choice, defineReckoner, optional, record } from '../shape/index.ts';

const flank = (label: string) =>
  record(
    {
      lengthwise: choice(['toe', 'centre', 'heel'], 'Along the tooth'),
      profile: choice(['top', 'centre', 'root'], 'Up the tooth'),
    },
    label,
  );
type Move = 'pinion-in' | 'pinion-out' | 'gear-in' | 'gear-out' | 'none' | 'check-pair';

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
  formula:
    'either flank: top → pinion in, root → pinion out;  opposite ends: heel on drive → in, toe on drive → out;  then toe → gear out, heel → gear in',
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
    {
      inputs: { drive: { lengthwise: 'centre', profile: 'centre' }, coast: { lengthwise: 'centre', profile: 'root' } },
      gives: { move: 'pinion-out' },
      source: 'the coast flank counts too: handbook rule, from memory',
    },
    {
      inputs: { drive: { lengthwise: 'centre', profile: 'top' }, coast: { lengthwise: 'centre', profile: 'root' } },
      gives: { move: 'check-pair' },
      source: 'no depth cures both: handbook rule, from memory',
    },
  ],
  dangers: {
    'coast-unseen': {
      harm: 'The gear is moved for a fault of the depth: the coast flank runs on its edge and breaks off.',
      fires: { coast: null },
      silent: {},
    },
    contradiction: {
      harm: 'A pair that does not belong together is shimmed to and fro until it is run as it is, and breaks.',
      fires: { coast: { lengthwise: 'toe', profile: 'root' } },
      silent: { coast: { lengthwise: 'toe', profile: 'top' } },
    },
    'makers-picture': {
      harm: 'Gears cut by another method show other pictures: they are set wrong by a rule that is not theirs.',
      fires: {},
    },
  },
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
      work.warn(
        'coast-unseen',
        'Look at the coast flank too: the same place at opposite ends means the depth, not the backlash.',
      );
    if (move === 'check-pair')
      work.warn(
        'contradiction',
        'The two flanks ask for opposite depths: no shim cures that. Look for a wrong pair, a bent shaft, a cocked bearing or wear.',
      );
    work.warn(
      'makers-picture',
      'The maker’s pictures of this very gear come first: some are cut to run nearer the toe.',
    );
    const thenCheck =
      move === 'none'
        ? 'backlash at four places, then turn the pair over by hand'
        : move === 'check-pair'
          ? 'that both gears carry the same number, and how the shafts run; then mark again'
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
/** What a flank's place up the tooth says of the depth. */
const depthOf = (flank: Flank | undefined): 'in' | 'out' | undefined =>
  flank?.profile === 'top' ? 'in' : flank?.profile === 'root' ? 'out' : undefined;

/** Depth first, from every sign of it on both flanks; then the backlash; never two orders that undo each other. */
function choose(drive: Flank, coast: Flank | undefined): [Move, string] {
  const opposite =
    coast !== undefined &&
    drive.lengthwise !== 'centre' &&
    coast.lengthwise !== 'centre' &&
    drive.lengthwise !== coast.lengthwise;
  const signs: readonly (readonly ['in' | 'out' | undefined, string])[] = [
    [depthOf(drive), `${drive.profile} of the tooth on drive`],
    [depthOf(coast), `${coast?.profile ?? ''} of the tooth on coast`],
    [
      opposite ? (drive.lengthwise === 'heel' ? 'in' : 'out') : undefined,
      `${drive.lengthwise} on drive and ${coast?.lengthwise ?? ''} on coast`,
    ],
  ];
  const told = signs.filter(([way]) => way !== undefined);
  const words = told.map(([, where]) => where).join(', ');
  if (told.some(([way]) => way === 'in') && told.some(([way]) => way === 'out'))
    return ['check-pair', `${words}: these ask for opposite depths`];
  if (told.length > 0)
    return told[0]![0] === 'in'
      ? ['pinion-in', `${words}: the pinion stands too far out`]
      : ['pinion-out', `${words}: the pinion stands too deep`];
  const end = drive.lengthwise !== 'centre' ? drive.lengthwise : (coast?.lengthwise ?? 'centre');
  if (end === 'toe') return ['gear-out', 'the marking is at the toe: too little backlash'];
  if (end === 'heel') return ['gear-in', 'the marking is at the heel: too much backlash'];
  return ['none', 'the marking is central: leave it'];
}
