import { Hono, type MiddlewareHandler } from 'hono';
import { compress } from 'hono/compress';
import { secureHeaders } from 'hono/secure-headers';
import type { Asker } from '../access/keeper';
import type { Workshop } from '../db/workshop';
import type { Journal } from '../journal/journal';
import { journalRequests } from '../journal/journal-requests';
import { answerProblem } from './answer-problem';
import { api, type ApiOptions } from './api';
import { isLoopbackHost, sameSite } from './same-site';
import { site } from './site';
import { type Env, type Proxies, whoAsks } from './who-asks';

export interface ServerOptions extends ApiOptions {
  /** Folder of the built web application, or null to serve the routes alone. */
  readonly siteDir: string | null;
  readonly proxies: Proxies;
  readonly journal: Journal;
}

/** Answers that are shorter are sent as they are. */
const WORTH_COMPRESSING = 1024;

/** Headers that a browser ignores over plain http in a network, and complains of. */
const ONLY_TRUSTED = ['cross-origin-opener-policy', 'origin-agent-cluster'];

/** Leaves them out where it does. */
const onlyWhereTrusted = (): MiddlewareHandler<Env> => async (c, next) => {
  await next();
  const asker = c.get('asker') as Asker | undefined;
  if (!asker?.encrypted && !isLoopbackHost(asker?.host ?? ''))
    for (const name of ONLY_TRUSTED) c.res.headers.delete(name);
};

/** The whole server as a function from request to answer. */
export function serverApp(workshop: Workshop, { siteDir, proxies, journal, ...options }: ServerOptions): Hono<Env> {
  const { keeper, file } = options;
  const app = new Hono<Env>();
  const answer = answerProblem(file);
  app.onError(answer);
  app.use(journalRequests(journal));
  // The framework hands on only what is an Error to it; what is thrown by native parts may be of another class.
  app.use(async (_, next) => next().catch(answer));
  app.use(onlyWhereTrusted());
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        // What plans cuts is WebAssembly.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        // Component styles are put into the page by the framework.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        workerSrc: ["'self'"],
        frameAncestors: ["'none'"],
        baseUri: ["'self'"],
        formAction: ["'self'"],
      },
      referrerPolicy: 'no-referrer',
      // The workshop is served over plain loopback HTTP.
      strictTransportSecurity: false,
    }),
  );
  app.use(whoAsks(keeper, proxies));
  app.use(sameSite(keeper !== null));
  app.use('/api/*', compress({ threshold: WORTH_COMPRESSING }));
  app.route('/', api(workshop, options));
  if (siteDir) app.route('/', site(siteDir));
  return app;
}
