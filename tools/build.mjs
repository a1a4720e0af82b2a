import { rmSync } from 'node:fs';
import { runBin } from './run.mjs';
import { say } from './say.mjs';
import { hashOf, stampIs, writeStamp } from './stamp.mjs';

const STAMP = 'dist/.stamp';
const SOURCES = [
  'app',
  'core',
  'server',
  'angular.json',
  'tsconfig.json',
  'tsconfig.app.json',
  'tsconfig.worker.json',
  'tsconfig.server.json',
  'package-lock.json',
];

/** Builds app and server when a source changed since the last build. */
export async function ensureBuilt() {
  const wanted = hashOf(SOURCES);
  if (stampIs(STAMP, wanted)) {
    return;
  }
  say('Building (half a minute) …');
  rmSync('dist', { recursive: true, force: true });
  await must('the server', 'typescript/bin/tsc', ['-p', 'tsconfig.server.json']);
  await must('the app', '@angular/cli/bin/ng.js', ['build']);
  writeStamp(STAMP, wanted);
}

async function must(what, bin, args) {
  const { code, output } = await runBin(bin, args, { quiet: true });
  if (code !== 0) {
    process.stderr.write(output);
    throw new Error(`Building ${what} failed; the reason stands above.`);
  }
}
