import { existsSync } from 'node:fs';
import { run } from './run.mjs';
import { say } from './say.mjs';

const DEBIAN_CHROMIUM = '/usr/bin/chromium';

/** Path of a Chromium for the browser tests; fetched through Debian's package manager when this user may. */
export async function ensureChromium() {
  const chosen = process.env.CHROME_BIN;
  if (chosen) {
    if (!existsSync(chosen)) {
      throw new Error(
        `CHROME_BIN names ${chosen}, which is not there. Correct it, or unset it to use ${DEBIAN_CHROMIUM}.`,
      );
    }
    return chosen;
  }
  if (!existsSync(DEBIAN_CHROMIUM)) {
    if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
      throw new Error(
        'The browser tests need Chromium. Install it ("sudo apt-get install chromium" on Debian), or set CHROME_BIN to one, and run again.',
      );
    }
    say('Fetching Chromium through apt-get …');
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    await run('apt-get', ['update'], { quiet: true, env });
    const { code, output } = await run('apt-get', ['install', '-y', '--no-install-recommends', 'chromium'], {
      quiet: true,
      env,
    });
    if (code !== 0) {
      throw new Error(`apt-get could not install chromium: ${output.trim().split('\n').at(-1)}`);
    }
  }
  process.env.CHROME_BIN = DEBIAN_CHROMIUM;
  return DEBIAN_CHROMIUM;
}
