import type { Op, OpKind, Sheet } from '../../sheet/index.ts';
import { titles } from '../registry/titles.ts';

/** An operation in a few words, as the next move: "Tighten the cap, 6 × M8". */
export function opTitle(sheet: Sheet, op: Op): string {
  const title = titles[op.kind] as (sheet: Sheet, op: Op & { readonly kind: OpKind }) => string;
  return title(sheet, op);
}
