import { ReckonError } from '../shape/index.ts';

export type GlandKind = 'piston' | 'rod' | 'face';

/** A groove and what it closes against, mm. */
export interface Gland {
  readonly kind: GlandKind;
  readonly grooveMm: number;
  /** Bore of a piston seal, rod of a rod seal. */
  readonly matingMm: number | undefined;
  readonly widthMm: number;
  /** Depth of a face groove. */
  readonly faceDepthMm: number | undefined;
}
export interface RingInGland {
  readonly depthMm: number;
  /** Stretch of the inside diameter, percent; negative where the ring is pushed together. */
  readonly stretchPercent: number;
  readonly sectionInstalledMm: number;
  readonly squeezePercent: number;
  readonly fillPercent: number;
}

/** Radial room of a gland, or the depth of a face groove, mm. @throws ReckonError when there is none */
export function glandDepth(g: Gland): number {
  if (g.kind === 'face') {
    if (g.faceDepthMm === undefined)
      throw new ReckonError('missing-field', 'grooveDepth', null, 'the depth of the groove, for a face seal');
    return g.faceDepthMm;
  }
  if (g.matingMm === undefined)
    throw new ReckonError('missing-field', 'matingDiameter', null, g.kind === 'piston' ? 'the bore' : 'the rod');
  const depth = (g.kind === 'piston' ? g.matingMm - g.grooveMm : g.grooveMm - g.matingMm) / 2;
  if (depth <= 0)
    throw new ReckonError(
      'inconsistent',
      'grooveDiameter',
      g.grooveMm,
      g.kind === 'piston' ? 'a groove smaller than the bore' : 'a groove larger than the rod',
    );
  return depth;
}

/** Diameter that holds the ring's inside: groove bottom of a piston seal or face groove, rod of a rod seal. */
const seat = (g: Gland): number => (g.kind === 'rod' ? g.matingMm! : g.grooveMm);

/**
 * A ring of inside diameter and section (mm) in its gland. The rubber's volume is constant: w² (d + w) stays, so a
 * stretched ring is thinner. Fill is the ring's section over the gland's.
 */
export function ringInGland(g: Gland, insideMm: number, sectionMm: number): RingInGland {
  const depthMm = glandDepth(g);
  const stretchPercent = (seat(g) / insideMm - 1) * 100;
  let w = sectionMm;
  // Only stretch thins a ring; one that is pushed together folds rather than thickens.
  if (stretchPercent > 0) {
    const volume = sectionMm * sectionMm * (insideMm + sectionMm);
    for (let i = 0; i < 40; i += 1) w = Math.sqrt(volume / (seat(g) + w));
  }
  return {
    depthMm,
    stretchPercent,
    sectionInstalledMm: w,
    squeezePercent: (1 - depthMm / w) * 100,
    fillPercent: ((Math.PI / 4) * w * w * 100) / (g.widthMm * depthMm),
  };
}

/** What stretch, squeeze and fill may be, percent. ISO 3601-2 and handbooks, from memory. */
export interface Window {
  readonly low: number;
  readonly high: number;
}
export function squeezeWindow(motion: 'static' | 'dynamic', medium: 'hydraulic' | 'pneumatic'): Window {
  if (motion === 'static') return { low: 10, high: 40 };
  return medium === 'hydraulic' ? { low: 8, high: 20 } : { low: 5, high: 16 };
}
export const STRETCH: Window = { low: 0, high: 5 };
export const MOST_FILL = 85;
/** Preferred squeeze at rest. */
export const PREFERRED_STATIC: Window = { low: 15, high: 30 };
