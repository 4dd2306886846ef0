import { Hono } from 'hono';
import { basicAuth } from 'hono/basic-auth';
import { secureHeaders } from 'hono/secure-headers';
import type { Workshop } from '../db/workshop';
import { answerProblem } from './answer-problem';
import { api, type ApiOptions } from './api';
import { sameSite } from './same-site';
import { site } from './site';

export interface ServerOptions extends ApiOptions {
  /** Folder of the built web application, or null to serve the routes alone. */
  readonly siteDir: string | null;
  /** Set when the server is opened to a network: every request must carry it. */
  readonly passphrase: string | null;
}

/** The whole server as a function from request to answer. */
export function serverApp(workshop: Workshop, { siteDir, passphrase, ...options }: ServerOptions): Hono {
  const app = new Hono();
  app.onError(answerProblem);
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
  app.use(sameSite(passphrase !== null));
  if (passphrase !== null) app.use(basicAuth({ username: 'workshop', password: passphrase, realm: 'Odd Corner' }));
  app.route('/', api(workshop, options));
  if (siteDir) app.route('/', site(siteDir));
  return app;
}
