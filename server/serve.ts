import { createServer, type Server } from 'node:http';
import { createApp, type ServerDeps } from './app.js';

export interface ServeOptions extends ServerDeps {
  readonly port: number;
}

/** A request that dawdles is ended: its head, and all of it. Streams are answers and may last. */
const HEADERS_MS = 10_000;
const REQUEST_MS = 30_000;
const KEEP_ALIVE_MS = 5_000;
/** Browsers open six to a tab. */
const MOST_CONNECTIONS = 256;
/** Only this machine can reach it. */
const LOOPBACK = '127.0.0.1';

/** Starts listening on loopback. Rejects with the system's error, EADDRINUSE among them. */
export function serve({ port, ...deps }: ServeOptions): Promise<{ server: Server; origin: string }> {
  return new Promise((resolve, reject) => {
    const server = createServer(
      { headersTimeout: HEADERS_MS, requestTimeout: REQUEST_MS, keepAliveTimeout: KEEP_ALIVE_MS },
      createApp(deps),
    );
    server.maxConnections = MOST_CONNECTIONS;
    server.once('error', reject);
    server.listen(port, LOOPBACK, () => {
      const address = server.address();
      const actual = typeof address === 'object' && address !== null ? address.port : port;
      resolve({ server, origin: `http://${LOOPBACK}:${actual}` });
    });
  });
}

/** Closes at once, open connections too, so that Ctrl-C never hangs. */
export function stop(server: Server): Promise<void> {
  return new Promise((resolve) => {
    server.close(() => {
      resolve();
    });
    server.closeAllConnections();
  });
}
