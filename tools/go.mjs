// The door to every command. Imports node: modules only, so that it runs on a clone without node_modules.
import { nodeProblem } from './node-version.mjs';
import { portFrom } from './port.mjs';

const COMMANDS = {
  demo: () => import('./run-app.mjs').then((m) => m.runApp('demo')),
  start: () => import('./run-app.mjs').then((m) => m.runApp('own')),
  dev: () => import('./dev.mjs').then((m) => m.dev()),
  test: () => import('./test.mjs').then((m) => m.test()),
  soak: () => import('./soak.mjs').then((m) => m.soak()),
  bench: () => import('./bench.mjs').then((m) => m.bench()),
  'bench-large': () => import('./bench-large.mjs').then((m) => m.benchLarge()),
  screenshots: () => import('./screenshots.mjs').then((m) => m.screenshots()),
  mutants: () => import('./mutants.mjs').then((m) => m.mutants()),
  docs: () => import('./docs.mjs').then((m) => m.docs()),
};

function stopWith(line) {
  process.stderr.write(line + '\n');
  process.exit(1);
}

const problem = nodeProblem(process.versions.node);
if (problem) {
  stopWith(problem);
}
const command = COMMANDS[process.argv[2]];
if (!command) {
  stopWith(`Unknown command "${process.argv[2] || ''}". Use one of: ${Object.keys(COMMANDS).join(', ')}.`);
}
try {
  // Before minutes are spent on installing.
  portFrom(process.env.PORT);
} catch (error) {
  stopWith(error.message);
}
process.chdir(new URL('..', import.meta.url).pathname);
import('./install.mjs')
  .then((m) => m.ensureInstalled())
  .then(command)
  .catch((error) => stopWith(error instanceof Error ? error.message : String(error)));
