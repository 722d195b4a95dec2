import { contactPattern } from '../../reckoners/index.ts';
import type { Look } from '../types.ts';
import type { RawLook } from './raw.ts';
import type { Reader } from './reader.ts';

type Choices = Look['choices'];

/** The described choices of a look as the sheet writes them. */
export function writtenChoices(reader: Reader, id: string, look: RawLook): Choices {
  if (look.choose === undefined)
    reader.problem(['looks', id], 'nothing-to-choose', 'a look has described choices, or reads a contact pattern');
  return Object.entries(look.choose ?? {}).map(([choice, c]) => ({ id: choice, ...c }));
}

const PROFILES = ['top', 'centre', 'root'] as const;
const LENGTHS = ['toe', 'centre', 'heel'] as const;
const MOVES: Readonly<Record<string, string>> = {
  'pinion-in': 'Pinion further in',
  'pinion-out': 'Pinion further out',
  'gear-in': 'Gear toward the pinion',
  'gear-out': 'Gear away from the pinion',
};

/** Nine places on a tooth where the marking can lie, each with what to move for it (`contact-pattern`). */
export function patternChoices(): Choices {
  return PROFILES.flatMap((profile) =>
    LENGTHS.map((lengthwise): Choices[number] => {
      const { move, reason, thenCheck } = contactPattern.reckon({ drive: { lengthwise, profile } }).results;
      const good = move === 'none';
      const place = profile === 'centre' && lengthwise === 'centre' ? 'middle' : `${profile}, ${lengthwise}`;
      return {
        id: `${profile}-${lengthwise}`,
        title: place.charAt(0).toUpperCase() + place.slice(1),
        verdict: good ? 'good' : 'bad',
        ...(good ? {} : { says: `${MOVES[move] ?? move}: ${reason}. Then check ${thenCheck}` }),
      };
    }),
  );
}
