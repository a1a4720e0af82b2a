import { expect, test } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';

/** Starts a command of the bootstrap and waits until its output holds a text. */
function start(
  command: string,
  port: number,
  until: RegExp,
): Promise<{ child: ChildProcess; output: string }> {
  const child = spawn(process.execPath, ['tools/go.mjs', command], {
    env: { ...process.env, PORT: String(port) },
  });
  let output = '';
  return new Promise((resolve, reject) => {
    const take = (chunk: Buffer) => {
      output += chunk.toString();
      if (until.test(output)) {
        resolve({ child, output });
      }
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.on('error', reject);
  });
}

function end(child: ChildProcess, signal?: NodeJS.Signals): Promise<number | null> {
  return new Promise((resolve) => {
    if (child.exitCode !== null) {
      resolve(child.exitCode);
      return;
    }
    child.on('close', resolve);
    if (signal !== undefined) {
      child.kill(signal);
    }
  });
}

test('the demo prints its address, serves it, says when the port is taken, and ends cleanly', async ({
  page,
}) => {
  const port = 4397;
  const { child, output } = await start('demo', port, /Ctrl-C/);
  expect(output).toContain(`Nailwort, the made-up household: http://127.0.0.1:${port}/demo/`);
  await page.goto(`http://127.0.0.1:${port}/demo/`);
  await expect(page.getByText('Made up.')).toBeVisible();

  const second = await start('start', port, /PORT=/);
  expect(second.output.trim()).toBe(
    `Port ${port} is taken. Stop the other program, or choose another: PORT=${port + 1} npm run demo. (Each port has its own database.)`,
  );
  expect(await end(second.child)).toBe(1);

  expect(await end(child, 'SIGINT')).toBe(0);
  const third = await start('start', port, /Ctrl-C/);
  expect(third.output).toContain(`Nailwort, your own house: http://127.0.0.1:${port}/`);
  expect(await end(third.child, 'SIGTERM')).toBe(0);
});

test('the built server by itself says in one line that its port is taken', async () => {
  const port = 4395;
  const { child } = await start('start', port, /Ctrl-C/);
  const alone = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: String(port) },
  });
  let said = '';
  alone.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  expect(await end(alone)).toBe(1);
  expect(said.trim()).toBe(
    `Port ${port} is taken. Stop the other program, or choose another: PORT=${port + 1}. (Each port has its own database.)`,
  );
  await end(child, 'SIGTERM');
});
