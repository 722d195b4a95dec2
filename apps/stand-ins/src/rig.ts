import { seededRandom } from './random.ts';

/** What is set on the simulated unit. */
export const rigKinds = ['pack', 'drag-pack', 'nut', 'cone', 'turn', 'sides', 'slide', 'oven', 'press'] as const;
export type RigKind = (typeof rigKinds)[number];

/** A unit on the bench as the hands have it now: absolute, so that saying it again changes nothing. */
export interface RigState {
  /** The same name is the same unit, with the same true dimensions, whichever instrument touches it. */
  readonly rig: string;
  readonly kind: RigKind;
  /** Middle of the band, mm or N·m: true dimensions lie about it. */
  readonly target: number;
  readonly looser?: boolean;
  /** The sheet's trial pack and the pack that is in, mm. */
  readonly trialMm?: number;
  readonly packMm?: number;
  readonly turnDeg?: number;
  readonly pitchMm?: number;
  /** Changes of both packs since the first try, mm. */
  readonly leftMm?: number;
  readonly rightMm?: number;
  readonly slidMm?: number;
  /** N·m for a millimetre of pack, by the sheet; what it really is lies about it. */
  readonly perMm?: number;
  /** Where the cord of a pull scale is. */
  readonly radiusMm?: number;
  /** What a seal that is in drags besides, N·m. */
  readonly sealNm?: number;
  /** As the unit came in, worn: nothing of it is set yet. */
  readonly worn?: boolean;
  /** Signs of the depths of a pack in their order: "+-". */
  readonly depths?: string;
  /** Which of them is measured. */
  readonly depthAt?: number;
}

/** A worn unit has this much more float, and this share of its drag left. */
const WEAR_MM = 0.08;
const WORN_DRAG = 0.3;
/** Backlash for a move of one: 2 tan 20° sin 74°, a pair of 11 and 39 teeth. */
const BACKLASH_PER_MOVE = 0.7;

/** FNV-1a, 32 bit. */
function seedOf(name: string): number {
  let hash = 0x811c9dc5;
  for (const byte of Buffer.from(name, 'utf8')) hash = Math.imul(hash ^ byte, 0x01000193) >>> 0;
  return hash;
}

/** True dimensions of a unit: four numbers from 0 to 1, always the same for its name. */
export function chanceOf(rig: string): (n: number) => number {
  const random = seededRandom(seedOf(rig));
  const all = Array.from({ length: 8 }, () => random());
  return (n) => all[n % all.length]!;
}

/** Float that the sheet's trial pack leaves, mm: enough to be read, never what is wanted. */
const trialFloat = (chance: (n: number) => number): number => 0.12 + 0.2 * chance(0);
/** The pack with which a unit has no float at all, mm. */
function zeroPack(s: RigState, chance: (n: number) => number): number {
  const trial = s.trialMm ?? 1.5;
  return s.looser === false ? trial + trialFloat(chance) : trial - trialFloat(chance);
}

/** What the unit really has between its faces, mm: float, backlash or compression. Less than no float cannot be felt. */
export function rigLength(s: RigState): number {
  const chance = chanceOf(s.rig);
  const pack = s.packMm ?? s.trialMm ?? 1.5;
  switch (s.kind) {
    case 'pack': {
      const off = pack - zeroPack(s, chance);
      return Math.max(0, (s.looser === false ? -off : off) + (s.worn ? WEAR_MM : 0));
    }
    case 'nut':
      return Math.max(0, s.target + 0.12 * (chance(0) - 0.3) - ((s.turnDeg ?? 0) * (s.pitchMm ?? 1.5)) / 360);
    case 'cone': {
      // What the locknut takes up differs a little from time to time, and the cone turns less than the spanner.
      const taken = 0.8 + 0.25 * chance(1);
      const wobble = 0.006 * (chanceOf(`${s.rig}/${Math.round(s.turnDeg ?? 0)}`)(2) - 0.5);
      return Math.max(
        0,
        s.target + 0.05 + 0.15 * chance(0) - ((s.turnDeg ?? 0) * (s.pitchMm ?? 1) * taken) / 360 + wobble,
      );
    }
    case 'sides': {
      const found = s.target + 0.12 * (chance(0) - 0.35);
      return Math.max(0.01, found - BACKLASH_PER_MOVE * (((s.leftMm ?? 0) - (s.rightMm ?? 0)) / 2));
    }
    case 'slide':
      return Math.max(0, s.target + 3 * (chance(0) - 0.6) + (s.slidMm ?? 0));
    default:
      return 0;
  }
}

/** The drag of the unit's bearings, N·m. */
export function rigTorque(s: RigState): number {
  const chance = chanceOf(s.rig);
  const worn = s.worn ? WORN_DRAG : 1;
  switch (s.kind) {
    case 'drag-pack': {
      const per = (s.perMm ?? 10) * (0.8 + 0.4 * chance(1)) * (s.looser === false ? 1 : -1);
      const at = s.target * (0.3 + 1.6 * chance(0));
      return worn * Math.max(0.05, at + per * ((s.packMm ?? s.trialMm ?? 0) - (s.trialMm ?? 0)));
    }
    case 'turn': {
      const per = s.target / (25 + 40 * chance(1));
      return worn * Math.max(0.05, s.target * (0.15 + 0.5 * chance(0)) + per * (s.turnDeg ?? 0));
    }
    case 'sides':
      return (
        worn *
        Math.max(0.05, s.target * (0.4 + 0.8 * chance(2)) + (s.perMm ?? 10) * ((s.leftMm ?? 0) + (s.rightMm ?? 0)))
      );
    default:
      return worn * s.target;
  }
}

/** What a pull scale on the cord shows, N: the drag of the bearings and of the seal that is in. */
export const rigPull = (s: RigState, radiusMm: number): number => ((rigTorque(s) + (s.sealNm ?? 0)) * 1000) / radiusMm;

/** One of the depths from which a pack is reckoned, mm: together they leave the room of the pack without float. */
export function rigDepth(s: RigState): number {
  const chance = chanceOf(s.rig);
  const signs = s.depths ?? '+';
  const at = s.depthAt ?? 0;
  const plain = (i: number): number => 12 + 30 * chance(i + 2);
  const first = signs.indexOf('+');
  if (at !== first) return plain(at);
  const others = [...signs].reduce(
    (sum, sign, i) => (i === first ? sum : sum + (sign === '+' ? plain(i) : -plain(i))),
    0,
  );
  return zeroPack(s, chance) - others;
}

/** The oven of a stand-in warms a bearing in seconds, not in half an hour: time constant, s. */
const OVEN_S = 1.5;
const SHOP_C = 20;

/** How warm a part is so many seconds after it went into the oven, °C. */
export function rigTemperature(s: RigState, seconds: number): number {
  return SHOP_C + (s.target - SHOP_C) * (1 - Math.exp(-seconds / OVEN_S));
}

/** What the press shows as the part goes home, kN: by the fit that this unit really has, never more than the tightest. */
export function rigPress(s: RigState): number {
  return s.target * (0.45 + 0.5 * chanceOf(s.rig)(0));
}
