import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { RequestMethod } from '@nestjs/common';
import { roles, type Role } from '@jubb/contract';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { openShop, signIn, type TestShop } from '../shop.fixtures.ts';
import { ACCESS, type Access } from './access.ts';

jest.setTimeout(120_000);
const FILE = 'docs/roles.md';

/** A row of the table: a route, and who may ask it. */
interface Row {
  readonly route: string;
  readonly who: readonly (Role | 'stranger')[];
}
/** The table that people read is the one that is tested. */
const rows: Row[] = readFileSync(join(process.cwd(), FILE), 'utf8')
  .split('\n')
  .flatMap((line) => {
    const cells = line.split('|').map((c) => c.trim());
    const route = /^`((?:GET|POST|PUT|DELETE) \/api\/[^`]+)`$/.exec(cells[1] ?? '')?.[1];
    if (!route) return [];
    return [{ route, who: (['stranger', ...roles] as const).filter((_, i) => cells[2 + i] === 'yes') }];
  });

let shop: TestShop;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.app.close());

interface Controllers {
  container: {
    getModules(): Map<string, { controllers: Map<unknown, { metatype: (new () => object) & { prototype: object } }> }>;
  };
}
/** What the server's own handlers say. */
function handlers(): Row[] {
  const out: Row[] = [];
  for (const m of (shop.app as unknown as Controllers).container.getModules().values())
    for (const { metatype } of m.controllers.values())
      for (const name of Object.getOwnPropertyNames(metatype.prototype)) {
        const handler = (metatype.prototype as Record<string, unknown>)[name];
        if (name === 'constructor' || typeof handler !== 'function' || !Reflect.hasMetadata('path', handler)) continue;
        const access = Reflect.getMetadata(ACCESS, handler) as Access | undefined;
        const method = RequestMethod[Reflect.getMetadata('method', handler) as number];
        const paths = [Reflect.getMetadata('path', metatype), Reflect.getMetadata('path', handler)] as string[];
        const path = paths
          .map((p) => p.replace(/^\/|\/$/g, ''))
          .filter((p) => p !== '')
          .join('/');
        out.push({
          route: `${method} /${path}`,
          who: access === 'anyone' ? ['stranger', ...roles] : roles.filter((r) => access?.includes(r)),
        });
      }
  return out;
}
const sorted = (all: readonly Row[]): string[] => all.map((r) => `${r.route}: ${r.who.join(', ')}`).sort();

describe('roles and routes', () => {
  test('the table names every route, and each as the server has it', () => {
    expect(sorted(rows)).toEqual(sorted(handlers()));
    expect(rows.length).toBeGreaterThan(60);
  });

  test('asked for real, each route lets in who stands in the table and nobody else', async () => {
    const pins: Record<Role, [name: string, pin: string]> = {
      owner: ['Una Reith', '1111'],
      mechanic: ['Magnus Sorley', '2222'],
      parts: ['Tam Veitch', '4444'],
    };
    const wrong: string[] = [];
    for (const who of ['stranger', ...roles] as const) {
      // Signed in anew for each: asked for real, some of the routes sign out.
      let cookie = '';
      for (const { route, who: may } of rows) {
        const [method, path] = route.split(' ') as [string, string];
        if (who !== 'stranger' && (cookie === '' || route === 'DELETE /api/session'))
          cookie = await signIn(shop.http(), ...pins[who]);
        const asked = path.replace(/:\w+/g, '00000000-0000-4000-8000-000000000000');
        const abort = new AbortController();
        const answer = await fetch(`${shop.base}${asked}`, {
          method,
          headers: { cookie, ...(method === 'GET' ? {} : { 'content-type': 'application/json' }) },
          ...(method === 'GET' || method === 'DELETE' ? {} : { body: '{}' }),
          signal: abort.signal,
        });
        const { status } = answer;
        // A stream never ends by itself.
        abort.abort();
        if (route === 'DELETE /api/session') cookie = '';
        const shut = status === 401 || status === 403;
        if (shut === may.includes(who)) wrong.push(`${route} as ${who}: ${status}`);
        if (shut && status !== (who === 'stranger' ? 401 : 403)) wrong.push(`${route} as ${who}: ${status} for a no`);
      }
    }
    expect(wrong).toEqual([]);
  });
});
