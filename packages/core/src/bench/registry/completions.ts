import { marksCompletions } from '../marks/complete.ts';
import { doingCompletions } from '../doing/complete.ts';
import { stripCompletions } from '../strip/complete.ts';
import { stacksCompletions } from '../stacks/complete.ts';
import { lookingCompletions } from '../looking/complete.ts';
import { identifyCompletions } from '../identify/complete.ts';
import { countingCompletions } from '../counting/complete.ts';
import { waitingCompletions } from '../waiting/complete.ts';
import { measuringCompletions } from '../measuring/complete.ts';
import { judgingCompletions } from '../judging/complete.ts';
import { settingCompletions } from '../setting/complete.ts';
import { tighteningCompletions } from '../tightening/complete.ts';
import { fittingCompletions } from '../fitting/complete.ts';
import { provingCompletions } from '../proving/complete.ts';
import type { OpKind } from '../../sheet/index.ts';
import { merged } from '../../records.ts';
import type { Completions } from './shapes.ts';

/** How every operation is completed. */
export const completions: Completions<OpKind> = merged({
  marks: marksCompletions,
  doing: doingCompletions,
  strip: stripCompletions,
  stacks: stacksCompletions,
  looking: lookingCompletions,
  identify: identifyCompletions,
  counting: countingCompletions,
  waiting: waitingCompletions,
  measuring: measuringCompletions,
  judging: judgingCompletions,
  setting: settingCompletions,
  tightening: tighteningCompletions,
  fitting: fittingCompletions,
  proving: provingCompletions,
});
