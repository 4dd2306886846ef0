import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';
import { compress } from 'hono/compress';
import { etag } from 'hono/etag';
import { readFile } from 'node:fs/promises';
import { extname, join } from 'node:path';

/** Files whose names change with their content, compressed or not. */
const HASHED = /-[A-Z0-9]{8}\.\w+(?:\.(?:br|gz))?$/;

/** The web application's files. Any path without an extension is one of its views and gets the same page. */
export function site(dir: string): Hono {
  const app = new Hono();
  const named = etag();
  // What keeps its name is asked for again each time, and sent only where it has changed.
  app.use((c, next) => (HASHED.test(c.req.path) ? next() : named(c, next)));
  app.use(compress());
  app.use(
    serveStatic({
      root: dir,
      precompressed: true,
      onFound: (path, c) => {
        c.header('cache-control', HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    }),
  );
  app.get('*', async (c) => {
    if (extname(c.req.path)) return c.notFound();
    c.header('cache-control', 'no-cache');
    return c.html(await readFile(join(dir, 'index.html'), 'utf8'));
  });
  return app;
}
