import type { SideName } from '../../sheet/index.ts';

/** What this job has beside its sheet: put in at the bench, and only for this job. */
export type OwnThing =
  | {
      readonly kind: 'rung';
      readonly id: string;
      readonly title: string;
      /** The step that it comes before, and on which side. */
      readonly before: string;
      readonly side: SideName;
      readonly lines: readonly string[];
      readonly parts: readonly { readonly id: string; readonly title: string; readonly count: number }[];
    }
  | {
      readonly kind: 'mark';
      readonly id: string;
      readonly between: readonly [string, string];
      readonly where: string;
      readonly with: string;
      /** Build step on which it is lined up again. */
      readonly home: string;
    }
  | {
      readonly kind: 'aid' | 'lead';
      readonly id: string;
      readonly title: string;
      readonly where: string;
      readonly home: string;
    };

/** What a job has beside its sheet, and what the sheet learns from it. */
export interface SurprisePayloads {
  'own-added': { readonly own: OwnThing };
  'lesson-filed': {
    readonly rung: string;
    readonly words: string;
    readonly kind: 'comes-off-first' | 'not-as-sheet' | 'broken' | 'no-figure';
  };
}
