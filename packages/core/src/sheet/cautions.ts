/**
 * Classes of caution with their words, common practice. Jubb says them before the step; the maker's own documents,
 * local rules and licensed practice come first.
 */
export const cautionClasses: Readonly<Record<string, string>> = Object.freeze({
  'lifted-vehicle':
    'Nothing under a lifted vehicle that stands on a jack alone. Chock first, stand under the beam, then try it.',
  'heavy-part': 'Heavy on the last bolt. Get both hands under it, or a helper.',
  'loaded-spring': 'The spring is loaded. Hold it in a compressor made for it before anything is slackened.',
  'hot-part': 'Hot enough to burn. Gloves on, and somewhere to put it down.',
  'open-flame': 'Open flame. Solvent and rags away, extinguisher in reach.',
  'press-fragments': 'A press can throw fragments. Glasses on, guard across, stand aside.',
  pressure: 'Pressure may still be in it. Let it down and see the gauge at zero before a fitting is slackened.',
  refrigerant: 'Refrigerant is recovered only by someone licensed for it.',
  dust: 'Dust of linings can harm lungs. Wet or vacuum it, never blow it.',
  'battery-connected': 'Current from a battery that is still connected. Earth lead off first.',
  solvent: 'Solvent: air the place, gloves and glasses on.',
});
