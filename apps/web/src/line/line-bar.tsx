import type { PersonView } from '@jubb/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import Button from 'react-bootstrap/Button';
import { useNow } from '../frame/use-now.ts';
import { commandWords } from '../outbox/command-words.ts';
import { outbox, useOutbox } from '../outbox/use-outbox.ts';
import type { Waiting } from '../outbox/waiting.ts';
import { LineWatch } from './line-watch.ts';
import { lineWords } from './say-line.ts';

const watch = new LineWatch();
watch.onBack = () => void outbox.drain();

/** On every screen: what of the line is not well, what waits and why, what was refused or set aside. */
export function LineBar({ person }: { readonly person: PersonView | undefined }): React.JSX.Element {
  const state = useOutbox();
  const line = useSyncExternalStore(watch.subscribe, watch.snapshot);
  useNow();
  const { waiting } = state;
  const unkept = waiting.some((w) => w.unkept);
  useEffect(() => {
    if (!unkept) return undefined;
    // The only place where it is: the browser asks before the page goes.
    const ask = (e: BeforeUnloadEvent): void => e.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [unkept]);
  return (
    <div role="status">
      {lineWords(state, line, person?.id, Date.now()).map(({ key, words }) => (
        <div className="bar waiting" key={key}>
          {words}
        </div>
      ))}
      {waiting.map((w) => (
        <Answered key={w.id} w={w} person={person} />
      ))}
    </div>
  );
}

/** One that was refused, that the server broke on, or that nobody's name is on: what to do about it. */
function Answered({
  w,
  person,
}: {
  readonly w: Waiting;
  readonly person: PersonView | undefined;
}): React.JSX.Element | null {
  const what = commandWords(w, useQueryClient());
  const of = person && w.giver.id !== '' && w.giver.id !== person.id ? ` (${w.giver.name})` : '';
  if (w.refused !== undefined)
    return (
      <div className="bar">
        Refused{of}: {what}. {w.refused}
        <Button variant="line" onClick={() => void outbox.dismiss(w.id)}>
          Read
        </Button>
      </div>
    );
  if (w.aside !== undefined)
    return (
      <div className="bar">
        Set aside{of}: {what}. {w.aside}
        <Button variant="line" onClick={() => void outbox.tryAgain(w.id)}>
          Try again
        </Button>
        <Button variant="line" onClick={() => void outbox.dismiss(w.id)}>
          Leave it out
        </Button>
      </div>
    );
  if (w.giver.id === '' && person)
    return (
      <div className="bar">
        Of {new Date(w.at).toLocaleString('en-GB')}, never sent, and nobody’s name is on it: {what}.
        <Button variant="line" onClick={() => void outbox.claim(w.id, person)}>
          It is mine: send it
        </Button>
        <Button variant="line" onClick={() => void outbox.dismiss(w.id)}>
          Leave it out
        </Button>
      </div>
    );
  return null;
}
