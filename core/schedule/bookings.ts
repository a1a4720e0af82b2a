import type { Slot, Use } from './task.js';

/** A share of something that is taken over a time, by whom. */
export interface Booking extends Slot, Use {
  readonly by: string;
}

/** Sums of shares fall short of a whole by less. */
const ROUNDING = 1e-9;

/** Who takes what, and when. */
export class Bookings {
  /** By what is taken, in order of beginning. */
  private readonly byUse = new Map<string, Booking[]>();

  add(booking: Booking): void {
    const list = this.byUse.get(booking.of) ?? [];
    this.byUse.set(booking.of, list);
    const at = list.findIndex((b) => b.startMs > booking.startMs);
    list.splice(at < 0 ? list.length : at, 0, booking);
  }

  get all(): readonly Booking[] {
    return [...this.byUse.values()].flat();
  }

  /** Takes back all that one has taken. */
  release(by: string): void {
    for (const [of, list] of this.byUse) {
      if (list.some((b) => b.by === by)) {
        this.byUse.set(
          of,
          list.filter((b) => b.by !== by),
        );
      }
    }
  }

  /** Bookings that overlap a time with some of whatever is asked for. */
  during({ startMs, endMs }: Slot, of: string): readonly Booking[] {
    const found: Booking[] = [];
    for (const booking of this.byUse.get(of) ?? []) {
      if (booking.startMs >= endMs) {
        break;
      }
      if (booking.endMs > startMs) {
        found.push(booking);
      }
    }
    return found;
  }

  /** Bookings that leave too little of something over a time: none where it can be taken. */
  against(slot: Slot, { of, share }: Use): readonly Booking[] {
    const taken = this.during(slot, of);
    // Most is taken where one begins, or at the beginning of what is asked for.
    const isTooMuch = [slot.startMs, ...taken.map((b) => Math.max(b.startMs, slot.startMs))].some(
      (atMs) => sharesAt(taken, atMs) + share > 1 + ROUNDING,
    );
    return isTooMuch ? taken : [];
  }

  /** Whether there is enough for all that is asked for, each beside the others. */
  isRoomFor(asked: readonly (Slot & Use)[]): boolean {
    return asked.every((one) => {
      const beside = [...this.during(one, one.of), ...asked.filter((a) => a.of === one.of)];
      return beside.every(({ startMs }) => {
        const atMs = Math.max(startMs, one.startMs);
        return atMs >= one.endMs || sharesAt(beside, atMs) <= 1 + ROUNDING;
      });
    });
  }
}

function sharesAt(taken: readonly (Slot & Use)[], atMs: number): number {
  return taken.reduce((sum, b) => (b.startMs <= atMs && b.endMs > atMs ? sum + b.share : sum), 0);
}
