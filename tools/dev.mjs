import { portFrom } from './port.mjs';
import { runBin } from './run.mjs';

/** Live reload for developers; no service worker and no strict policy, so check with "npm start" too. */
export async function dev() {
  const { code } = await runBin('@angular/cli/bin/ng.js', [
    'serve',
    '--port',
    String(portFrom(process.env.PORT)),
  ]);
  process.exitCode = code;
}
