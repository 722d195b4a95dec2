import { randomBytes, randomInt, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';

/** scrypt, memory-hard (RFC 7914): 32 MiB a try. */
const COST = { N: 2 ** 15, r: 8, p: 1 };

function derive(pin: string, salt: Buffer, cost: typeof COST): Promise<Buffer> {
  const options: ScryptOptions = { ...cost, maxmem: 256 * cost.N * cost.r };
  return new Promise((resolve, reject) => scrypt(pin, salt, 32, options, (e, key) => (e ? reject(e) : resolve(key))));
}

export async function hashPin(pin: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(pin, salt, COST);
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('hex'), key.toString('hex')].join('$');
}

export async function pinFits(pin: string, stored: string): Promise<boolean> {
  const [scheme, n, r, p, salt, hash] = stored.split('$');
  if (scheme !== 'scrypt' || !salt || !hash) return false;
  const expected = Buffer.from(hash, 'hex');
  const key = await derive(pin, Buffer.from(salt, 'hex'), { N: Number(n), r: Number(r), p: Number(p) });
  return key.length === expected.length && timingSafeEqual(key, expected);
}

const FIGURES_ALONE = 4;
const FIGURES_ON_NETWORK = 6;
const MOST_FIGURES = 8;
const SHORTEST_PHRASE = 8;

/**
 * Why a new PIN is not taken, in words; undefined for a good one. Figures, or a pass phrase; longer where other machines
 * of a network can reach the sign-in; none of those that are tried first.
 */
export function pinProblem(pin: string, onNetwork: boolean): string | undefined {
  if (!/^\d+$/.test(pin))
    return pin.trim().length >= SHORTEST_PHRASE ? undefined : `A pass phrase has ${SHORTEST_PHRASE} letters at least`;
  const least = onNetwork ? FIGURES_ON_NETWORK : FIGURES_ALONE;
  if (pin.length < least || pin.length > MOST_FIGURES)
    return `A PIN has ${least} to ${MOST_FIGURES} figures${onNetwork ? ' where the workshop is on a network' : ''}; or take a pass phrase`;
  const steps = new Set([...pin].slice(1).map((c, i) => Number(c) - Number(pin[i])));
  if (steps.size === 1 && [0, 1, -1].includes([...steps][0]!)) return `${pin} is tried first by anybody; take another`;
  return undefined;
}

const MADE_FIGURES = 8;

/** A PIN made by the machine: nobody can guess it, and it passes for a new one. */
export function unguessedPin(): string {
  for (;;) {
    const pin = String(randomInt(10 ** MADE_FIGURES)).padStart(MADE_FIGURES, '0');
    if (pinProblem(pin, true) === undefined) return pin;
  }
}
