import type { Server } from 'node:http';
import { createApp, type ServerDeps } from './app.js';

export interface ServeOptions extends ServerDeps {
  readonly port: number;
}

/** Only this machine can reach it. */
const LOOPBACK = '127.0.0.1';

/** Starts listening on loopback. Rejects with the system's error, EADDRINUSE among them. */
export function serve({ port, ...deps }: ServeOptions): Promise<{ server: Server; origin: string }> {
  return new Promise((resolve, reject) => {
    const server = createApp(deps).listen(port, LOOPBACK, (error?: Error) => {
      if (error) {
        reject(error);
        return;
      }
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
