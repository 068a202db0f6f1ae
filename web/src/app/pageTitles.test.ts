import { describe, expect, it } from 'vitest';
import app from './App.tsx?raw';
import { titleOf } from './pageTitles.ts';

describe('titles of pages', () => {
  const routes = [...app.matchAll(/path="(\/[^"]*)"/g)].map(([, path]) => path as string);
  it('are another for every address there is', () => {
    expect(routes.length).toBeGreaterThan(20);
    const found = ['/', ...routes].map((path) => titleOf(path.replace(/:\w+/g, '0190-some-id')));
    expect(new Set(found).size).toBe(found.length);
    for (const title of found) expect(title).toMatch(/^[A-Z].+ \u00b7 Veldrift$/);
    expect(found).not.toContain(titleOf('/no/such/address'));
  });
  it('tell a new pupil from one that is there', () => {
    expect(titleOf('/pupils/new')).not.toBe(titleOf('/pupils/abc'));
    expect(titleOf('/table/new/abc')).not.toBe(titleOf('/table/abc'));
  });
});
