import { TestBed } from '@angular/core/testing';
import { expose } from 'comlink';
import { ArchiveWorker } from './archive-client';
import type { ArchiveApi, Progress, WriteWish } from './archive-protocol';

const WISH: WriteWish = { database: 'of-a-spec', madeUp: false, writtenAt: '2026-03-02T12:00:00Z', set: 's' };

/** Lets a message reach the other end of its channel, and an answer come back. */
const aWhile = () =>
  new Promise((resolve) => {
    setTimeout(resolve, 50);
  });

describe('The archive worker, as the page has it', () => {
  let tell: Progress;

  beforeEach(() => {
    const { port1, port2 } = new MessageChannel();
    const api: Pick<ArchiveApi, 'write'> = {
      write: async (_wish, onProgress) => {
        tell = onProgress;
        await onProgress(0.5);
        return { ok: true, value: [] };
      },
    };
    expose(api, port2);
    spyOn(window, 'Worker').and.returnValue(
      Object.assign(port1, { onerror: null, terminate: () => undefined }) as unknown as Worker,
    );
  });

  it('passes on how far the work is, and nothing more once it has answered', async () => {
    const told: number[] = [];
    await TestBed.inject(ArchiveWorker).write(WISH, (share) => told.push(share));
    expect(told).toEqual([0.5]);
    // Progress has a channel of its own: what was told last may arrive after the answer.
    void tell(1);
    await aWhile();
    expect(told).toEqual([0.5]);
  });
});
