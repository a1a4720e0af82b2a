import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureBuilt } from './build.mjs';
import { portFrom } from './port.mjs';
import { say, stopWith } from './say.mjs';

/** Serves the app on loopback until Ctrl-C. @param {'demo' | 'own'} house whose address is printed */
export async function runApp(house) {
  const port = portFrom(process.env.PORT);
  await ensureBuilt();
  const { serve, stop } = await import(pathToFileURL(resolve('dist/server/serve.js')).href);
  let running;
  try {
    running = await serve({ appDir: resolve('dist/app/browser'), port });
  } catch (error) {
    if (error?.code === 'EADDRINUSE') {
      stopWith(
        `Port ${port} is taken. Stop the other program, or choose another: PORT=${port + 1} npm run demo. (Each port has its own database.)`,
      );
    }
    throw error;
  }
  const { server, origin } = running;
  // Before the address is printed: whoever reads it may stop us at once.
  const end = () => {
    stop(server).then(() => process.exit(0));
  };
  process.on('SIGINT', end);
  process.on('SIGTERM', end);
  say('');
  say(
    house === 'demo'
      ? `  Nailwort, the made-up household: ${origin}/demo/`
      : `  Nailwort, your own house: ${origin}/`,
  );
  say('  Only this machine can reach it. Stop with Ctrl-C.');
}
