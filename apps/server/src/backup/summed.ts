import { createHash } from 'node:crypto';
import { Transform } from 'node:stream';

/** Hands on what comes, and knows at the end how much it was and its SHA-256, hex. */
export function summed(): { readonly through: Transform; readonly sum: () => { bytes: number; sha256: string } } {
  const hash = createHash('sha256');
  let bytes = 0;
  const through = new Transform({
    transform(piece: Buffer, _encoding, next) {
      hash.update(piece);
      bytes += piece.length;
      next(null, piece);
    },
  });
  return { through, sum: () => ({ bytes, sha256: hash.digest('hex') }) };
}
