import { Injectable, signal } from '@angular/core';
import { proxy, wrap, type Remote } from 'comlink';
import type {
  Answer,
  ArchiveApi,
  BringAnswer,
  BringWish,
  CsvWish,
  Progress,
  WriteWish,
} from './archive-protocol';

/** Packs and unpacks archives off the page's thread; each call has a worker of its own, ended with the answer. */
@Injectable({ providedIn: 'root' })
export class ArchiveWorker {
  private running: Remote<ArchiveApi> | undefined;
  private readonly busy = signal(false);
  readonly isBusy = this.busy.asReadonly();

  write(wish: WriteWish, onProgress: Progress): Promise<readonly Blob[]> {
    return this.ask(onProgress, (api, told) => api.write(wish, told));
  }

  writeCsv(wish: CsvWish, onProgress: Progress): Promise<Blob> {
    return this.ask(onProgress, (api, told) => api.writeCsv(wish, told));
  }

  bring(wish: BringWish, onProgress: Progress): Promise<BringAnswer> {
    return this.ask(onProgress, (api, told) => api.bring(wish, told));
  }

  /** Asks the work to end at the next whole step. */
  stop(): void {
    void this.running?.stop();
  }

  private ask<T>(
    onProgress: Progress,
    call: (api: Remote<ArchiveApi>, told: Progress) => Promise<Answer<T>>,
  ): Promise<T> {
    const worker = new Worker(new URL('./archive.worker', import.meta.url), { type: 'module' });
    const crashed = new Promise<never>((_resolve, reject) => {
      worker.onerror = () => {
        reject(
          new Error(
            'The archive could not be worked on: the browser ended the work, perhaps for want of memory.',
          ),
        );
      };
    });
    const api = wrap<ArchiveApi>(worker);
    this.running = api;
    this.busy.set(true);
    let isOver = false;
    // Progress has a channel of its own, and what was told last on it may arrive after the answer.
    const told = proxy<Progress>((share) => {
      if (!isOver) {
        onProgress(share);
      }
    });
    const answered = call(api, told).then((answer) => {
      if (answer.ok) {
        return answer.value;
      }
      throw new Error(answer.message);
    });
    return Promise.race([answered, crashed]).finally(() => {
      isOver = true;
      this.running = undefined;
      this.busy.set(false);
      worker.terminate();
    });
  }
}
