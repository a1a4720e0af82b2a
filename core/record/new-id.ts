import { v5, v7 } from 'uuid';

/** Gives a number in [0, 1). `Math.random` fits; tests and the demo pass a seeded one. */
export type Random = () => number;

/**
 * A UUID of version 7 (RFC 9562 §5.7): 48 bits of milliseconds, then random bits.
 * Sorts by time of making, which keeps database pages in order.
 */
export function newId(nowMs: number, random: Random): string {
  const bits = new DataView(new ArrayBuffer(16));
  for (let at = 0; at < bits.byteLength; at += 4) {
    bits.setUint32(at, Math.floor(random() * 2 ** 32));
  }
  return v7({ msecs: Math.floor(nowMs), random: new Uint8Array(bits.buffer) });
}

/** The space of names that `idOfName` makes identities of. Drawn once; never changed. */
const NAMES = '0f6d3f0e-5c58-4d1e-9a53-6f2b7c1e8d40';

/** The same identity for the same name, on every device (UUID version 5, RFC 9562 §5.5). */
export function idOfName(name: string): string {
  return v5(name, NAMES);
}

/** Small seeded generator (mulberry32, public domain), for repeatable demo data and draws. */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}
