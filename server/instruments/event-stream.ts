import type { Response } from 'express';

const RETRY_MS = 3000;
/** A comment line now and then, so that proxies and browsers do not think the line dead. */
const HEARTBEAT_MS = 15_000;

/** Server-sent events of JSON lines, to one listener. */
export interface EventStream {
  send(data: unknown): void;
  /** Called once, when the listener has gone or the stream was closed. */
  onEnd(act: () => void): void;
  close(): void;
}

export function openStream(res: Response): EventStream {
  const ends: (() => void)[] = [];
  let open = true;
  res.status(200).set({
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-store, no-transform',
    'X-Accel-Buffering': 'no',
  });
  res.flushHeaders();
  res.write(`retry: ${RETRY_MS}\n\n`);
  const beat = setInterval(() => res.write(': still here\n\n'), HEARTBEAT_MS);
  const end = () => {
    if (open) {
      open = false;
      clearInterval(beat);
      ends.forEach((act) => {
        act();
      });
    }
  };
  res.on('close', end);
  return {
    send: (data) => {
      if (open) {
        res.write(`data: ${JSON.stringify(data)}\n\n`);
      }
    },
    onEnd: (act) => ends.push(act),
    close: () => {
      end();
      res.end();
    },
  };
}
