import { bookingEvolvers } from '../booking/evolve.ts';
import { marksEvolvers } from '../marks/evolve.ts';
import { doingEvolvers } from '../doing/evolve.ts';
import { stripEvolvers } from '../strip/evolve.ts';
import { stacksEvolvers } from '../stacks/evolve.ts';
import { lookingEvolvers } from '../looking/evolve.ts';
import { identifyEvolvers } from '../identify/evolve.ts';
import { countingEvolvers } from '../counting/evolve.ts';
import { waitingEvolvers } from '../waiting/evolve.ts';
import { shelfEvolvers } from '../shelf/evolve.ts';
import { surprisesEvolvers } from '../surprises/evolve.ts';
import { notesEvolvers } from '../notes/evolve.ts';
import { measuringEvolvers } from '../measuring/evolve.ts';
import { judgingEvolvers } from '../judging/evolve.ts';
import { settingEvolvers } from '../setting/evolve.ts';
import { tighteningEvolvers } from '../tightening/evolve.ts';
import { fittingEvolvers } from '../fitting/evolve.ts';
import { provingEvolvers } from '../proving/evolve.ts';
import { partsEvolvers } from '../parts/evolve.ts';
import { quoteEvolvers } from '../quote/evolve.ts';
import { closingEvolvers } from '../closing/evolve.ts';
import { badEvolvers } from '../bad/evolve.ts';
import { correctionsEvolvers } from '../corrections/evolve.ts';
import { sourcesEvolvers } from '../sources/evolve.ts';
import { endsEvolvers } from '../ends/evolve.ts';
import type { EventType } from '../log/events.ts';
import { merged } from '../../records.ts';
import type { Evolvers } from './shapes.ts';

/** How every event folds. */
export const evolvers: Evolvers<EventType> = merged({
  booking: bookingEvolvers,
  marks: marksEvolvers,
  doing: doingEvolvers,
  strip: stripEvolvers,
  stacks: stacksEvolvers,
  looking: lookingEvolvers,
  identify: identifyEvolvers,
  counting: countingEvolvers,
  waiting: waitingEvolvers,
  shelf: shelfEvolvers,
  surprises: surprisesEvolvers,
  notes: notesEvolvers,
  measuring: measuringEvolvers,
  judging: judgingEvolvers,
  setting: settingEvolvers,
  tightening: tighteningEvolvers,
  fitting: fittingEvolvers,
  proving: provingEvolvers,
  parts: partsEvolvers,
  quote: quoteEvolvers,
  closing: closingEvolvers,
  bad: badEvolvers,
  corrections: correctionsEvolvers,
  sources: sourcesEvolvers,
  ends: endsEvolvers,
});
