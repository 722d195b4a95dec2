import { marksTitles } from '../marks/titles.ts';
import { doingTitles } from '../doing/titles.ts';
import { stripTitles } from '../strip/titles.ts';
import { stacksTitles } from '../stacks/titles.ts';
import { lookingTitles } from '../looking/titles.ts';
import { identifyTitles } from '../identify/titles.ts';
import { countingTitles } from '../counting/titles.ts';
import { waitingTitles } from '../waiting/titles.ts';
import { measuringTitles } from '../measuring/titles.ts';
import { judgingTitles } from '../judging/titles.ts';
import { settingTitles } from '../setting/titles.ts';
import { tighteningTitles } from '../tightening/titles.ts';
import { fittingTitles } from '../fitting/titles.ts';
import { provingTitles } from '../proving/titles.ts';
import type { OpKind } from '../../sheet/index.ts';
import { merged } from '../../records.ts';
import type { Titles } from './shapes.ts';

/** Every operation in a few words. */
export const titles: Titles<OpKind> = merged({
  marks: marksTitles,
  doing: doingTitles,
  strip: stripTitles,
  stacks: stacksTitles,
  looking: lookingTitles,
  identify: identifyTitles,
  counting: countingTitles,
  waiting: waitingTitles,
  measuring: measuringTitles,
  judging: judgingTitles,
  setting: settingTitles,
  tightening: tighteningTitles,
  fitting: fittingTitles,
  proving: provingTitles,
});
