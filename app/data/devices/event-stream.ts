import { Observable, defer, retry, timer } from 'rxjs';

const FIRST_WAIT_MS = 3000;
const LONGEST_WAIT_MS = 60_000;

/**
 * What an event stream of the server sends. When the line is lost it is asked for again, at first after three seconds,
 * then ever more seldom. The address is made anew each time: what was sent in between is not asked for.
 */
export function eventStream(address: () => string): Observable<string> {
  return defer(() => once(address())).pipe(
    retry({
      delay: (_, lost) => timer(Math.min(FIRST_WAIT_MS * 2 ** (lost - 1), LONGEST_WAIT_MS)),
      resetOnSuccess: true,
    }),
  );
}

function once(address: string): Observable<string> {
  return new Observable((subscriber) => {
    const source = new EventSource(address);
    source.onmessage = (event: MessageEvent<string>) => {
      subscriber.next(event.data);
    };
    source.onerror = () => {
      // Left alone, the browser would ask again for what was before.
      subscriber.error(new Error('the line to the instrument was lost'));
    };
    return () => {
      source.close();
    };
  });
}
