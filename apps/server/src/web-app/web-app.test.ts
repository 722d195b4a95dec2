import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openShop, type TestShop } from '../shop.fixtures.ts';

jest.setTimeout(120_000);
let shop: TestShop;
beforeAll(async () => {
  const webDir = mkdtempSync(join(tmpdir(), 'web-app-'));
  mkdirSync(join(webDir, 'assets'));
  writeFileSync(join(webDir, 'index.html'), '<title>the page</title>');
  writeFileSync(join(webDir, 'worker.js'), '// woken by the page');
  writeFileSync(join(webDir, 'assets', 'piece-1a2b.js'), '// a piece');
  shop = await openShop({ webDir });
});
afterAll(() => shop.app.close());

describe('the built web app', () => {
  test.each(['/', '/job/1234/findings', '/plan/hours'])('%s is its page, asked for anew each time', async (path) => {
    const answer = await shop.http().get(path).set('Accept', 'text/html');
    expect([answer.status, answer.text]).toEqual([200, '<title>the page</title>']);
    expect(answer.headers['cache-control']).toBe('no-cache');
    expect(answer.headers['content-security-policy']).toContain("default-src 'self'");
  });

  test('a piece is kept for ever: its name changes with it; what lies beside the page is asked for anew', async () => {
    const piece = await shop.http().get('/assets/piece-1a2b.js');
    expect([piece.status, piece.text]).toEqual([200, '// a piece']);
    expect(piece.headers['cache-control']).toBe('public, max-age=31536000, immutable');
    expect((await shop.http().get('/worker.js')).headers['cache-control']).toBe('no-cache');
  });

  test('a piece that there is not is no page: an old tab hears that it is old', async () => {
    const answer = await shop.http().get('/assets/piece-0000.js');
    expect(answer.status).toBe(404);
    expect(answer.text ?? '').not.toContain('the page');
  });

  test.each(['/api', '/api/no-such', '/api/jobs/1/no-such'])(
    '%s is the API’s to answer, and never the page',
    async (path) => {
      const answer = await shop.get(path).set('Accept', 'text/html');
      expect(answer.status).toBeGreaterThanOrEqual(400);
      expect(answer.headers['content-type']).toContain('application/problem+json');
    },
  );

  test.each(['/assets/../../keys/log.key', '/..%2f..%2fkeys%2flog.key', '/assets/%2e%2e/%2e%2e/etc/passwd'])(
    '%s leads out of its folder nowhere',
    async (path) => {
      const answer = await shop.http().get(path);
      expect([200, 400, 403, 404]).toContain(answer.status);
      if (answer.status === 200) expect(answer.text).toBe('<title>the page</title>');
    },
  );
});
