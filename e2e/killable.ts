import { chromium, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const CHROMIUM = process.env['CHROME_BIN'] ?? '/usr/bin/chromium';
const START_MS = 20_000;

/** A browser with a profile on the disk, which can be killed in the middle of anything and started again. */
export class Killable {
  private process: ChildProcess | undefined;

  private constructor(private readonly profile: string) {}

  static async make(): Promise<Killable> {
    return new Killable(await mkdtemp(join(tmpdir(), 'nailwort-profile-')));
  }

  /** Starts the browser on its profile. @returns its page */
  async start(): Promise<Page> {
    const browser = spawn(
      CHROMIUM,
      [
        '--headless=new',
        '--no-sandbox',
        '--disable-gpu',
        '--no-first-run',
        '--remote-debugging-port=0',
        `--user-data-dir=${this.profile}`,
        'about:blank',
      ],
      { detached: true, stdio: ['ignore', 'ignore', 'pipe'] },
    );
    this.process = browser;
    const address = await new Promise<string>((resolve, reject) => {
      let text = '';
      const late = setTimeout(() => {
        reject(new Error(`The browser did not start: ${text.slice(-300)}`));
      }, START_MS);
      browser.stderr.on('data', (chunk: Buffer) => {
        text += chunk.toString();
        const found = /DevTools listening on (ws:\S+)/.exec(text)?.[1];
        if (found !== undefined) {
          clearTimeout(late);
          resolve(found);
        }
      });
    });
    const connected = await chromium.connectOverCDP(address);
    const context = connected.contexts()[0]!;
    return context.pages()[0] ?? context.newPage();
  }

  /** As a power cut would: no process of it gets to finish anything. */
  async kill(): Promise<void> {
    const browser = this.process;
    this.process = undefined;
    if (browser?.pid === undefined || browser.exitCode !== null) {
      return;
    }
    const ended = new Promise((resolve) => browser.once('exit', resolve));
    process.kill(-browser.pid, 'SIGKILL');
    await ended;
  }

  async remove(): Promise<void> {
    await this.kill();
    await rm(this.profile, { recursive: true, force: true, maxRetries: 5 });
  }
}
