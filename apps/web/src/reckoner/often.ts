/** What is asked most at a bench, in its own words, and the calculation that answers it (common practice). */
export const OFTEN: readonly (readonly [id: string, asks: string])[] = [
  ['wrench-setting', 'With an extension on: what do I set the wrench to?'],
  ['bolt-torque', 'How tight, when nobody has a figure?'],
  ['torque-sanity', 'Can this torque be right?'],
  ['shim-for-setting', 'Which pack gives the setting?'],
  ['rolling-drag', 'A pull on a cord: what drag is that?'],
  ['heat-to-fit', 'How hot, so that it drops on?'],
  ['press-fit', 'How much force does it take?'],
  ['lip-seal', 'Which way round, and how deep?'],
  ['oring-gland', 'Does this ring seal in that groove?'],
  ['verdict', 'Within its limits, or not for sure?'],
  ['pressure-decay', 'Does it leak, or does it only cool?'],
  ['two-plane-balance', 'How much weight, and where?'],
];
