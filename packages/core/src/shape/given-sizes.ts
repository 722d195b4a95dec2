import { inCanonical, type Quantity } from '../quantities/index.ts';
import type { Part, ShapeKind, Sheet } from '../sheet/index.ts';

/** Radii and length that a sheet gives of a part, mm. */
export interface Given {
  inside?: number;
  outside?: number;
  length?: number;
  circle?: number;
}
/** Nominal diameter of a metric thread by its name, mm; none where its name is of another kind. */
function nominalOf(name: string): number | undefined {
  const m = /^M\s?(\d+(?:\.\d+)?)/.exec(name);
  return m ? Number(m[1]) : undefined;
}
const mm = (q: Quantity): number => inCanonical(q, 'length');

/** What the sheet says of a part's sizes: its own figures, its fit, lip or ring, its thread, its circle. */
export function givenSizes(sheet: Sheet, part: Part, kind: ShapeKind): Given {
  const out: Given = {};
  const joint = Object.values(sheet.joints).find((j) => j.fastener === part.id);
  if (part.fit) {
    out.inside = mm(part.fit.diameter) / 2;
    if (part.fit.outside) out.outside = mm(part.fit.outside) / 2;
    if (part.fit.bearing) out.outside = mm(part.fit.bearing.outside) / 2;
    if (part.fit.length) out.length = mm(part.fit.length);
  }
  if (part.lip) {
    out.inside = mm(part.lip.shaft) / 2;
    out.outside = mm(part.lip.bore) / 2;
    out.length = mm(part.lip.width);
  }
  if (part.ring) {
    const section = mm(part.ring.section);
    out.inside = mm(part.ring.inside) / 2;
    out.outside = out.inside + section;
    out.length = section;
  }
  const thread = joint && nominalOf(joint.thread);
  if (thread && (kind === 'nut' || kind === 'bolt' || kind === 'plug')) {
    out.inside = kind === 'nut' ? thread / 2 : 0;
    out.outside = thread * (kind === 'plug' ? 0.5 : 0.85);
    out.length = kind === 'nut' ? thread * 0.8 : thread * (kind === 'plug' ? 0.9 : 2.5);
  }
  if (joint?.pattern.kind === 'circle' && joint.count > 1) out.circle = mm(joint.pattern.diameter) / 2;
  if (part.length) out.length = mm(part.length);
  if (part.inside) out.inside = mm(part.inside) / 2;
  if (part.outside) out.outside = mm(part.outside) / 2;
  return out;
}
