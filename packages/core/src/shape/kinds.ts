import type { Part, ShapeKind } from '../sheet/index.ts';

/**
 * Words of the trade that tell what a part looks like. What a title ends in counts: a "bearing cover" is a cover; of two
 * that end alike the first of this list.
 */
const WORDS: readonly (readonly [RegExp, ShapeKind])[] = [
  [/\b(drain|filler|fill|level|boss|expansion|oil|sump)\b.*\bplug\b|\bplug\b$|\bnipple\b|\bvalve core\b/, 'plug'],
  [/\bo-ring\b|\b(cap|cover|port|body|nose|carrier|housing|head|gland|pump|side|pocket|plug|seat|shaft|dust|front|rear) ring\b/, 'o-ring'],
  [/\b(nut)\b(?! lock)/, 'nut'],
  [/\b(bolt|screw|stud|banjo)s?\b/, 'bolt'],
  [/\b(split|differential|cross|locking|pivot|idler|king)? ?pin\b|\bkingpin\b|\bdowel\b|\bpin lock\b/, 'pin'],
  [/\bkey\b$/, 'key'],
  [/\b(circlip|snap ring|clip|spline ring|retaining ring)\b/, 'circlip'],
  [/\bgasket\b|\bdiaphragm\b/, 'gasket'],
  [/\bshims?\b|\bshim pack\b/, 'shim'],
  [/\bwashers?\b|\btab\b|\bspring disc\b|\bcushion plate\b|\brace\b/, 'washer'],
  [/\bwiper\b|\bseal\b(?! (carrier|ring))|\blip ring\b|\bring seal\b/, 'seal'],
  [/\bcones?\b/, 'cone'],
  [/\bcups?\b/, 'cup'],
  [/\b(thrust (needle )?bearing|mount bearing)\b/, 'thrust-bearing'],
  [/\b(roller bearing|needle)\b/, 'roller-bearing'],
  [/\bbearings?\b$|\bbearing\b.*\bpair\b|\bangular contact\b|\bcartridge bearing\b/, 'ball-bearing'],
  [/\bballs?\b|\bshoe\b/, 'ball'],
  [/\bsprings?\b/, 'spring'],
  [/\b(boot|bellows)\b/, 'boot'],
  [/\b(stator|winding|coil)\b/, 'winding'],
  [/\b(friction|steel|end|pressure|backing|clamp|valve)? ?(plate|plates)\b|\bplate pack\b|\bfriction\b/, 'plate'],
  [/\b(disc|shield|backplate|flange)\b/, 'disc'],
  [/\b(gear|sun|planet)\b(?! (cover|case|room))/, 'gear'],
  [/\b(pulley|idler|coupling)\b/, 'pulley'],
  [/\b(compressor|turbine) wheel\b|\bimpeller\b/, 'impeller'],
  [/\b(wheel|tyre|drum)\b/, 'wheel'],
  [/\bpiston\b(?! (ring|rings|seal|band))/, 'piston'],
  [/\b(bush|wear band|piston band)\b/, 'bush'],
  [/\b(spacer|distance|crush sleeve)\b/, 'spacer'],
  [/\bsleeve\b/, 'sleeve'],
  [/\b(cap|cover|lid|guard|shroud)\b/, 'cover'],
  [/\b(shaft|spindle|axle stub|axle|rotor|rod|pinion|stem|swash)\b(?! (beam|housing))/, 'shaft'],
  [/\b(hub|housing|case|crankcase|frame|body|tube|barrel|carrier|holder|head|core|tank|cage|gland|neck|knuckle|half|drum|basket|differential|cylinder|nose|engine|beam|adjuster|pump)\b/, 'housing'],
  [/\b(pipe|hose|duct)\b/, 'pipe'],
  [/\brings?\b|\bband\b|\bolive\b/, 'ring'],
]; // prettier-ignore

/** What a part looks like: by its sheet, by its figures, else by the words of its title; a box when nothing tells. */
export function kindOf(part: Part): ShapeKind {
  if (part.shape) return part.shape;
  if (part.lip) return 'seal';
  if (part.ring) return 'o-ring';
  const words = part.title
    .toLowerCase()
    // The size and what it is like come after the name: "Cap bolt M8 × 20", "Copper nut M8, self-locking".
    .replace(/(,| m\d| \().*$/, '')
    .replace(/,? (left|right|front|rear)$/, '')
    .trim();
  const last = / (?:of|with|on|in) /.exec(words);
  const name = last ? words.slice(0, last.index) : words;
  // What it is comes last: a "pulley spacer" is a spacer.
  let best: { readonly end: number; readonly kind: ShapeKind } | undefined;
  for (const [pattern, kind] of WORDS) {
    const met = pattern.exec(name);
    const end = met ? met.index + met[0].length : -1;
    if (end > (best?.end ?? -1)) best = { end, kind };
  }
  return best?.kind ?? 'box';
}
