// The door to every command. Imports node: modules only, so that it runs on a clone without node_modules.
import { ensureInstalled } from './install.mjs';
import { say, stopWith } from './say.mjs';

const LEAST_NODE = [20, 19];
const COMMANDS = {
  demo: () => import('./run-app.mjs').then((m) => m.runApp('demo')),
  start: () => import('./run-app.mjs').then((m) => m.runApp('own')),
  dev: () => import('./dev.mjs').then((m) => m.dev()),
  test: () => import('./test.mjs').then((m) => m.test()),
  bench: () => import('./bench.mjs').then((m) => m.bench()),
  screenshots: () => import('./screenshots.mjs').then((m) => m.screenshots()),
  docs: () => import('./docs.mjs').then((m) => m.docs()),
};

const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
if (major < LEAST_NODE[0] || (major === LEAST_NODE[0] && minor < LEAST_NODE[1])) {
  stopWith(
    `Nailwort needs Node ${LEAST_NODE.join('.')} or newer; this is ${process.versions.node}. Install a newer Node and run the command again.`,
  );
}
const command = process.argv[2] ?? '';
if (!Object.hasOwn(COMMANDS, command)) {
  stopWith(`Unknown command "${command}". Use one of: ${Object.keys(COMMANDS).join(', ')}.`);
}
process.chdir(new URL('..', import.meta.url).pathname);
try {
  await ensureInstalled();
  await COMMANDS[command]();
} catch (error) {
  say('');
  stopWith(error instanceof Error ? error.message : String(error));
}
