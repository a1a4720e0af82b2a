import { Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import type { Records } from '../../core/index';
import type { ArchiveApi } from './archive.worker';

type Answer<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

/** Packs and unpacks archives off the page's thread; each call has a worker of its own, ended with the answer. */
@Injectable({ providedIn: 'root' })
export class ArchiveWorker {
  write(records: Records, writtenAt: string): Promise<Uint8Array> {
    return this.ask((api) => api.write(records, writtenAt));
  }

  parse(bytes: Uint8Array): Promise<Records> {
    return this.ask((api) => api.parse(bytes));
  }

  merge(a: Records, b: Records): Promise<{ readonly records: Records; readonly differences: number }> {
    return this.ask((api) => api.merge(a, b));
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
    const answered = call(wrap<ArchiveApi>(worker)).then((answer) => {
      if (answer.ok) {
        return answer.value;
      }
      throw new Error(answer.message);
    });
    return Promise.race([answered, crashed]).finally(() => {
      worker.terminate();
    });
  }
}
