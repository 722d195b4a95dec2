import type { Adjustment } from './events.ts';
import type { Quantity } from '../../quantities/index.ts';

/** What moves a setting. */
export type SettingCommand =
  /** `made`: not out of the drawer, and where the piece comes from. */
  | { readonly type: 'fit-pack'; readonly op: string; readonly pieces: readonly Quantity[]; readonly made?: string }
  | ({ readonly type: 'adjust'; readonly op: string } & Adjustment);
