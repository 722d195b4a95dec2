import { hostname, networkInterfaces } from 'node:os';
import type { Config } from '../config/config.ts';

/** What of a server's settings its address is made of. */
type Own = Pick<Config, 'publicUrl' | 'https'>;

const LOOPBACK = /^(localhost|127\.|\[::1\]|::1)/;

/**
 * The address under which another device on the same network finds this server: the workshop's own where it has given one,
 * else what the asker used, unless that was this machine's own name for itself; then the first address of a network card.
 */
export function networkAddress(asked: string, port: number, own: Own): string {
  if (own.publicUrl !== undefined) return own.publicUrl;
  if (asked !== '' && !LOOPBACK.test(asked)) return `${scheme(own)}://${asked}`;
  return cardAddress(asked, port, own);
}

/**
 * As {@link networkAddress}, for an address that is kept and given on: what the asker used counts only where it is this
 * machine's own name or address, so that nobody has a made-up Host written into it.
 */
export function ownAddress(asked: string, port: number, own: Own): string {
  if (own.publicUrl !== undefined) return own.publicUrl;
  const name = asked.replace(/:\d{1,5}$/, '').toLowerCase();
  const self = hostname().toLowerCase();
  const names = new Set([
    self,
    `${self}.local`,
    ...cards().map((c) => (c.family === 'IPv6' ? `[${c.address}]` : c.address)),
  ]);
  return names.has(name) ? `${scheme(own)}://${asked}` : cardAddress(asked, port, own);
}

const cards = (): NonNullable<ReturnType<typeof networkInterfaces>[string]> =>
  Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter((c) => !c.internal);

/** IPv4 addresses of this machine's network cards, in the order in which it lists them. */
export const cardAddresses = (): string[] =>
  cards()
    .filter((c) => c.family === 'IPv4')
    .map((c) => c.address);

const scheme = ({ https }: Own): string => (https ? 'https' : 'http');

function cardAddress(asked: string, port: number, own: Own): string {
  return `${scheme(own)}://${cardAddresses()[0] ?? '127.0.0.1'}:${/:(\d{1,5})$/.exec(asked)?.[1] ?? port}`;
}
