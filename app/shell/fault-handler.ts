import { ErrorHandler, Injectable, inject } from '@angular/core';
import { messageOf } from '../data/words/message-of';
import { Notices } from '../data/store/notices';

/** A part of a page that fails says so, beside the rest that goes on; the console keeps where it was. */
@Injectable()
export class FaultHandler implements ErrorHandler {
  private readonly notices = inject(Notices);

  handleError(error: unknown): void {
    console.error(error);
    // Not from within the rendering that failed.
    queueMicrotask(() => {
      this.notices.show({
        text: `Something on this page failed: ${messageOf(error)}. What is saved is safe; other places work. Reload to try again.`,
        isKept: false,
        about: 'fault',
      });
    });
  }
}
