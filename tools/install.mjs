import { run } from './run.mjs';
import { say } from './say.mjs';
import { hashOf, stampIs, writeStamp } from './stamp.mjs';

const STAMP = 'node_modules/.nailwort-stamp';

/** Installs the packages when there are none or when the lock file changed. */
export async function ensureInstalled() {
  const wanted = hashOf(['package-lock.json']);
  if (stampIs(STAMP, wanted)) {
    return;
  }
  say('Installing the packages (a minute or two, once) …');
  const npm = process.env.npm_execpath;
  const args = ['ci', '--no-audit', '--no-fund', '--loglevel=error'];
  // Settings of the outer npm run would be taken for settings of this one.
  const env = Object.fromEntries(
    Object.entries(process.env).filter(([k]) => !/^npm_(lifecycle|package|command)/.test(k)),
  );
  const { code, output } = npm
    ? await run(process.execPath, [npm, ...args], { quiet: true, env })
    : await run('npm', args, { quiet: true, env });
  if (code !== 0) {
    throw new Error(explain(output));
  }
  writeStamp(STAMP, wanted);
}

/** One line from npm's many. */
export function explain(output) {
  if (/EUSAGE/.test(output)) {
    return 'package-lock.json does not fit package.json. Run "npm install" once, then this command again.';
  }
  if (/ENOTFOUND|ETIMEDOUT|ECONNREFUSED|ECONNRESET|EAI_AGAIN/.test(output)) {
    return 'The packages could not be fetched: no connection to the package registry. Check the network, then run this command again.';
  }
  if (/ENOSPC/.test(output)) {
    return 'The disk is full. Free some space (about 1 GB), then run this command again.';
  }
  const last =
    output
      .trim()
      .split('\n')
      .findLast((line) => /error/i.test(line)) ??
    output.trim().split('\n').at(-1) ??
    '';
  return `The packages could not be installed: ${last.slice(0, 200)}. Try "npm ci" by hand to see all of it.`;
}
