import { hostname, networkInterfaces } from 'node:os';

const LOOPBACK = /^(localhost|127\.|\[::1\]|::1)/;

/**
 * The address under which another device on the same network finds this server: the workshop's own where it has given one,
 * else what the asker used, unless that was this machine's own name for itself; then the first address of a network card.
 */
export function networkAddress(asked: string, port: number, publicUrl?: string): string {
  if (publicUrl !== undefined) return publicUrl;
  if (asked !== '' && !LOOPBACK.test(asked)) return `http://${asked}`;
  return cardAddress(asked, port);
}

/**
 * As {@link networkAddress}, for an address that is kept and given on: what the asker used counts only where it is this
 * machine's own name or address, so that nobody has a made-up Host written into it.
 */
export function ownAddress(asked: string, port: number, publicUrl?: string): string {
  if (publicUrl !== undefined) return publicUrl;
  const name = asked.replace(/:\d{1,5}$/, '').toLowerCase();
  const self = hostname().toLowerCase();
  const own = new Set([
    self,
    `${self}.local`,
    ...cards().map((c) => (c.family === 'IPv6' ? `[${c.address}]` : c.address)),
  ]);
  return own.has(name) ? `http://${asked}` : cardAddress(asked, port);
}

const cards = (): NonNullable<ReturnType<typeof networkInterfaces>[string]> =>
  Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter((c) => !c.internal);

function cardAddress(asked: string, port: number): string {
  const card = cards().find((c) => c.family === 'IPv4');
  return `http://${card?.address ?? '127.0.0.1'}:${/:(\d{1,5})$/.exec(asked)?.[1] ?? port}`;
}
