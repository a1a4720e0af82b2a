import { ErrorHandler, Injectable, inject } from '@angular/core';
import { Notices } from '../data/store/notices';

/** A part of a page that fails says so, beside the rest that goes on; the console keeps where it was. */
@Injectable()
export class FaultHandler implements ErrorHandler {
  private readonly notices = inject(Notices);

  handleError(error: unknown): void {
    console.error(error);
    // Not from within the rendering that failed; and our words for refusals are not part of the first load.
    void import('../data/words/message-of').then(
      ({ messageOf }) => {
        this.say(messageOf(error));
      },
      () => {
        this.say(String(error));
      },
    );
  }

  private say(what: string): void {
    this.notices.show({
      text: `Something on this page failed: ${what}. What is saved is safe; other places work. Reload to try again.`,
      isKept: false,
      about: 'fault',
    });
  }
}
