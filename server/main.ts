import { resolve } from 'node:path';
import { serve } from './serve.js';

/** The server by itself, without the bootstrap: for the browser tests and for whoever runs it as a service. */
const { origin } = await serve({
  appDir: resolve('dist/app/browser'),
  port: Number(process.env['PORT'] ?? '4310'),
});
process.stdout.write(`${origin}\n`);
