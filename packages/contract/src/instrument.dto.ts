import { IsIn, IsNumber, IsOptional, Max, Min } from 'class-validator';

/** What the simulated hand is to do with a stand-in. A real instrument takes none of this. */
export class HandDto {
  @IsIn(['pull', 'rock', 'fit-pack'])
  action: 'pull' | 'rock' | 'fit-pack';

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

  /** Thickness of the pack between the cones, mm. */
  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(100)
  packMm?: number;
}
