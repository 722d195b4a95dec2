import type { Quantity } from '../quantities/index.ts';
import type { Sheet } from './types.ts';

/** How long a fastener of a joint is, which tells it from others like it; none of another part, whose length is drawn only. */
export function fastenerLength(sheet: Sheet, part: string): Quantity | undefined {
  return Object.values(sheet.joints).some((j) => j.fastener === part) ? sheet.parts[part]?.length : undefined;
}
