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
import type { Me } from '../contract/access.ts';
import { BEFORE_ALL, ENDPOINTS } from '../contract/endpoints.ts';
import type { Endpoint } from '../contract/endpoints.ts';
import { accessRoutes, isSure, readMe } from './access/index.ts';
import type { Session } from './access/index.ts';
import type { Tell } from './db/index.ts';
import { faultRoutes } from './fault/index.ts';
import { mount } from './endpoint.ts';
import type { OpenContext } from './endpoint.ts';
import { dayIn, editionHeader, hallRoutes, hallRow } from './hall/index.ts';
import { FINDERS } from './finders.ts';
import { problemResponse, Refusal } from './http.ts';
import { PersonMemo } from './memo.ts';
import { root } from './root.ts';
import type { App, Services } from './http.ts';
import { complaintOf, isOutOfReach, newRequestId } from './complaint.ts';
import { fitRoutes } from './fit/index.ts';
import { kitRoutes } from './kit/index.ts';
import { adviceRoutes, libraryRoutes, shelfInForce } from './library/index.ts';
import { logRoutes, ownHolder, warmToday } from './log/index.ts';
import { eyeRoutes } from './eye/index.ts';
import { planRoutes } from './plan/index.ts';
import { peopleRoutes, guard, peopleOf } from './people/index.ts';
import { sharedLink, sheetRoutes } from './sheets/index.ts';

const KB = 1024;
const BODY_LIMIT = 512 * KB;
const OPEN_LIMIT = 16 * KB;
const FILE_LIMIT = 24 * KB * KB;

const HANDLERS = {
  ...accessRoutes,
  ...hallRoutes,
  ...kitRoutes,
  ...fitRoutes,
  ...libraryRoutes,
  ...adviceRoutes,
  ...peopleRoutes,
  ...logRoutes,
  ...faultRoutes,
  ...eyeRoutes,
  ...planRoutes,
  ...sheetRoutes,
};

async function contextOf(
  s: Services,
  memo: PersonMemo,
  signed: { me: Me; session: Session } | null,
): Promise<OpenContext> {
  const at = s.clock();
  const hall = await hallRow(s.db);
  const today = dayIn(hall?.timeZone ?? 'UTC', at);
  return {
    ...s,
    memo,
    me: signed?.me ?? null,
    session: signed?.session ?? null,
    at,
    hall,
    told: (what, error) => console.error(`${what} ${complaintOf(error)}`),
    today,
    inForce: await shelfInForce(s.db, { today }),
  };
}

const WARM_EVERY_MS = 60_000;

/**
 * Puts today together for everybody when the server starts, the day begins or the library has changed, so that a squad
 * that arrives all at once waits for nothing.
 * @returns when the first time is done, and how to end it
 */
export function keepWarm(s: Services, memo: PersonMemo): { warm: Promise<void>; cool: () => void } {
  let of = '';
  const round = async () => {
    const c = await contextOf(s, memo, null);
    const now = `${c.inForce.state} ${c.today}`;
    if (c.hall === null || now === of) return;
    of = now;
    await warmToday(c);
  };
  const go = () => round().catch((error: unknown) => console.error(`Warming: ${complaintOf(error)}`));
  const timer = setInterval(() => void go(), WARM_EVERY_MS);
  timer.unref();
  return { warm: go(), cool: () => clearInterval(timer) };
}

/** The state of the library, and its edition, which may be named without a change; of this run, since a backup restored counts anew. */
async function stateTag({ db, boot, inForce, today }: OpenContext): Promise<string> {
  return `W/"${boot}-${inForce.state}-${inForce.kit ?? 0}-${today}-${(await editionHeader(db)).number}"`;
}

/** The whole server as one Hono application; besides the services it keeps what was put together about people. */
export function createApp(s: Services, memo: PersonMemo = new PersonMemo()): App {
  const app = new Hono();

  const { answersAt } = s;
  if (answersAt) {
    app.use(async (c, next) => {
      if (answersAt(new URL(c.req.url).host)) return next();
      return problemResponse(
        421,
        'This hall does not answer under that name. Whoever runs the server can add it to ALLOWED_HOSTS.',
      );
    });
  }
  if (s.tell) app.use(`${BEFORE_ALL}*`, tellRequest(s.tell));
  app.use(compress());
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        // Programs that are solved in the browser are compiled code of our own.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        // Radix positions its popovers with style elements made at run time.
        styleSrc: ["'self'", "'unsafe-inline'"],
        // Frames and clips that a page looks at stay on the device.
        imgSrc: ["'self'", 'data:', 'blob:'],
        mediaSrc: ["'self'", 'blob:'],
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
    `${BEFORE_ALL}*`,
    csrf({ origin: (origin, c) => origin === new URL(c.req.url).origin || origin === s.publicUrl }),
  );
  const tooLarge = () => problemResponse(413, 'The request is too large. Nothing was changed.');
  const files = Object.values<Endpoint>(ENDPOINTS).flatMap((e) => (e.file ? [e.path] : []));
  app.use(`${BEFORE_ALL}*`, except(files, bodyLimit({ maxSize: BODY_LIMIT, onError: tooLarge })));
  // Whoever has not signed in sends little.
  for (const { who, path, method } of Object.values<Endpoint>(ENDPOINTS)) {
    if (method !== 'GET' && who.includes('anyone')) {
      app.on(method, path, bodyLimit({ maxSize: OPEN_LIMIT, onError: tooLarge }));
    }
  }
  for (const path of files) app.use(path, bodyLimit({ maxSize: FILE_LIMIT, onError: tooLarge }));

  mount(app, s, HANDLERS, {
    readMe,
    contextOf: (services, signed) => contextOf(services, memo, signed),
    isSure: (session, { clock, lasting }) => isSure(session, clock(), lasting),
    guard,
    peopleOf,
    ownLink: ownHolder,
    sharedLink,
    finders: FINDERS,
    stateTag,
  });

  app.onError((error, c) => {
    if (error instanceof Refusal) return problemResponse(error.status, error.message, error.extra);
    if ('getResponse' in error && error.getResponse().status === 403) {
      return problemResponse(403, 'The request came from another site. Nothing was changed.');
    }
    if (isOutOfReach(error)) {
      return problemResponse(
        503,
        'The database cannot be reached just now. Nothing was changed; try again.',
        {
          retryAfterS: 5,
        },
      );
    }
    const requestId = newRequestId();
    console.error(
      `${requestId} ${c.req.method} ${routeOf(c)?.path ?? 'no such route'} 500: ${complaintOf(error)}`,
    );
    return problemResponse(
      500,
      `Something broke on the server. Nothing was half-written; try again. If it stays so, tell whoever runs it the number ${requestId}.`,
      { requestId },
    );
  });

  const { certificate } = s;
  if (certificate)
    app.get('/hall.crt', (c) =>
      c.body(certificate, 200, {
        'content-type': 'application/x-x509-ca-cert',
        'content-disposition': 'attachment; filename="hall.crt"',
      }),
    );
  serveWeb(app);
  return app;
}

/** The route that answers, with its pattern for a path: `/api/people/:id`. */
const routeOf = (c: Context) =>
  matchedRoutes(c).find((r) => r.method !== 'ALL' && r.path.startsWith(BEFORE_ALL));

/** One line a request: its pattern, never the path itself, which may name a person or hold a token. */
const tellRequest =
  (tell: Tell): MiddlewareHandler =>
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
  app.all(`${BEFORE_ALL}*`, () => problemResponse(404, 'There is nothing at this address.'));
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
