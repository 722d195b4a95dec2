import type { MeView } from '@jubb/contract';
import type { QueryClient } from '@tanstack/react-query';
import type { Outbox } from './outbox.ts';

/**
 * Asks the server anew who is signed in, and tells the outbox. Where it is still, or again, the same person nothing on the
 * screen is drawn anew for it, so nobody else would tell it that what waits may go.
 */
export async function askWhoIsHere(client: QueryClient, outbox: Pick<Outbox, 'stillHere'>): Promise<void> {
  await client.invalidateQueries({ queryKey: ['me'] });
  const { status, data } = client.getQueryState<MeView>(['me']) ?? {};
  if (status === 'success') outbox.stillHere(data?.person);
}
