import { existsSync } from 'node:fs';
import path from 'node:path';
import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';
import type { Context, MiddlewareHandler } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { compress } from 'hono/compress';
import { except } from 'hono/combine';
import { csrf } from 'hono/csrf';
import { matchedRoutes } from 'hono/route';
import { secureHeaders } from 'hono/secure-headers';
import { accessRoutes, permitted, readMe } from './access/index.ts';
import type { Tell } from './db/index.ts';
import { faultRoutes } from './fault/index.ts';
import { hallRoutes } from './hall/index.ts';
import { problemResponse, Refusal } from './http.ts';
import { root } from './root.ts';
import type { App, Env, Services } from './http.ts';
import { adviceRoutes, libraryRoutes } from './library/index.ts';
import { logRoutes } from './log/index.ts';
import { peopleRoutes } from './people/index.ts';
import { sheetRoutes } from './sheets/index.ts';

const KB = 1024;
const BODY_LIMIT = 512 * KB;
const IMPORT_LIMIT = 24 * KB * KB;

/** The whole server as one Hono application; it keeps nothing of its own besides the services. */
export function createApp(s: Services): App {
  const app = new Hono<Env>();

  if (s.tell) app.use('/api/*', tellRequest(s.tell));
  app.use(compress());
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        // Radix positions its popovers with style elements made at run time.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        connectSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        frameAncestors: ["'none'"],
        formAction: ["'self'"],
      },
      referrerPolicy: 'same-origin',
      xFrameOptions: 'DENY',
    }),
  );
  app.use(
    '/api/*',
    csrf({ origin: (origin, c) => origin === new URL(c.req.url).origin || origin === s.publicUrl }),
  );
  const tooLarge = () => problemResponse(413, 'The request is too large. Nothing was changed.');
  const imports = '/api/library/import';
  app.use('/api/*', except(imports, bodyLimit({ maxSize: BODY_LIMIT, onError: tooLarge })));
  app.use(imports, bodyLimit({ maxSize: IMPORT_LIMIT, onError: tooLarge }));

  app.use('/api/*', async (c: Context<Env>, next) => {
    const me = await readMe(c, s);
    c.set('me', me);
    const route = routeOf(c);
    if (!route) return problemResponse(404, `There is nothing at ${c.req.path}.`);
    if (!permitted(`${route.method} ${route.path}`, me?.role ?? null)) {
      return me
        ? problemResponse(403, `A ${me.role} may not do this. Ask the head coach.`)
        : problemResponse(401, 'Sign in first.');
    }
    await next();
    c.header('cache-control', 'no-store');
    if (c.req.method !== 'GET' && c.res.ok) s.snapshots.changed();
  });

  accessRoutes(app, s);
  hallRoutes(app, s);
  adviceRoutes(app, s);
  libraryRoutes(app, s);
  peopleRoutes(app, s);
  logRoutes(app, s);
  faultRoutes(app, s);
  sheetRoutes(app, s);

  app.onError((error, c) => {
    if (error instanceof Refusal) return problemResponse(error.status, error.message, error.extra);
    if ('getResponse' in error && error.getResponse().status === 403) {
      return problemResponse(403, 'The request came from another site. Nothing was changed.');
    }
    console.error(`${c.req.method} ${c.req.path} failed:`, error);
    return problemResponse(500, 'Something broke on the server. Nothing was half-written; try again.');
  });

  serveWeb(app);
  return app;
}

/** The route that answers, with its pattern for a path: `/api/people/:id`. */
const routeOf = (c: Context<Env>) =>
  matchedRoutes(c).find((r) => r.method !== 'ALL' && r.path.startsWith('/api/'));

/** One line a request: its pattern, never the path itself, which may name a person or hold a token. */
const tellRequest =
  (tell: Tell): MiddlewareHandler<Env> =>
  async (c, next) => {
    const start = performance.now();
    await next();
    const route = routeOf(c)?.path ?? 'no such route';
    tell(`${c.req.method} ${route} ${c.res.status} ${Math.round(performance.now() - start)} ms`);
  };

/** The built interface; unknown assets are 404, every other path is a page of the application. */
function serveWeb(app: App): void {
  const dist = path.join(root, 'dist');
  app.use(
    '/assets/*',
    serveStatic({
      root: dist,
      onFound: (_path, c) => c.header('cache-control', 'public, max-age=31536000, immutable'),
    }),
  );
  app.all('/assets/*', () => problemResponse(404, 'There is no such file.'));
  app.all('/api/*', (c) => problemResponse(404, `There is nothing at ${c.req.path}.`));
  if (existsSync(dist)) {
    app.use('*', serveStatic({ root: dist, onFound: (_p, c) => c.header('cache-control', 'no-cache') }));
    app.get(
      '*',
      serveStatic({
        root: dist,
        path: 'index.html',
        onFound: (_p, c) => c.header('cache-control', 'no-cache'),
      }),
    );
  }
}
