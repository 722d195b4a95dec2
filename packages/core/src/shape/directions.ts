/** A place of a measure that is a direction across the part: which way a gauge lies there, degrees clockwise from the top. */
export interface Direction {
  readonly where: string;
  readonly degrees: number;
}

/**
 * The directions in which a part is measured, where all of a measure's places are such: "0°", "60°", "120°".
 * @param at the places of the measure, in its order
 * @returns in the same order; none where a place is of another kind, or there is but one
 */
export function directionsOf(at: readonly string[]): readonly Direction[] {
  const all = at.flatMap((where): readonly Direction[] => {
    const degrees = /^(\d{1,3})\s?°$/.exec(where)?.[1];
    return degrees === undefined ? [] : [{ where, degrees: Number(degrees) }];
  });
  return all.length === at.length && all.length > 1 ? all : [];
}
