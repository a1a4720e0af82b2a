import { resolve } from 'node:path';
import { serve, stop } from './serve.js';

/** The server by itself, without the bootstrap: for the browser tests and for whoever runs it as a service. */
const port = Number(process.env['PORT'] ?? '4310');
try {
  const { server, origin } = await serve({ appDir: resolve('dist/app/browser'), port });
  const end = () => {
    void stop(server).then(() => process.exit(0));
  };
  process.on('SIGINT', end);
  process.on('SIGTERM', end);
  process.stdout.write(`${origin}\n`);
} catch (error) {
  process.stderr.write(`${explain(error)}\n`);
  process.exit(1);
}

function explain(error: unknown): string {
  const { code } = error as { code?: unknown };
  if (code === 'EADDRINUSE') {
    return `Port ${port} is taken. Stop the other program, or choose another: PORT=${port + 1}. (Each port has its own database.)`;
  }
  if (code === 'ERR_SOCKET_BAD_PORT') {
    return `PORT must be a whole number between 0 and 65535. It is ${process.env['PORT'] ?? ''}.`;
  }
  return code === 'EACCES'
    ? `Port ${port} may not be used by this user. Choose one above 1023.`
    : `The server could not start: ${error instanceof Error ? error.message : String(error)}`;
}
