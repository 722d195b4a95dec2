import type { Deciders } from '../registry/shapes.ts';
import type { QuoteCommand } from './commands.ts';
import type { Command } from '../command/commands.ts';
import type { NewEvent } from '../log/events.ts';
import { endEvents } from '../ends/decide.ts';
import { answerHows, quoteAnswers } from './events.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';

type Of<T extends Command['type']> = Extract<Command, { type: T }>;

/** Puts a quote on record under the next version; what stood before stays in the log. */
export function decideMakeQuote(state: BenchState, command: Of<'make-quote'>): Decision {
  const { type: _type, ...quote } = command;
  if (quote.options.length === 0) return refuse('not-complete', 'A quote needs a way out', 'Offer at least one');
  if (!quote.options.some((o) => o.id === quote.advised))
    return refuse('not-a-choice', `"${quote.advised}" is not among what is offered`, 'Advise one that is offered');
  for (const o of quote.options) {
    const net = o.lines.reduce((sum, l) => sum + l.sumMinor, 0);
    if (net !== o.netMinor || o.netMinor + o.taxMinor !== o.totalMinor)
      return refuse('wrong-value', `${o.title}: the lines do not add up to its sum`, 'Reckon it again');
  }
  const held = state.holds.some((h) => !h.cleared && h.why === 'yes');
  const version = state.quotes.length + 1;
  const events: NewEvent[] = [{ type: 'quote-made', payload: { ...quote, version } }];
  if (!held) events.push({ type: 'held', payload: { hold: `quote-${version}`, why: 'yes', note: `Quote ${version}` } });
  return accept(...events);
}

/** Records the customer's word on a quote: who said it, how, and up to how much. A yes clears the hold for it. */
export function decideAnswerQuote(state: BenchState, command: Of<'answer-quote'>, commandId: string): Decision {
  const { type: _type, ...answer } = command;
  const quote = state.quotes.find((q) => q.version === answer.version);
  if (!quote) return refuse('unknown-op', `There is no quote ${answer.version}`, 'Reload the findings');
  if (quote.answer) return refuse('already-done', `Quote ${quote.version} is answered already`, 'Make a new one');
  if (quote.version !== state.quotes.length)
    return refuse('wrong-value', `Quote ${state.quotes.length} is the newest`, 'Ask about that one');
  if (!quoteAnswers.some((a) => a === answer.answer))
    return refuse('not-a-choice', `"${answer.answer}" is no answer`, `One of: ${quoteAnswers.join(', ')}`);
  if (!answerHows.some((h) => h === answer.how))
    return refuse('not-a-choice', `"${answer.how}" is no way to answer`, `One of: ${answerHows.join(', ')}`);
  const who = answer.who.trim();
  if (who === '') return refuse('not-complete', 'Who said it?', 'Name them');
  const option = quote.options.find((o) => o.id === answer.option);
  if (answer.answer !== 'no' && !option) return refuse('not-complete', 'Yes to which?', 'Choose what is to be done');
  if (!Number.isSafeInteger(answer.agreedMinor) || answer.agreedMinor < 0)
    return refuse('wrong-value', `${answer.agreedMinor} is no sum`, 'Whole minor units, from 0');
  const agreedMinor = answer.answer === 'yes' ? option!.totalMinor : answer.answer === 'no' ? 0 : answer.agreedMinor;
  const events: NewEvent[] = [
    {
      type: 'quote-answered',
      payload: {
        ...answer,
        who,
        note: answer.note.trim(),
        agreedMinor,
        option: answer.answer === 'no' ? null : option!.id,
      },
    },
  ];
  const waits = state.holds.filter((h) => !h.cleared && h.why === 'yes');
  for (const h of waits)
    events.push({ type: 'hold-cleared', payload: { hold: h.id, note: `${answer.answer}, ${who} ${answer.how}` } });
  // Left as it is: the bench wants no more than to bring it to the door.
  if (option?.id === 'leave' && answer.answer !== 'no')
    events.push(
      ...endEvents(
        { ...state, holds: [] },
        {
          how: 'returned-built',
          reason: `Quote ${quote.version}: leave it as it is`,
          agreedBy: who,
        },
      ),
    );
  if (answer.answer === 'no')
    events.push({
      type: 'held',
      payload: { hold: commandId, why: 'decision', note: `${who} says no to quote ${quote.version}` },
    });
  return accept(...events);
}

/** How each of these commands is decided. */
export const quoteDeciders: Deciders<QuoteCommand['type']> = {
  'make-quote': (state, _sheet, command) => decideMakeQuote(state, command),
  'answer-quote': (state, _sheet, command, { id }) => decideAnswerQuote(state, command, id),
};
