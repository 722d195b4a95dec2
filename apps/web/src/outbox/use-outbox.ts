import type { CommandAnswer } from '@jubb/contract';
import { useSyncExternalStore } from 'react';
import { api } from '../api/client.ts';
import { oneSender } from './one-sender.ts';
import { Outbox, type OutboxState, type Send, type Tabs, type Told } from './outbox.ts';
import { IndexedDbStore } from './store.ts';
import { ageOf, type Waiting } from './waiting.ts';

/** A command is answered by then, or tried again. */
const PATIENCE_MS = 8000;

/** Sends a command: of the instrument only which one it was, of the giver only who. */
const post: Send = (w, seen) => {
  const { id, at, device, giver } = w;
  const body = { id, giver: giver.id, seen, at, ageMs: ageOf(w), device, command: wired(w.command) };
  return api<CommandAnswer>(`jobs/${w.job}/commands`, body, 'POST', PATIENCE_MS);
};
function wired(command: Waiting['command']): object {
  return 'instrument' in command && command.instrument
    ? { ...command, instrument: { id: command.instrument.id } }
    : command;
}

function otherTabs(): Tabs {
  const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('jubb-outbox');
  const tabs: Tabs = { post: (said) => channel?.postMessage(said), onmessage: undefined };
  if (channel) channel.onmessage = (m: MessageEvent<Told>) => tabs.onmessage?.(m.data);
  return tabs;
}

const store = new IndexedDbStore();
/** The one outbox of this browser. */
export const outbox = new Outbox(store, post, oneSender(store), otherTabs());

export function useOutbox(): OutboxState {
  return useSyncExternalStore(outbox.subscribe, outbox.snapshot);
}
export function useWaiting(): readonly Waiting[] {
  return useOutbox().waiting;
}
