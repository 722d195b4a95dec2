import { normal } from './random.ts';

/** A hub on its spindle: the pack with which the float is nothing, mm. A thicker pack loosens. */
const ZERO_FLOAT_PACK_MM = 1.27;
/** The pack that the worn unit came in with, and the wear that it hides, mm. */
const AS_FOUND_PACK_MM = 1.5;
const WEAR_MM = 0.08;
/** The indicator repeats to this, one deviation, mm. */
const REPEAT_MM = 0.0008;
const RESOLUTION_MM = 0.001;

/** The indicator on the hub face, rocked by hand. */
export class FloatRig {
  private packMm: number | undefined;
  constructor(private readonly random: () => number) {}

  /** A pack goes between the cones; from now on the worn set is out of it. */
  fitPack(packMm: number): void {
    this.packMm = packMm;
  }

  /** What one rock of the hub shows, mm; less than nothing cannot be felt. */
  rock(): number {
    const float =
      this.packMm === undefined ? AS_FOUND_PACK_MM - ZERO_FLOAT_PACK_MM + WEAR_MM : this.packMm - ZERO_FLOAT_PACK_MM;
    const shown = Math.max(0, float) + REPEAT_MM * normal(this.random);
    return Math.round(shown / RESOLUTION_MM) * RESOLUTION_MM;
  }
}
