import type { Joint } from '../../sheet/index.ts';

/** "Long, M6 × 45: places 8 and 9; the others alike": which fastener goes where, a line for each kind. */
export function takesWords(joint: Joint): readonly string[] {
  const kinds = new Map<string, number[]>();
  for (const [place, kind] of Object.entries(joint.takes ?? {}))
    kinds.set(kind, [...(kinds.get(kind) ?? []), Number(place)]);
  return [...kinds].map(([kind, places]) => {
    const sorted = [...places].sort((a, b) => a - b);
    const listed =
      sorted.length > 1 ? `places ${sorted.slice(0, -1).join(', ')} and ${sorted.at(-1)}` : `place ${sorted[0]}`;
    return `${kind}: ${listed}`;
  });
}
