import { runBin } from './run.mjs';

/** Writes docs/format from the schemas and docs/checks.md from the checks. */
export async function docs() {
  const { code } = await runBin('tsx/dist/cli.mjs', ['tools/write-docs.ts']);
  process.exitCode = code;
}
