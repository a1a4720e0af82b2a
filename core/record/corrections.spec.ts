import fc from 'fast-check';
import {
  effectiveEntries,
  newId,
  seededRandom,
  sittingOf,
  type DeviceId,
  type Entry,
  type EntryId,
  type VesselId,
} from '../index.js';
import type { Said } from './entry.js';
import { MINUTE_MS, START_MS } from '../testing/sample-house.js';

const random = seededRandom(3);
const jar = newId(START_MS, random) as VesselId;
const [phone, laptop] = [newId(START_MS, random) as DeviceId, newId(START_MS, random) as DeviceId];

/** One device that writes, minute after minute. */
class Hand {
  readonly entries: Entry[] = [];
  private minute = 0;
  constructor(private readonly device: DeviceId) {}

  say(said: Said): Entry {
    const ms = START_MS + MINUTE_MS * this.minute++;
    const at = new Date(ms).toISOString();
    const entry = {
      at,
      ...said,
      id: newId(ms, random) as EntryId,
      schemaVersion: 1,
      notedAt: at,
      device: this.device,
    } as Entry;
    this.entries.push(entry);
    return entry;
  }

  look(fraction: number): Entry {
    return this.say({ kind: 'inspected', vesselIds: [jar], fraction });
  }

  /** As the interface walks back and forward. */
  undo(): void {
    sittingOf(this.entries, this.device).undo?.entries.forEach((e) =>
      this.say({ kind: 'takenBack', entryId: e.id, undo: true }),
    );
  }

  redo(): void {
    sittingOf(this.entries, this.device).redo?.entries.forEach((e) =>
      this.say({ kind: 'putBack', entryId: e.id, undo: true }),
    );
  }

  fractions(): (number | undefined)[] {
    return effectiveEntries(this.entries).map((f) => (f.kind === 'inspected' ? f.fraction : undefined));
  }
}

describe('walking back and forward', () => {
  it('goes back through one’s own deeds, and does not turn round at the second press', () => {
    const hand = new Hand(phone);
    [0.1, 0.2, 0.3].forEach((f) => hand.look(f));
    hand.undo();
    expect(hand.fractions()).toEqual([0.1, 0.2]);
    hand.undo();
    expect(hand.fractions()).toEqual([0.1]);
    hand.redo();
    hand.redo();
    expect(hand.fractions()).toEqual([0.1, 0.2, 0.3]);
    expect(sittingOf(hand.entries, phone).redo).toBeUndefined();
  });

  it('forgets what was walked back once something new is done', () => {
    const hand = new Hand(phone);
    hand.look(0.1);
    hand.undo();
    hand.look(0.5);
    expect(sittingOf(hand.entries, phone).redo).toBeUndefined();
    hand.undo();
    hand.undo();
    expect(hand.fractions()).toEqual([]);
  });

  it('leaves alone what another device wrote, and what was written in an earlier sitting', () => {
    const hand = new Hand(phone);
    hand.look(0.1);
    expect(sittingOf(hand.entries, laptop)).toEqual({});
    const early = new Date(START_MS - 9 * 3_600_000).toISOString();
    const before = { ...hand.entries[0]!, id: newId(1, random) as EntryId, at: early, notedAt: early };
    const { undo } = sittingOf([before, ...hand.entries], phone);
    expect(undo?.entries.map((e) => e.id)).toEqual([hand.entries[0]!.id]);
    // Left alone for eight hours to the moment, it is one sitting still.
    const eight = new Date(START_MS - 8 * 3_600_000).toISOString();
    const same = { ...before, at: eight, notedAt: eight };
    hand.undo();
    expect(sittingOf([before, ...hand.entries], phone).undo).toBeUndefined();
    expect(sittingOf([same, ...hand.entries], phone).undo?.entries.map((e) => e.id)).toEqual([same.id]);
  });

  it('undoes a correction that pointed at an older entry, and what one press wrote together', () => {
    const hand = new Hand(phone);
    const first = hand.look(0.1);
    hand.look(0.2);
    hand.say({ kind: 'takenBack', entryId: first.id });
    hand.say({ kind: 'revalued', entryId: hand.entries[1]!.id, fields: { fraction: 0.25 } });
    expect(hand.fractions()).toEqual([0.25]);
    hand.undo();
    hand.undo();
    expect(hand.fractions()).toEqual([0.1, 0.2]);
    const deedId = newId(2, random) as EntryId;
    hand.say({ kind: 'inspected', vesselIds: [jar], fraction: 0.8, deedId });
    hand.say({ kind: 'inspected', vesselIds: [jar], fraction: 0.9, deedId });
    hand.undo();
    expect(hand.fractions()).toEqual([0.1, 0.2]);
  });

  it('back and then forward is the identity, for any sequence of presses', () => {
    const press = fc.constantFrom('look', 'undo', 'redo', 'strike', 'value');
    fc.assert(
      fc.property(fc.array(press, { maxLength: 25 }), fc.nat({ max: 5 }), (presses, depth) => {
        const hand = new Hand(phone);
        presses.forEach((what, i) => {
          const [target] = effectiveEntries(hand.entries);
          if (what === 'undo') hand.undo();
          else if (what === 'redo') hand.redo();
          else if (what === 'look' || target === undefined) hand.look(i / 100);
          else if (what === 'strike') hand.say({ kind: 'takenBack', entryId: target.id });
          else hand.say({ kind: 'revalued', entryId: target.id, fields: { fraction: i / 100 } });
        });
        const before = effectiveEntries(hand.entries);
        let steps = 0;
        while (steps < depth && sittingOf(hand.entries, phone).undo !== undefined) {
          hand.undo();
          steps++;
        }
        for (let i = 0; i < steps; i++) {
          hand.redo();
        }
        expect(effectiveEntries(hand.entries)).toEqual(before);
      }),
      { numRuns: 150 },
    );
  });
});

describe('corrections', () => {
  it('give another value, keep when it was first noted, and never change what an entry is', () => {
    const hand = new Hand(phone);
    const look = hand.look(0.1);
    hand.say({
      kind: 'revalued',
      entryId: look.id,
      fields: { fraction: 0.4, kind: 'shaken', id: 'x', notedAt: 'never' },
    });
    expect(effectiveEntries(hand.entries)).toEqual([{ ...look, fraction: 0.4 } as never]);
    hand.say({ kind: 'revalued', entryId: look.id, fields: { fraction: 'lots' } });
    expect(effectiveEntries(hand.entries)[0]).toEqual(look as never);
  });

  it('can be taken back themselves, and a circle of them does no harm', () => {
    const hand = new Hand(phone);
    const look = hand.look(0.1);
    const strike = hand.say({ kind: 'takenBack', entryId: look.id });
    const regret = hand.say({ kind: 'takenBack', entryId: strike.id });
    expect(hand.fractions()).toEqual([0.1]);
    hand.say({ kind: 'takenBack', entryId: regret.id });
    expect(hand.fractions()).toEqual([]);
    const circle = { ...strike, entryId: regret.id };
    expect(effectiveEntries([look, circle, regret]).length).toBe(1);
  });

  it('of three devices give one result in any order of arrival', () => {
    const third = newId(4, random) as DeviceId;
    const history = fc.array(fc.tuple(fc.nat({ max: 2 }), fc.nat({ max: 4 }), fc.nat({ max: 30 })), {
      maxLength: 30,
    });
    fc.assert(
      fc.property(history, fc.infiniteStream(fc.nat({ max: 999 })), (presses, shuffle) => {
        const hands = [phone, laptop, third].map((d) => new Hand(d));
        const all: Entry[] = [];
        for (const [who, what, target] of presses) {
          const named = all[target % Math.max(1, all.length)];
          const hand = hands[who]!;
          if (what === 0 || named === undefined) all.push(hand.look(all.length / 100));
          else if (what === 1) all.push(hand.say({ kind: 'takenBack', entryId: named.id }));
          else if (what === 2) all.push(hand.say({ kind: 'putBack', entryId: named.id }));
          else if (what === 3) all.push(hand.say({ kind: 'retimed', entryId: named.id, actualAt: named.at }));
          else all.push(hand.say({ kind: 'revalued', entryId: named.id, fields: { fraction: 0.99 } }));
        }
        const [...keys] = all.map(() => shuffle.next().value as number);
        const shuffled = all.map((e, i) => [keys[i]!, e] as const).sort((a, b) => a[0] - b[0]);
        expect(effectiveEntries(shuffled.map(([, e]) => e))).toEqual(effectiveEntries(all));
      }),
      { numRuns: 200 },
    );
  });
});
