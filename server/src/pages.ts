import { serveStatic } from '@hono/node-server/serve-static';
import type { Hono } from 'hono';
import { compress } from 'hono/compress';
import { readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import type { Env } from './routes/context.ts';

/** Serves the built pages: files by name, and the one page for every other address. */
export function servePages(app: Hono<Env>, dir: string): void {
  const page = readFileSync(join(dir, 'index.html'), 'utf8');
  app.use(compress());
  app.use('/assets/*', async (c, next) => {
    await next();
    // File names carry a hash of their content.
    if (c.res.status === 200) c.res.headers.set('Cache-Control', 'public, max-age=31536000, immutable');
  });
  const files = serveStatic({ root: relative(process.cwd(), dir) || '.' });
  app.use((c, next) => (isFile(c.req.path) ? files(c, next) : next()));
  app.get('*', (c) => {
    if (isFile(c.req.path)) return c.text('There is nothing at this address.', 404);
    c.header('Cache-Control', 'no-cache');
    return c.html(page);
  });
}

/** Addresses of screens have no ending; files have. */
function isFile(path: string): boolean {
  return /\.[a-z0-9]+$/i.test(path);
}
