import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { makeAuthority, makeServerCertificate, readCertificate, type Certified } from './authority.ts';

/** A certificate with less than this left is made anew at the start. */
const LEAST_LEFT_MS = 60 * 86_400_000;

/** What a server shows to who asks by https, and what a tablet takes in once to believe it. */
export interface Tls {
  readonly server: Certified;
  /** PEM, without its key. */
  readonly authority: string;
}

/**
 * The shop's authority and its server's certificate, out of `DATA/tls`: made the first time; the server's is made anew when it
 * runs out soon or the machine has another name or address. Tablets that took the authority in go on.
 * @param names host names and addresses by which the server is reached
 */
export async function readyTls(dataDir: string, shop: string, names: readonly string[], now: Date): Promise<Tls> {
  const folder = join(dataDir, 'tls');
  await mkdir(folder, { recursive: true, mode: 0o700 });
  let authority = await read(folder, 'authority');
  if (!authority) {
    authority = await makeAuthority(shop, now);
    await write(folder, 'authority', authority);
  }
  let server = await read(folder, 'server');
  if (!server || !holds(server.cert, names, now)) {
    server = await makeServerCertificate(authority, names, now);
    await write(folder, 'server', server);
  }
  return { server, authority: authority.cert };
}

function holds(cert: string, names: readonly string[], now: Date): boolean {
  const read = readCertificate(cert);
  return names.every((n) => read.names.includes(n)) && read.until.getTime() - now.getTime() > LEAST_LEFT_MS;
}

async function read(folder: string, name: string): Promise<Certified | undefined> {
  try {
    const [cert, key] = await Promise.all(
      ['crt', 'key'].map((end) => readFile(join(folder, `${name}.${end}`), 'utf8')),
    );
    return { cert: cert!, key: key! };
  } catch (e) {
    if ((e as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
    throw e;
  }
}

/** The certificate is written last and at once: one without its key is never found. */
async function write(folder: string, name: string, { cert, key }: Certified): Promise<void> {
  await writeFile(join(folder, `${name}.key`), key, { mode: 0o600 });
  await writeFile(join(folder, `${name}.part`), cert, { mode: 0o644 });
  await rename(join(folder, `${name}.part`), join(folder, `${name}.crt`));
}
