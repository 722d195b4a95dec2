import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { NetworkView } from '@jubb/contract';
import type { NestExpressApplication } from '@nestjs/platform-express';
import sharp from 'sharp';
import jsQR from 'jsqr';
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { request as httpsRequest } from 'node:https';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { makeApp } from '../app.ts';
import { configOf, demoCopy, openShop } from '../shop.fixtures.ts';
import { makeAuthority, makeServerCertificate, readCertificate } from './authority.ts';
import { openGuide } from './closed-line.ts';
import { fingerprint } from './guide.ts';
import { readyTls, type Tls } from './tls-files.ts';

jest.setTimeout(120_000);
const NOW = new Date();
const DAY_MS = 86_400_000;
let work: string;
beforeAll(() => {
  work = mkdtempSync(join(process.env['JUBB_TEST_DATA'] ?? '/tmp', 'network-'));
});
afterAll(() => rmSync(work, { recursive: true, force: true }));
const fileOf = (name: string, text: string): string => {
  writeFileSync(join(work, name), text);
  return join(work, name);
};
const openssl = (...args: string[]): string => execFileSync('openssl', args, { encoding: 'utf8' });

describe('the shop’s own authority', () => {
  test('its server’s certificate is one that openssl verifies, for its names and for no other', async () => {
    const authority = await makeAuthority('Reith & Daughter, Rebuilds', NOW);
    const server = await makeServerCertificate(authority, ['bench-a.local', '192.168.7.20'], NOW);
    const ca = fileOf('ca.crt', authority.cert);
    const crt = fileOf('server.crt', server.cert);
    const verify = (...more: string[]): number | null =>
      spawnSync('openssl', ['verify', '-x509_strict', '-purpose', 'sslserver', '-CAfile', ca, ...more, crt]).status;
    expect(verify()).toBe(0);
    expect(verify('-verify_hostname', 'bench-a.local')).toBe(0);
    expect(verify('-verify_ip', '192.168.7.20')).toBe(0);
    expect(verify('-verify_hostname', 'elsewhere.example')).not.toBe(0);
    expect(verify('-verify_ip', '192.168.7.21')).not.toBe(0);
    expect(openssl('x509', '-in', ca, '-noout', '-subject')).toContain('Reith & Daughter, Rebuilds (Jubb)');
    expect(openssl('x509', '-in', ca, '-noout', '-fingerprint', '-sha256')).toContain(fingerprint(authority.cert));
    const other = fileOf('other.crt', (await makeAuthority('Another shop', NOW)).cert);
    expect(spawnSync('openssl', ['verify', '-CAfile', other, crt]).status).not.toBe(0);
  });

  test('the keys are of their certificates, the authority signs no other authority, and nothing holds longer than browsers take', async () => {
    const authority = await makeAuthority('', NOW);
    const server = await makeServerCertificate(authority, ['localhost'], NOW);
    const publicOf = (what: 'x509' | 'pkey', pem: string): string =>
      openssl(what, '-in', fileOf('one.pem', pem), ...(what === 'x509' ? ['-noout', '-pubkey'] : ['-pubout']));
    for (const { cert, key } of [authority, server]) expect(publicOf('x509', cert)).toBe(publicOf('pkey', key));
    const said = openssl(
      'x509',
      '-in',
      fileOf('ca2.crt', authority.cert),
      '-noout',
      '-ext',
      'basicConstraints,keyUsage',
    );
    expect(said).toMatch(/critical\s+CA:TRUE, pathlen:0/);
    expect(said).toMatch(/Key Usage: critical\s+Certificate Sign, CRL Sign/);
    const until = readCertificate(server.cert).until.getTime() - NOW.getTime();
    expect(until).toBeGreaterThan(300 * DAY_MS);
    expect(until).toBeLessThan(398 * DAY_MS);
  });

  test('a server without a name is refused', async () => {
    await expect(makeServerCertificate(await makeAuthority('x', NOW), [], NOW)).rejects.toThrow(RangeError);
  });

  test('it is kept: the same over restarts, another certificate for another address or when it runs out, keys for nobody else', async () => {
    const data = mkdtempSync(join(work, 'data-'));
    const first = await readyTls(data, 'Shop', ['localhost', '10.0.0.4'], NOW);
    expect(await readyTls(data, 'Shop, renamed', ['10.0.0.4'], NOW)).toEqual(first);
    const moved = await readyTls(data, 'Shop', ['localhost', '10.0.0.9'], NOW);
    expect(moved.authority).toBe(first.authority);
    expect(readCertificate(moved.server.cert).names).toEqual(['localhost', '10.0.0.9']);
    const later = await readyTls(data, 'Shop', ['localhost', '10.0.0.9'], new Date(NOW.getTime() + 350 * DAY_MS));
    expect(later.server.cert).not.toBe(moved.server.cert);
    expect(later.authority).toBe(first.authority);
    for (const key of ['authority.key', 'server.key']) expect(statSync(join(data, 'tls', key)).mode & 0o077).toBe(0);
    expect(readFileSync(join(data, 'tls', 'authority.crt'), 'utf8')).toBe(first.authority);
  });
});

/** A port that is free now. */
const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const s = createServer().listen(0, '127.0.0.1', () => {
      const { port } = s.address() as AddressInfo;
      s.close(() => resolve(port));
    });
  });

describe('a server that speaks https itself', () => {
  let app: NestExpressApplication;
  let tls: Tls;
  let port: number;
  let guide: string;
  beforeAll(async () => {
    const copy = await demoCopy();
    port = await freePort();
    const guidePort = await freePort();
    guide = `http://127.0.0.1:${guidePort}`;
    const config = configOf(copy.url, copy.dataDir, { port, https: true, guidePort, secureCookie: true });
    tls = await readyTls(copy.dataDir, 'Shop', ['localhost', '127.0.0.1'], NOW);
    app = await makeApp(config, undefined, tls);
    await app.listen(port, '127.0.0.1');
    await openGuide(app, config, tls);
  });
  afterAll(() => app.close());
  const ask = (
    path: string,
    { ca, body }: { readonly ca?: string; readonly body?: object },
  ): Promise<{ status: number; cookies: readonly string[]; hsts: unknown }> =>
    new Promise((resolve, reject) => {
      const asked = httpsRequest(
        `https://127.0.0.1:${port}${path}`,
        { method: body ? 'POST' : 'GET', headers: { 'content-type': 'application/json' }, ...(ca ? { ca } : {}) },
        (answer) => {
          answer.resume();
          answer.on('end', () =>
            resolve({
              status: answer.statusCode!,
              cookies: answer.headers['set-cookie'] ?? [],
              hsts: answer.headers['strict-transport-security'],
            }),
          );
        },
      );
      asked.on('error', reject);
      asked.end(body ? JSON.stringify(body) : undefined);
    });

  test('a device that has taken the authority in is let in, by a cookie that goes over a closed line alone', async () => {
    const { status, cookies, hsts } = await ask('/api/session', {
      ca: tls.authority,
      body: { name: 'Una Reith', pin: '1111' },
    });
    expect(status).toBe(201);
    expect(cookies[0]).toMatch(/^__Host-.*; Secure/);
    // Its own guide is plain, on another port of the same name.
    expect(hsts).toBeUndefined();
  });

  test('one that has not is warned by its own software', async () => {
    await expect(ask('/api/health/live', {})).rejects.toThrow(/unable to verify/);
  });

  test('the plain page gives the authority and its fingerprint, says nothing else, and sends everything on', async () => {
    const page = await (await fetch(guide)).text();
    expect(page).toContain(fingerprint(tls.authority));
    expect(page).toContain(`https://127.0.0.1:${port}`);
    const taken = await fetch(`${guide}/authority.crt`);
    expect(taken.headers.get('content-type')).toBe('application/x-x509-ca-cert');
    expect(await taken.text()).toBe(tls.authority);
    const other = await fetch(`${guide}/api/people`, { redirect: 'manual' });
    expect([other.status, other.headers.get('location')]).toEqual([302, `https://127.0.0.1:${port}`]);
    const made = await fetch(guide, { headers: { host: '"><script>' } }).then((a) => a.text());
    expect(made).not.toContain('<script>');
  });
});

describe('how devices reach the shop', () => {
  test('from its own machine only: nothing to scan; on a network: an address, and a code that a camera reads as it', async () => {
    const alone = await openShop();
    expect((await alone.get('/api/shop/network', 'Una Reith')).body).toEqual({ open: false, https: false, ways: [] });
    await alone.app.close();
    const open = await openShop({ publicUrl: 'http://bench.example:7800' });
    const view = (await open.get('/api/shop/network', 'Una Reith')).body as NetworkView;
    await open.app.close();
    expect(view).toMatchObject({ open: true, https: false, ways: [{ address: 'http://bench.example:7800' }] });
    const { data, info } = await sharp(Buffer.from(view.ways[0]!.code), { density: 300 })
      .flatten({ background: '#fff' })
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(jsQR(new Uint8ClampedArray(data), info.width, info.height)?.data).toBe('http://bench.example:7800');
  });
});
