import type { BadThing } from './bad-things.ts';

/** What was bad, in one line, with what became of it. */
export function badLine(b: BadThing): string {
  const said = `${b.title}${b.moment === 'as-found' ? ', as it came' : ''}: ${b.says}`;
  switch (b.settled?.how) {
    case 'cured':
      return `${said}. Since then: ${b.settled.words}`;
    case 'accepted':
      return `${said}. Left so: ${b.settled.words}`;
    case 'came-so':
      return said;
    default:
      return b.doubt ? `${said}. Too near to tell` : `${said}. Not settled yet`;
  }
}
