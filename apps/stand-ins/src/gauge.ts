import { normal, seededRandom } from './random.ts';
import { rigDepth, rigLength, rigPress, rigTemperature, rigPull, type RigState } from './rig.ts';

/** What a gauge can do: its resolution, how far the gauge itself is off (one deviation), and how well it repeats. */
export interface GaugeMake {
  readonly resolution: number;
  readonly off: number;
  readonly repeat: number;
}
/** What is held to the gauge: a piece by name, what it measures when new, and where it is worn out. */
export interface Piece {
  readonly piece: string;
  readonly newSize?: number;
  readonly limit?: number;
}

/** How worn the pieces of a shop are: most are part of the way, about one in seven is past its limit. */
const MOST_WEAR = 1.16;

/** FNV-1a, 32 bit: the same name is the same piece, whichever gauge touches it. */
function seedOf(name: string): number {
  let hash = 0x811c9dc5;
  for (const byte of Buffer.from(name, 'utf8')) hash = Math.imul(hash ^ byte, 0x01000193) >>> 0;
  return hash;
}

/** What a piece really measures, in the unit of its sizes: the same for every gauge. */
export function trueSize({ piece, newSize, limit }: Piece): number {
  const share = seededRandom(seedOf(piece))();
  if (newSize !== undefined && limit !== undefined) return newSize + (limit - newSize) * share * MOST_WEAR;
  const from = newSize ?? limit ?? 1;
  // With one figure only: a little on the good side of a limit, or about what is new.
  return from * (newSize === undefined ? 1.05 + share : 1 + 0.01 * (share - 0.5));
}

/** A gauge with an error of its own that stays, and a scatter that does not. */
export class Gauge {
  private readonly off: number;
  private truth: (() => number) | undefined;

  constructor(
    id: string,
    private readonly make: GaugeMake,
    private readonly random: () => number,
  ) {
    this.off = make.off * normal(seededRandom(seedOf(id)));
  }

  present(piece: Piece): void {
    this.truth = () => trueSize(piece);
  }

  /** Stands on a unit that is being set: a pull scale on its cord, anything else on its faces or in its depths. */
  stand(state: RigState, pulls: boolean): void {
    if (state.kind === 'oven' || state.kind === 'press') {
      const since = Date.now();
      this.truth = () =>
        state.kind === 'press' ? rigPress(state) : rigTemperature(state, (Date.now() - since) / 1000);
      return;
    }
    this.truth = () =>
      state.depthAt !== undefined ? rigDepth(state) : pulls ? rigPull(state, state.radiusMm ?? 100) : rigLength(state);
  }

  /** What it shows; nothing held, it shows nothing but its own scatter about zero. */
  read(): number {
    const shown = (this.truth ? this.truth() + this.off : 0) + this.make.repeat * normal(this.random);
    return Number((Math.round(shown / this.make.resolution) * this.make.resolution).toFixed(6));
  }
}
