import { bookingDeciders } from '../booking/decide.ts';
import { doingDeciders } from '../doing/decide.ts';
import { stripDeciders } from '../strip/decide.ts';
import { stacksDeciders } from '../stacks/decide.ts';
import { lookingDeciders } from '../looking/decide.ts';
import { identifyDeciders } from '../identify/decide.ts';
import { countingDeciders } from '../counting/decide.ts';
import { waitingDeciders } from '../waiting/decide.ts';
import { shelfDeciders } from '../shelf/decide.ts';
import { surprisesDeciders } from '../surprises/decide.ts';
import { notesDeciders } from '../notes/decide.ts';
import { measuringDeciders } from '../measuring/decide.ts';
import { judgingDeciders } from '../judging/decide.ts';
import { settingDeciders } from '../setting/decide.ts';
import { tighteningDeciders } from '../tightening/decide.ts';
import { provingDeciders } from '../proving/decide.ts';
import { partsDeciders } from '../parts/decide.ts';
import { quoteDeciders } from '../quote/decide.ts';
import { closingDeciders } from '../closing/decide.ts';
import { badDeciders } from '../bad/decide.ts';
import { correctionsDeciders } from '../corrections/decide.ts';
import { sourcesDeciders } from '../sources/decide.ts';
import { endsDeciders } from '../ends/decide.ts';
import type { CommandType } from '../command/commands.ts';
import { merged } from '../../records.ts';
import type { Deciders } from './shapes.ts';

/** How every command is decided. */
export const deciders: Deciders<CommandType> = merged({
  booking: bookingDeciders,
  doing: doingDeciders,
  strip: stripDeciders,
  stacks: stacksDeciders,
  looking: lookingDeciders,
  identify: identifyDeciders,
  counting: countingDeciders,
  waiting: waitingDeciders,
  shelf: shelfDeciders,
  surprises: surprisesDeciders,
  notes: notesDeciders,
  measuring: measuringDeciders,
  judging: judgingDeciders,
  setting: settingDeciders,
  tightening: tighteningDeciders,
  proving: provingDeciders,
  parts: partsDeciders,
  quote: quoteDeciders,
  closing: closingDeciders,
  bad: badDeciders,
  corrections: correctionsDeciders,
  sources: sourcesDeciders,
  ends: endsDeciders,
});
