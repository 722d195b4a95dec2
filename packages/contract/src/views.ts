import type { HeadSignature } from '@jubb/core/bench/verify';
import type { StandInstrument } from '@jubb/core/sheet';
import type {
  DrawerStock,
  GaugeKind,
  HoldReason,
  JobStage,
  LoggedEvent,
  Pricing,
  Refusal,
  PastVisit,
  QualityLine,
  SheetQuality,
  VisitFigure,
} from '@jubb/core/bench';
import type { Quantity } from '@jubb/core/quantities';
import type { Sheet } from '@jubb/core/sheet';
import type { Role } from './auth.dto.ts';
import type { ReadBy } from './shop.dto.ts';

/** Somebody who can sign in, as shown on the sign-in screen. */
export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
  readonly role: Role;
}
export interface MeView {
  readonly person: PersonView;
  readonly workshop: {
    readonly name: string;
    readonly currency: string;
    readonly rateMinor: number;
    readonly taxPercent: number;
    readonly taxName: string;
  };
}

/** A job as the lists need it: projection columns, kept in the transaction that appends. */
export interface JobLine {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly serial: string;
  readonly unitId: string;
  readonly customer: string;
  readonly complaint: string;
  readonly stage: JobStage;
  readonly progress: number;
  readonly nextMove: string;
  readonly minutesLeft: number;
  readonly aidsIn: number;
  readonly partsOff: number;
  readonly hold: { readonly why: HoldReason; readonly note: string; readonly since: string } | null;
  readonly deliveryDate: string | null;
  readonly place: string | null;
  readonly updatedAt: string;
  readonly notices: Notices;
}
/** What the Floor and the rail say of a job beside its next move. */
export interface Notices {
  /** How it ended when it was not repaired, in words; absent otherwise. */
  readonly ended?: string;
  readonly parked: boolean;
  readonly leadsOff: number;
  readonly between: number;
  readonly uncounted: number;
  readonly standing: readonly string[];
  /** What should be made ready now, so that it is ready when it is reached. */
  readonly ahead: readonly {
    readonly id: string;
    readonly kind: 'oven' | 'soak' | 'tool' | 'order';
    readonly what: string;
  }[];
  /** Parts not ordered yet, on their way, and here; absent in a projection of an earlier release. */
  readonly parts?: { readonly toOrder: number; readonly coming: number; readonly here: number };
  /** Running waits, the first due first. */
  readonly timers: readonly {
    readonly id: string;
    readonly title: string;
    readonly kind: string;
    readonly minutes: number;
    readonly due: string;
  }[];
}
export interface FloorView {
  readonly places: readonly string[];
  readonly shelves: readonly string[];
  readonly jobs: readonly JobLine[];
  readonly now: string;
}

/** All that a bench needs to fold by itself. */
export interface JobView {
  readonly id: string;
  readonly sheet: Sheet;
  readonly events: readonly LoggedEvent[];
  readonly signatures: readonly HeadSignature[];
  readonly drawers: Readonly<Record<string, readonly DrawerStock[]>>;
  readonly history: readonly PastVisit[];
  readonly documents: readonly DocumentView[];
  /** What its sum is reckoned with beside the workshop's rate and tax. */
  readonly pricing: Pricing;
}
/** A maker's page, or a picture of it, that a sheet's figures point to. */
export interface DocumentView {
  readonly id: string;
  readonly name: string;
  readonly mime: string;
}
export interface LessonView {
  readonly job: string;
  readonly number: number;
  readonly rung: string;
  readonly kind: string;
  readonly words: string;
  readonly by: string;
  readonly at: string;
}
/** What was found for a few typed letters, best first. */
export interface FoundView {
  readonly kind: 'job' | 'unit' | 'customer' | 'sheet' | 'part';
  readonly title: string;
  readonly says: string;
  /** Where a press leads. */
  readonly path: string;
}
export interface CommandAnswer {
  /** Events after the one that the sender had seen, its own among them. */
  readonly events: readonly LoggedEvent[];
}
/** Body of a `409`: why, and what the sender had missed. */
export interface RefusedBody {
  readonly refusal: Refusal;
  readonly missed: readonly LoggedEvent[];
}

export interface CustomerView {
  readonly id: string;
  readonly name: string;
}
export type { PastVisit, VisitFigure };
export interface UnitView {
  readonly id: string;
  /** Build sheet of its kind. */
  readonly sheet: string;
  readonly serial: string;
  readonly model: string;
  readonly customer: CustomerView;
  /** How long it runs in a week, where somebody knows: what is due after hours gets a day by it. */
  readonly hoursPerWeek: number | null;
  /** On which machine, where. */
  readonly worksAt: string;
  readonly visits: readonly PastVisit[];
}
export interface SheetLine {
  readonly id: string;
  readonly revision: number;
  readonly title: string;
  readonly maker: string;
  readonly models: readonly string[];
  readonly kind: string;
  /** The shop does not take such units in: it is not offered when one is booked. */
  readonly notDone?: true;
}

export interface InstrumentView {
  readonly id: string;
  readonly name: string;
  readonly kind: 'torque-wrench' | 'indicator' | 'thermometer' | 'press' | GaugeKind | StandInstrument;
  readonly unit: string;
  readonly resolution: number;
  readonly uncertainty: Quantity | null;
  /** Largest torque, length and graduation of a wrench. */
  readonly wrench: {
    readonly maxNm: number;
    /** Where its scale begins; a fifth of its end where nobody says. */
    readonly minNm?: number;
    /** It also measures the turn. */
    readonly angle?: boolean;
    readonly lengthMm: number;
    readonly graduation: number;
    readonly scaleUnit: string;
  } | null;
  readonly calibratedTo: string | null;
  readonly simulated: boolean;
  readonly connected: boolean;
  /** Its own number, as engraved or on its certificate. */
  readonly number: string | null;
  readonly readBy: ReadBy;
  /** Of one of the shop's own on a line: host and port; null for the simulated ones. */
  readonly line?: string | null;
  /** Of a simulated stand: what can be wrong on it, and what is chosen now. */
  readonly faults?: { readonly all: readonly string[]; readonly chosen: string | null };
}
/** What an instrument says, streamed to the bench. */
export type InstrumentMessage =
  | {
      readonly type: 'live';
      readonly value: number;
      readonly unit: string;
      /** Moves of the hand before this value was shown. */
      readonly moves?: number;
      /** During a pull: how far it has turned. */
      readonly turnedDeg?: number;
    }
  | {
      readonly type: 'pull';
      readonly peakNm: number;
      readonly turnedDeg: number;
      readonly trace: readonly (readonly [number, number])[];
    }
  /** A run of a stand: points as they come, a wave in pieces, and what is said at the end. */
  | { readonly type: 'point'; readonly run: number; readonly at: readonly number[] }
  | { readonly type: 'wave'; readonly run: number; readonly from: number; readonly values: readonly number[] }
  | { readonly type: 'done'; readonly run: number; readonly said: Readonly<Record<string, unknown>> }
  | { readonly type: 'error'; readonly says: string }
  /** The line is open: whatever the instrument says from now on is heard. */
  | { readonly type: 'joined' }
  | { readonly type: 'gone' };

/** RFC 9457 problem details, as every error comes. */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly code?: string;
  /** Field errors: path → sentences. */
  readonly errors?: Readonly<Record<string, readonly string[]>>;
  readonly instance?: string;
}

/** A record of another workshop that was taken in. */
export interface ImportedView {
  readonly head: string;
  readonly workshop: string;
  readonly number: number;
  readonly serial: string;
  readonly model: string;
  readonly title: string;
  readonly fingerprint: string;
  readonly known: boolean;
  readonly by: string;
  readonly at: string;
  readonly signed: string | null;
  readonly renewed: readonly string[];
}

/** Comebacks and hours of some jobs; ranges are 95 %, and wide when there are few. */
export type { QualityLine };
export interface QualityView {
  readonly sheets: readonly SheetQuality[];
  readonly lessons: readonly {
    readonly sheet: string;
    readonly rung: string;
    readonly words: string;
    readonly by: string;
    readonly at: string;
    readonly number: number;
  }[];
}

/** Code of a refusal: the command was given by somebody else than who is signed in now. It waits for its giver. */
export const OTHER_HANDS = 'other-hands';

/** Is the server well? */
export interface HealthView {
  readonly status: 'ok';
  /** Nothing is written until there is room again. */
  readonly disk?: 'full';
}
