import compression from 'compression';
import express, { type ErrorRequestHandler, type Express } from 'express';
import helmet from 'helmet';
import { join } from 'node:path';
import { ZodError } from 'zod';
import { outsideReadings } from './instruments/outside.js';
import { ownAddressOnly } from './guard.js';
import { standIns } from './instruments/stand-ins.js';

export interface ServerDeps {
  /** Absolute path of the built app. */
  readonly appDir: string;
}

/** Read by the browser for Material's and CDK's run-time styles; fixed, since index.html is checked by hash. */
const STYLE_NONCE = 'house-styles';
const YEAR_SECONDS = 365 * 24 * 3600;
const HASHED_NAME = /-[A-Z0-9]{8}\.(js|css|woff2?|svg|png)$/;

/** Everything comes from this server; nothing is loaded from or sent to anywhere else. */
const CSP = {
  defaultSrc: ["'none'"],
  baseUri: ["'self'"],
  formAction: ["'none'"],
  frameAncestors: ["'none'"],
  objectSrc: ["'none'"],
  // Only to run the reader of labels, which is compiled; no text is ever run.
  scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
  scriptSrcAttr: ["'none'"],
  styleSrc: ["'self'", `'nonce-${STYLE_NONCE}'`],
  fontSrc: ["'self'"],
  imgSrc: ["'self'", 'blob:', 'data:'],
  mediaSrc: ["'self'", 'blob:'],
  connectSrc: ["'self'"],
  workerSrc: ["'self'"],
  manifestSrc: ["'self'"],
  frameSrc: ["'self'", 'blob:'],
  requireTrustedTypesFor: ["'script'"],
  trustedTypes: ['angular', 'angular#components', 'default'],
};

/** The server as a value: it does not listen. Serves the built app and the instruments, and nothing else. */
export function createApp({ appDir }: ServerDeps): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(ownAddressOnly());
  app.use(
    helmet({
      contentSecurityPolicy: { useDefaults: false, directives: CSP },
      // Plain http on loopback: strict transport would lock the address for other programs.
      strictTransportSecurity: false,
      crossOriginEmbedderPolicy: false,
    }),
  );
  // Before compression, which would hold lines back.
  app.use('/instruments', standIns(), outsideReadings());
  app.use(compression());
  app.use(
    express.static(appDir, {
      index: false,
      setHeaders: (res, path) => {
        res.setHeader(
          'Cache-Control',
          HASHED_NAME.test(path) ? `public, max-age=${YEAR_SECONDS}, immutable` : 'no-cache',
        );
      },
    }),
  );
  app.get('/{*path}', (req, res, next) => {
    // A missing file must not be answered with the page.
    if (/\.[a-z0-9]{2,5}$/i.test(req.path)) {
      next();
      return;
    }
    res.setHeader('Cache-Control', 'no-cache');
    res.sendFile(join(appDir, 'index.html'));
  });
  app.use((_req, res) => {
    res.status(404).type('text/plain').send('Not here.');
  });
  const lastHandler: ErrorRequestHandler = (error: unknown, _req, res, next) => {
    if (res.headersSent) {
      next(error);
      return;
    }
    if (error instanceof ZodError) {
      const issue = error.issues[0];
      res
        .status(422)
        .type('text/plain')
        .send(`${issue?.path.join('.') ?? 'The address'}: ${issue?.message ?? 'cannot be read'}`);
      return;
    }
    const status = statusOf(error);
    res
      .status(status)
      .type('text/plain')
      .send(REFUSALS[status] ?? 'The server failed at this request. Nothing was kept of it; try again.');
  };
  app.use(lastHandler);
  return app;
}

/** Why a request was not taken, in words. */
const REFUSALS: Readonly<Record<number, string>> = {
  400: 'That cannot be read: the address or the JSON of the body is broken.',
  413: 'That is too much at once: a body may have 1 MB at most. Send the readings in smaller pieces.',
  415: 'That encoding is not read here. Send plain JSON.',
};

function statusOf(error: unknown): number {
  const status = typeof error === 'object' && error !== null && 'status' in error ? error.status : undefined;
  return typeof status === 'number' && status >= 400 && status < 500 ? status : 500;
}
