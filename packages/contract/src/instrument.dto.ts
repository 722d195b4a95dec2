import { IsBoolean, IsIn, IsInt, IsNumber, IsOptional, IsString, Matches, Max, MaxLength, Min } from 'class-validator';

/** What can be wrong with a fastener of the stand-in. */
export const pullFaults = ['cross-thread', 'bottomed', 'yield', 'soft', 'drop-out'] as const;

/** What the simulated units have to be set. */
export const rigKinds = ['pack', 'drag-pack', 'nut', 'cone', 'turn', 'sides', 'slide', 'oven', 'press'] as const;

/** What the simulated hand is to do with a stand-in. A real instrument takes none of this. */
export class HandDto {
  @IsIn(['pull', 'rig', 'present'])
  action: 'pull' | 'rig' | 'present';

  /** Torque on the wrench at which the hand means to stop, N·m. */
  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(5000)
  stopNm?: number;

  /** Torque at which this fastener sits already, N·m. */
  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(5000)
  fromNm?: number;

  /** Torque on the wrench at which this fastener begins to give, N·m. */
  @IsOptional()
  @IsNumber()
  @Min(0.1)
  @Max(100_000)
  yieldNm?: number;

  /** The unit that the instrument stands on: the same name has the same true dimensions. */
  @IsOptional()
  @IsString()
  @MaxLength(200)
  rig?: string;

  /** What is set on it. */
  @IsOptional()
  @IsIn(rigKinds)
  kind?: (typeof rigKinds)[number];

  /** Middle of its band, mm or N·m. */
  @IsOptional()
  @IsNumber()
  target?: number;

  /** A thicker pack loosens. */
  @IsOptional()
  @IsBoolean()
  looser?: boolean;

  @IsOptional()
  @IsNumber()
  @Min(-100)
  @Max(1000)
  trialMm?: number;

  @IsOptional()
  @IsNumber()
  @Min(-100)
  @Max(1000)
  packMm?: number;

  /** Turned in since the first try; positive tightens. */
  @IsOptional()
  @IsNumber()
  @Min(-36_000)
  @Max(36_000)
  turnDeg?: number;

  @IsOptional()
  @IsNumber()
  @Min(-100)
  @Max(1000)
  pitchMm?: number;

  @IsOptional()
  @IsNumber()
  @Min(-100)
  @Max(1000)
  leftMm?: number;

  @IsOptional()
  @IsNumber()
  @Min(-100)
  @Max(1000)
  rightMm?: number;

  @IsOptional()
  @IsNumber()
  @Min(-100)
  @Max(1000)
  slidMm?: number;

  /** What a millimetre of pack does to the drag, N·m. */
  @IsOptional()
  @IsNumber()
  perMm?: number;

  /** Where the cord of a pull scale is, mm. */
  @IsOptional()
  @IsNumber()
  @Min(1)
  @Max(10_000)
  radiusMm?: number;

  /** What a seal that is in drags besides, N·m. */
  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(1000)
  sealNm?: number;

  /** As it came in, nothing set. */
  @IsOptional()
  @IsBoolean()
  worn?: boolean;

  /** Signs of the depths of a pack, "+-", and which of them is measured. */
  @IsOptional()
  @Matches(/^[+-]{1,12}$/)
  depths?: string;

  @IsOptional()
  @IsInt()
  @Min(0)
  @Max(11)
  depthAt?: number;

  /** Of a wrench that measures the turn: on by so much, whatever the torque. */
  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(720)
  byDeg?: number;

  /** What is wrong with the fastener that is pulled. */
  @IsOptional()
  @IsIn(pullFaults)
  fault?: (typeof pullFaults)[number];

  /** The piece held to a gauge: the same name is the same piece, whichever gauge touches it. */
  @IsOptional()
  @IsString()
  @MaxLength(200)
  piece?: string;

  /** What it measures when new, in the gauge's unit. */
  @IsOptional()
  @IsNumber()
  newSize?: number;

  /** Where it is worn out, in the gauge's unit. */
  @IsOptional()
  @IsNumber()
  limit?: number;
}

/** How many moves an instrument's hand has made: values shown before the last of them are stale. */
export interface HandAnswer {
  readonly moves: number;
}
