import type { Band, Quantity } from '../quantities/index.ts';
import type { MaterialName } from '../reckoners/index.ts';

/** How tightly a part sits, and what it stands: what pressing and heating are reckoned from. */
export interface Fit {
  readonly diameter: Quantity;
  /** On diameter, from the drawing or from the letters of its fit (ISO 286). */
  readonly interference: Band;
  /** Width of the seat. */
  readonly length?: Quantity;
  /** Outside of the ring or hub that is pressed on or into. */
  readonly outside?: Quantity;
  /** Room that lets it drop freely. */
  readonly clearance: Quantity;
  /** No hotter than this. */
  readonly limit: Quantity;
  readonly mass?: Quantity;
  readonly surface?: Quantity;
  /** What it sits in, and how warm both get: whether the fit still holds then. */
  readonly warm?: { readonly around: MaterialName; readonly temperature: Quantity };
  /** A rolling bearing: what of its clearance the fit and the warmth leave. */
  readonly bearing?: {
    readonly outside: Quantity;
    readonly clearance: Quantity;
    readonly type: 'ball' | 'roller';
  };
}

/** The groove that a ring lies in. */
export interface Gland {
  readonly kind: 'piston' | 'rod' | 'face';
  readonly motion: 'static' | 'dynamic';
  readonly groove: Quantity;
  /** What the ring seals against: a bore, a rod. A face has none. */
  readonly mating?: Quantity;
  /** Of a face's groove. */
  readonly depth?: Quantity;
  readonly width: Quantity;
  readonly medium: 'hydraulic' | 'pneumatic';
  /** The spring that must bring a piston back past the ring. */
  readonly returnSpring?: Quantity;
}

/** A lip seal's ring: its size and which way its lip faces. */
export interface Lip {
  readonly shaft: Quantity;
  readonly bore: Quantity;
  readonly width: Quantity;
  readonly faces: string;
  readonly speed?: Quantity;
  readonly material?: 'NBR' | 'ACM' | 'FKM' | 'VMQ';
  readonly boreDepth?: Quantity;
  /** Lip from the seal's outer face. */
  readonly lipAt?: Quantity;
  /** Old groove from the face of the bore. */
  readonly grooveAt?: Quantity;
}

/** What `oring-gland` is asked for a ring in its groove. */
export function glandInputs(
  ring: { readonly inside: Quantity; readonly section: Quantity },
  gland: Gland,
): Readonly<Record<string, unknown>> {
  return {
    insideDiameter: ring.inside,
    section: ring.section,
    kind: gland.kind,
    motion: gland.motion,
    grooveDiameter: gland.groove,
    grooveWidth: gland.width,
    medium: gland.medium,
    ...(gland.mating ? { matingDiameter: gland.mating } : {}),
    ...(gland.depth ? { grooveDepth: gland.depth } : {}),
  };
}
