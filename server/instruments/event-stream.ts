import type { Response } from 'express';

const RETRY_MS = 3000;
/** A comment line now and then, so that proxies and browsers do not think the line dead. */
const HEARTBEAT_MS = 15_000;
/** A listener that does not take what is sent is let go of before this machine fills up with it. */
const MOST_WAITING_BYTES = 1_000_000;

/** Server-sent events of JSON lines, to one listener. */
export interface EventStream {
  send(data: unknown): void;
  /** Called once, when the listener has gone or the stream was closed. */
  onEnd(act: () => void): void;
  close(): void;
}

/** Streams that are open, of one kind, with an upper limit. */
export class Streams {
  private readonly open = new Set<EventStream>();

  constructor(private readonly most: number) {}

  get size(): number {
    return this.open.size;
  }

  /** Opens a stream; answers in plain words and gives nothing when there are too many. */
  begin(res: Response): EventStream | undefined {
    if (this.open.size >= this.most) {
      res
        .status(503)
        .type('text/plain')
        .send(`Too many listeners: at most ${this.most} at once. Close some tabs of Nailwort and try again.`);
      return undefined;
    }
    const stream = openStream(res);
    this.open.add(stream);
    stream.onEnd(() => this.open.delete(stream));
    return stream;
  }

  send(data: unknown): void {
    this.open.forEach((stream) => {
      stream.send(data);
    });
  }
}

function openStream(res: Response): EventStream {
  const ends: (() => void)[] = [];
  let open = true;
  res.status(200).set({
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-store, no-transform',
    'X-Accel-Buffering': 'no',
  });
  res.flushHeaders();
  const end = () => {
    if (open) {
      open = false;
      clearInterval(beat);
      ends.forEach((act) => {
        act();
      });
    }
  };
  const write = (text: string) => {
    if (!open) {
      return;
    }
    res.write(text);
    if (res.writableLength > MOST_WAITING_BYTES) {
      end();
      res.destroy();
    }
  };
  const beat = setInterval(() => {
    write(': still here\n\n');
  }, HEARTBEAT_MS);
  write(`retry: ${RETRY_MS}\n\n`);
  // The request closes as soon as the page leaves, the answer only once something is written to it.
  res.req.on('close', end);
  res.on('close', end);
  res.on('error', end);
  return {
    send: (data) => {
      write(`data: ${JSON.stringify(data)}\n\n`);
    },
    onEnd: (act) => ends.push(act),
    close: () => {
      end();
      res.end();
    },
  };
}
