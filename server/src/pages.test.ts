import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { servePages } from './pages.ts';
import { openHouse, type TestHouse } from './testing/room.ts';

let house: TestHouse;
const dir = mkdtempSync(join('/tmp', 'veldrift-pages-'));
beforeAll(() => {
  house = openHouse(inject('appUrl'));
  mkdirSync(join(dir, 'assets'));
  writeFileSync(join(dir, 'index.html'), '<!doctype html><title>Veldrift</title>');
  writeFileSync(join(dir, 'assets', 'app-1234.js'), 'console.log(1);');
  servePages(house.app, dir);
});
afterAll(async () => {
  await house.close();
  rmSync(dir, { recursive: true, force: true });
});
const get = (path: string) => house.app.request(`http://test.example${path}`);

describe('the pages', () => {
  it('are one page at every address of a screen, always asked for afresh', async () => {
    for (const path of ['/', '/pupils', '/pupils/01900000-0000-7000-8000-000000000000', '/table/new/x']) {
      const response = await get(path);
      expect(response.status).toBe(200);
      expect(await response.text()).toContain('<title>Veldrift</title>');
      expect(response.headers.get('cache-control')).toBe('no-cache');
    }
  });
  it('have files that are kept for good, since their names change with them', async () => {
    const response = await get('/assets/app-1234.js');
    expect(await response.text()).toBe('console.log(1);');
    expect(response.headers.get('cache-control')).toContain('immutable');
    expect((await get('/assets/gone-9999.js')).status).toBe(404);
    expect((await get('/assets/gone-9999.js')).headers.get('cache-control') ?? '').not.toContain('immutable');
  });
  it('give nothing from outside their folder', async () => {
    for (const path of [
      '/../package.json',
      '/..%2fpackage.json',
      '/assets/..%2f..%2fpackage.json',
      '/%2e%2e/package.json',
    ])
      expect(await (await get(path)).text(), path).not.toContain('"name"');
  });
  it('allow scripts of their own only, in no frame, apart from other sites', async () => {
    const { headers } = await get('/');
    const policy = headers.get('content-security-policy') ?? '';
    expect(policy).toContain("script-src 'self'");
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    expect(policy).toContain("frame-ancestors 'none'");
    expect(headers.get('cross-origin-opener-policy')).toBe('same-origin');
    expect(headers.get('cross-origin-embedder-policy')).toBe('require-corp');
    expect(headers.get('x-content-type-options')).toBe('nosniff');
  });
  it('are not what an address of the API answers with', async () => {
    const response = await get('/api/nothing');
    expect(response.status).toBe(401);
    expect(response.headers.get('content-type')).toContain('application/json');
  });
});
