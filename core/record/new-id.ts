/** Gives a number in [0, 1). `Math.random` fits; tests and the demo pass a seeded one. */
export type Random = () => number;

/**
 * A UUID of version 7 (RFC 9562 §5.7): 48 bits of milliseconds, then random bits.
 * Sorts by time of making, which keeps database pages in order.
 */
export function newId(nowMs: number, random: Random): string {
  const time = Math.floor(nowMs).toString(16).padStart(12, '0');
  const bits = (count: number) => Math.floor(random() * 2 ** count);
  const hex = (value: number, length: number) => value.toString(16).padStart(length, '0');
  const randA = hex(0x7000 | bits(12), 4);
  const randB = hex(0x8000 | bits(14), 4);
  return `${time.slice(0, 8)}-${time.slice(8)}-${randA}-${randB}-${hex(bits(24), 6)}${hex(bits(24), 6)}`;
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
