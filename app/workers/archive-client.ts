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
    return this.ask((api) => api.write(wish, proxy(onProgress)));
  }

  writeCsv(wish: CsvWish, onProgress: Progress): Promise<Blob> {
    return this.ask((api) => api.writeCsv(wish, proxy(onProgress)));
  }

  bring(wish: BringWish, onProgress: Progress): Promise<BringAnswer> {
    return this.ask((api) => api.bring(wish, proxy(onProgress)));
  }

  /** Asks the work to end at the next whole step. */
  stop(): void {
    void this.running?.stop();
  }

  private ask<T>(call: (api: Remote<ArchiveApi>) => Promise<Answer<T>>): Promise<T> {
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
    const answered = call(api).then((answer) => {
      if (answer.ok) {
        return answer.value;
      }
      throw new Error(answer.message);
    });
    return Promise.race([answered, crashed]).finally(() => {
      this.running = undefined;
      this.busy.set(false);
      worker.terminate();
    });
  }
}
