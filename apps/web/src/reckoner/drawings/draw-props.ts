import type { Dimension } from '@jubb/core/quantities';
import type { Reckoning, Results } from '@jubb/core/reckoners';
import type { Inputs } from '../inputs.ts';

export interface DrawProps {
  readonly inputs: Inputs;
  readonly reckoning: Reckoning;
  readonly results: Results;
  /** An input in millimetres, degrees, or any dimension; undefined when it is not given. */
  readonly mm: (name: string) => number | undefined;
  readonly angle: (name: string) => number | undefined;
  readonly input: (name: string, dimension: Dimension) => number | undefined;
  /** A result’s value in its canonical unit. */
  readonly got: (name: string) => number | undefined;
  /** A result in words. */
  readonly shown: (name: string) => string;
}
