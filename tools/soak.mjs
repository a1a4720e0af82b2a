import { ensureBuilt } from './build.mjs';
import { ensureChromium } from './chromium.mjs';
import { runBin } from './run.mjs';
import { say } from './say.mjs';

/** How many of each; less for a try: SOAK_KILLS=30 SOAK_ARCHIVES=500 SOAK_HISTORIES=500 npm run soak */
const KILLS = process.env.SOAK_KILLS ?? '500';

/** Hours of what `npm test` does for a minute: hostile archives, histories of three devices, plans of any houses, kills in mid-write. */
export async function soak() {
  await ensureChromium();
  const seed = process.env.SOAK_SEED ?? String(Date.now() % 1_000_000);
  say(`Seed ${seed}; the same again with SOAK_SEED=${seed}.`);
  const env = { ...process.env, SOAK_SEED: seed, SOAK_KILLS: KILLS };
  const records = await runBin('tsx/dist/cli.mjs', ['tools/soak-records.ts'], { env });
  await ensureBuilt();
  const kills = await runBin('@playwright/test/cli.js', ['test', 'killed', '--workers=1', '--retries=0'], {
    env,
  });
  const failed = [records, kills].filter(({ code }) => code !== 0).length;
  say(
    failed === 0
      ? 'Nothing was lost, and nothing was half there.'
      : `${failed} of 2 parts failed; see above.`,
  );
  process.exitCode = failed === 0 ? 0 : 1;
}
