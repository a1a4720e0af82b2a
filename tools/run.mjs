import { spawn } from 'node:child_process';

/**
 * Runs a program to its end. Output goes to this terminal, or is gathered when `quiet`.
 * A signal to this process reaches the child, since both share the terminal's group.
 *
 * @returns {Promise<{ code: number, output: string }>}
 */
export function run(program, args, { quiet = false, env = process.env } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, { stdio: ['ignore', 'pipe', 'pipe'], env });
    let output = '';
    const take = (stream) => (chunk) => {
      output += chunk;
      if (!quiet) {
        stream.write(chunk);
      }
    };
    child.stdout.on('data', take(process.stdout));
    child.stderr.on('data', take(process.stderr));
    child.on('error', reject);
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

/** Runs a package's program with this very Node. */
export function runBin(file, args, options) {
  return run(process.execPath, [`node_modules/${file}`, ...args], options);
}
