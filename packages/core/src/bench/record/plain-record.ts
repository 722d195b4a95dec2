import { lowerFirst } from '../ladder/words.ts';
import { formatQuantity, formatReading } from '../../quantities/index.ts';
import { badLine } from '../bad/words.ts';
import type { JobRecord } from './record.ts';

/** A record in plain words, for the one who owns the unit. */
export interface PlainRecord {
  readonly title: string;
  /** What was wrong, what was found, what was done. */
  readonly found: readonly string[];
  readonly done: readonly string[];
  readonly renewed: readonly string[];
  /** Before and after, of what was proved. */
  readonly proved: readonly { readonly title: string; readonly words: string; readonly good: boolean }[];
  readonly left: readonly string[];
  readonly runIn: readonly string[];
  readonly next: readonly string[];
}

/** The same facts as the full record, without workings: plain sentences, the figures that matter. */
export function plainRecord(r: JobRecord): PlainRecord {
  const findings = r.findings.filter((f) => f.finding !== 'reuse');
  // Of a job that was not repaired a finding says what was found, not what was done about it.
  const words = r.truth.end
    ? { dress: 'marked', renew: 'worn out', watch: 'to be watched', scrap: 'cannot be used again', reuse: 'good' }
    : {
        dress: 'dressed',
        renew: 'renewed',
        watch: 'left in, to be watched',
        scrap: 'scrapped',
        reuse: 'used again',
      };
  return {
    title: `${r.unit.title}, serial ${r.unit.serial}`,
    found: [
      ...r.desk.causes.map((c) => `Why it failed: ${lowerFirst(c.title)}`),
      ...findings.map((f) => `${f.title}: ${words[f.finding]}${f.reason ? `. ${f.reason}` : ''}`),
      ...r.truth.bad.filter((b) => b.settled?.how !== 'accepted').map(badLine),
    ],
    done: [
      ...(r.truth.end ? [`${r.truth.end.title}: ${r.truth.end.reason}. It is not repaired`] : []),
      ...r.settings.flatMap((s) => (s.confirmed ? [`${s.title} set to ${formatReading(s.confirmed.value)}`] : [])),
      ...(r.joints.length > 0
        ? [
            `${r.joints.length === 1 ? '1 joint tightened to its' : `${r.joints.length} joints tightened to their`} figures, every fastener recorded`,
          ]
        : []),
      ...(r.truth.end ? [] : r.methods.map((m) => `${m.ask} ${m.choice}`)),
      ...r.proving.ledBack.map((l) => `${l.test} failed once; gone back to the ${lowerFirst(l.suspect)}`),
    ],
    renewed: r.renewed.map((p) => {
      const words = p.count > 1 ? `${p.count} × ${p.title}` : p.title;
      const own = r.truth.sources.some((s) => s.title === p.title && s.own);
      return own ? `${words}, your own` : words;
    }),
    proved: [
      ...r.proving.tests
        .filter((t) => t.moment === 'now')
        .map((t) => ({
          title: t.title,
          words: t.change ?? formatQuantity(t.value),
          good: t.verdict === 'within',
        })),
    ],
    left: [
      ...r.desk.deferrals.map((d) => `${d.title}: ${d.words}${d.again ? `, look again ${d.again}` : ''}`),
      ...r.truth.bad.filter((b) => b.settled?.how === 'accepted').map(badLine),
    ],
    runIn: r.proving.runIn,
    next: r.proving.lookAgain,
  };
}
