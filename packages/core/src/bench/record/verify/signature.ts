import { ed25519 } from '@noble/curves/ed25519.js';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, hexToBytes, utf8ToBytes } from '@noble/hashes/utils.js';
import { canonicalJson } from '../../log/chain.ts';

/** The workshop's signature over the head hash of a log, at a sign-off or hand-over. Hex throughout. */
export interface HeadSignature {
  readonly seq: number;
  readonly head: string;
  readonly signature: string;
  /** Raw Ed25519 public key, 32 bytes. */
  readonly publicKey: string;
  readonly at: string;
  /** Whose bench it is. Under the signature, and so is `at`; absent in signatures of before form 5, which held neither. */
  readonly workshop?: string;
}

/** The fields of a signature: no others are taken. */
export const SIGNATURE_FIELDS: readonly string[] = ['seq', 'head', 'signature', 'publicKey', 'at', 'workshop'];

/** What is signed: the words around the hash keep it from being taken for anything else. */
export function signedText(
  job: string,
  { seq, head, at, workshop }: Omit<HeadSignature, 'signature' | 'publicKey'>,
): string {
  if (workshop === undefined) return `jubb head ${job} ${seq} ${head}`;
  return `jubb head of a bench ${canonicalJson({ at, head, job, seq, workshop })}`;
}

/** A key's short name for print: the first eight bytes of its sha256, in fours. */
export function fingerprint(publicKeyHex: string): string {
  const hash = bytesToHex(sha256(hexToBytes(publicKeyHex)));
  return hash.slice(0, 16).replace(/(.{4})(?=.)/g, '$1 ');
}

/** Does the signature fit the head and key? False for anything malformed. RFC 8032. */
export function signatureFits(job: string, s: HeadSignature): boolean {
  if (!/^[0-9a-f]{128}$/.test(s.signature) || !/^[0-9a-f]{64}$/.test(s.publicKey)) return false;
  try {
    return ed25519.verify(hexToBytes(s.signature), utf8ToBytes(signedText(job, s)), hexToBytes(s.publicKey));
  } catch {
    // A key that is no point on the curve verifies nothing.
    return false;
  }
}
