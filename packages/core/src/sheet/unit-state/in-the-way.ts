import type { Sheet } from '../types.ts';
import type { UnitState } from './state.ts';

/** Is a part on, be it pressed half way? */
export const isOn = (state: UnitState, part: string): boolean => state.parts.get(part) !== 'off';

/** Spaces that a part lies in, itself or by the part that it lies in. */
export function spacesOf(sheet: Sheet, part: string): readonly string[] {
  const out: string[] = [];
  const seen = new Set<string>();
  let at: string | undefined = part;
  while (at !== undefined && !seen.has(at)) {
    seen.add(at);
    const within: string | undefined = sheet.parts[at]?.sits?.in;
    if (within !== undefined && sheet.spaces[within]) out.push(within);
    at = within;
  }
  return out;
}

/** Parts that are on and shut a space. */
export function closersOf(sheet: Sheet, state: UnitState, space: string): readonly string[] {
  return Object.values(sheet.parts)
    .filter((p) => p.sits?.closes.includes(space) && isOn(state, p.id))
    .map((p) => p.id);
}

/**
 * What is in the way of touching a part: parts that are said to be before it, and what shuts the space that it lies in.
 * A part never stands in its own way.
 */
export function inTheWay(sheet: Sheet, state: UnitState, part: string): readonly string[] {
  const behind = (sheet.parts[part]?.sits?.behind ?? []).filter((b) => isOn(state, b));
  const shut = spacesOf(sheet, part).flatMap((s) => closersOf(sheet, state, s));
  return [...new Set([...behind, ...shut])].filter((p) => p !== part);
}

/** Joints that hold a part, and are not undone. */
export function heldBy(sheet: Sheet, state: UnitState, part: string): readonly string[] {
  return Object.values(sheet.joints)
    .filter((j) => (j.clamps?.includes(part) || j.fastener === part) && state.joints.get(j.id) !== 'none')
    .map((j) => j.id);
}

/** Spaces that heat on a part reaches: those that it lies in, and those that it shuts. */
export function spacesAround(sheet: Sheet, part: string): readonly string[] {
  return [...new Set([...spacesOf(sheet, part), ...(sheet.parts[part]?.sits?.closes ?? [])])];
}
