import { marksHands } from '../marks/rehearse.ts';
import { doingHands } from '../doing/rehearse.ts';
import { stripHands } from '../strip/rehearse.ts';
import { stacksHands } from '../stacks/rehearse.ts';
import { lookingHands } from '../looking/rehearse.ts';
import { identifyHands } from '../identify/rehearse.ts';
import { countingHands } from '../counting/rehearse.ts';
import { waitingHands } from '../waiting/rehearse.ts';
import { measuringHands } from '../measuring/rehearse.ts';
import { judgingHands } from '../judging/rehearse.ts';
import { settingHands } from '../setting/rehearse.ts';
import { tighteningHands } from '../tightening/rehearse.ts';
import { fittingHands } from '../fitting/rehearse.ts';
import { provingHands } from '../proving/rehearse.ts';
import type { OpKind } from '../../sheet/index.ts';
import { merged } from '../../records.ts';
import type { Hands } from './shapes.ts';

/** What a rehearsal gives at every operation. */
export const hands: Hands<OpKind> = merged({
  marks: marksHands,
  doing: doingHands,
  strip: stripHands,
  stacks: stacksHands,
  looking: lookingHands,
  identify: identifyHands,
  counting: countingHands,
  waiting: waitingHands,
  measuring: measuringHands,
  judging: judgingHands,
  setting: settingHands,
  tightening: tighteningHands,
  fitting: fittingHands,
  proving: provingHands,
});
