import 'reflect-metadata';
import {
  AuthorityKeyIdentifierExtension,
  BasicConstraintsExtension,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  SubjectKeyIdentifierExtension,
  X509Certificate,
  X509CertificateGenerator,
} from '@peculiar/x509';
import { randomBytes, webcrypto } from 'node:crypto';
import { isIP } from 'node:net';

/** Elliptic keys, as every tablet of the last ten years takes them (RFC 5480). */
const KEY = { name: 'ECDSA', namedCurve: 'P-256' } as const;
const SIGN = { name: 'ECDSA', hash: 'SHA-256' } as const;
const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3650;
/** Browsers refuse a server's certificate that holds for longer (825 days at most where the authority was taken in by hand). */
export const SERVER_DAYS = 397;
/** Clocks of tablets differ: it holds from yesterday. */
const SINCE_MS = DAY_MS;

/** A certificate and its key, PEM. */
export interface Certified {
  readonly cert: string;
  readonly key: string;
}

/** A certificate authority of a shop's own: it signs its server's certificates and nothing below them. */
export async function makeAuthority(shop: string, now: Date): Promise<Certified> {
  const keys = await makeKeys();
  const cert = await X509CertificateGenerator.createSelfSigned(
    {
      serialNumber: serial(),
      name: [{ CN: [`${nameOf(shop)} (Jubb)`] }],
      notBefore: new Date(now.getTime() - SINCE_MS),
      notAfter: new Date(now.getTime() + AUTHORITY_DAYS * DAY_MS),
      signingAlgorithm: SIGN,
      keys,
      extensions: [
        new BasicConstraintsExtension(true, 0, true),
        new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
        await SubjectKeyIdentifierExtension.create(keys.publicKey, false, webcrypto as Crypto),
      ],
    },
    webcrypto as Crypto,
  );
  return { cert: `${cert.toString('pem')}\n`, key: await keyPem(keys.privateKey) };
}

/**
 * A server's certificate for the names and addresses by which it is reached.
 * @param names host names and IP addresses, one at least
 * @throws RangeError without a name
 */
export async function makeServerCertificate(
  authority: Certified,
  names: readonly string[],
  now: Date,
): Promise<Certified> {
  if (names.length === 0) throw new RangeError('a server has a name or an address');
  const issuer = new X509Certificate(authority.cert);
  const keys = await makeKeys();
  const cert = await X509CertificateGenerator.create(
    {
      serialNumber: serial(),
      issuer: issuer.subjectName,
      subject: [{ CN: [names[0]!.slice(0, 64)] }],
      notBefore: new Date(now.getTime() - SINCE_MS),
      notAfter: new Date(Math.min(now.getTime() + (SERVER_DAYS - 1) * DAY_MS, issuer.notAfter.getTime())),
      signingAlgorithm: SIGN,
      publicKey: keys.publicKey,
      signingKey: await keyOf(authority.key),
      extensions: [
        new BasicConstraintsExtension(false, undefined, true),
        new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
        new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
        new SubjectAlternativeNameExtension(
          names.map((value) => ({ type: isIP(value) ? ('ip' as const) : ('dns' as const), value })),
        ),
        await AuthorityKeyIdentifierExtension.create(issuer, false, webcrypto as Crypto),
        await SubjectKeyIdentifierExtension.create(keys.publicKey, false, webcrypto as Crypto),
      ],
    },
    webcrypto as Crypto,
  );
  return { cert: `${cert.toString('pem')}\n`, key: await keyPem(keys.privateKey) };
}

/** For which names a certificate is, and until when. */
export function readCertificate(pem: string): { readonly names: readonly string[]; readonly until: Date } {
  const cert = new X509Certificate(pem);
  const names = cert.getExtension(SubjectAlternativeNameExtension)?.names.items.map((n) => n.value) ?? [];
  return { names, until: cert.notAfter };
}

const makeKeys = (): Promise<CryptoKeyPair> => webcrypto.subtle.generateKey(KEY, true, ['sign', 'verify']);
const serial = (): string => {
  const bytes = randomBytes(16);
  // Positive and not nought (RFC 5280, 4.1.2.2).
  bytes[0] = (bytes[0]! & 0x7f) | 0x01;
  return bytes.toString('hex');
};
async function keyPem(key: CryptoKey): Promise<string> {
  return `${PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), PemConverter.PrivateKeyTag)}\n`;
}
function keyOf(pem: string): Promise<CryptoKey> {
  return webcrypto.subtle.importKey('pkcs8', PemConverter.decodeFirst(pem), KEY, false, ['sign']);
}
/** A name as it may stand in a certificate: 64 letters at most (RFC 5280, ub-common-name), with ours behind it. */
const nameOf = (shop: string): string => shop.trim().slice(0, 50) || 'Workshop';
