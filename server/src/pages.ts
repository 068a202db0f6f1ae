import type { Hono } from 'hono';
import { getMimeType } from 'hono/utils/mime';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import type { Env } from './routes/context.ts';

/**
 * Serves the built pages: files by name, and the one page for every other address. All are read now and held: the process
 * may since have become a user who cannot walk down to them.
 */
export function servePages(app: Hono<Env>, dir: string): void {
  const files = new Map<string, Uint8Array<ArrayBuffer>>(
    readdirSync(dir, { recursive: true, encoding: 'utf8' })
      .map((name) => join(dir, name))
      .filter((path) => statSync(path).isFile())
      .map((path) => [`/${relative(dir, path)}`, new Uint8Array(readFileSync(path))]),
  );
  const page = new TextDecoder().decode(files.get('/index.html'));
  app.get('*', (c) => {
    const { path } = c.req;
    if (!isFile(path)) {
      c.header('Cache-Control', 'no-cache');
      return c.html(page);
    }
    const body = files.get(path);
    if (!body) return c.text('There is nothing at this address.', 404);
    c.header('Content-Type', getMimeType(path) ?? 'application/octet-stream');
    // File names under /assets/ carry a hash of their content.
    if (path.startsWith('/assets/')) c.header('Cache-Control', 'public, max-age=31536000, immutable');
    return c.body(body);
  });
}

/** Addresses of screens have no ending; files have. */
function isFile(path: string): boolean {
  return /\.[a-z0-9]+$/i.test(path);
}
