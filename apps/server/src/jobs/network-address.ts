import { networkInterfaces } from 'node:os';

const LOOPBACK = /^(localhost|127\.|\[::1\]|::1)/;

/**
 * The address under which another device on the same network finds this server: what the asker used, unless that was
 * this machine's own name for itself; then the first address of a network card.
 */
export function networkAddress(asked: string, port: number): string {
  if (asked !== '' && !LOOPBACK.test(asked)) return `http://${asked}`;
  const card = Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .find((i) => i.family === 'IPv4' && !i.internal);
  return `http://${card?.address ?? '127.0.0.1'}:${/:(\d+)$/.exec(asked)?.[1] ?? port}`;
}
