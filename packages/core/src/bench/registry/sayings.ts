import { measuringSayings } from '../measuring/words.ts';
import { lookingSayings } from '../looking/words.ts';
import { identifySayings } from '../identify/words.ts';
import { countingSayings } from '../counting/words.ts';
import { stripSayings } from '../strip/words.ts';
import { judgingSayings } from '../judging/words.ts';
import { notesSayings } from '../notes/words.ts';
import { bookingSayings } from '../booking/words.ts';
import { merged } from '../../records.ts';
import type { Sayings } from './shapes.ts';

/** What the events that can be put right said. */
export const sayings: Sayings = merged({
  measuring: measuringSayings,
  looking: lookingSayings,
  identify: identifySayings,
  counting: countingSayings,
  strip: stripSayings,
  judging: judgingSayings,
  notes: notesSayings,
  booking: bookingSayings,
});
