import { Tending, airTroubles, lastAtPlace, tendingDue, type House } from '../../../core/index';
import { shortTime } from '../../data/words/words';

const WORDS: Readonly<Record<Tending, string>> = { misted: 'Misted', fanned: 'Fanned' };

/** One deed for the air of a place: when it was done last, and whether it is asked for. */
export interface TendingButton {
  readonly how: Tending;
  readonly word: string;
  readonly last: string;
  readonly isDue: boolean;
}

export function tendingButtons(placeId: string, house: House, nowMs: number): readonly TendingButton[] {
  const last = lastAtPlace(house, placeId);
  const due = tendingDue(house, nowMs).filter((d) => d.placeId === placeId);
  const stale = airTroubles(house, nowMs).filter((t) => t.placeId === placeId);
  return Tending.options.map((how) => {
    const asked = due.find((d) => d.how === how);
    const at = last[how];
    const words = [
      at === undefined ? '' : `last ${shortTime(at, nowMs)}`,
      asked !== undefined && asked.atMs > nowMs ? `again ${shortTime(asked.atMs, nowMs)}` : '',
    ];
    return {
      how,
      word: WORDS[how],
      last: words.filter(Boolean).join(', '),
      isDue: (asked !== undefined && asked.atMs <= nowMs) || stale.some((t) => t.answer === how),
    };
  });
}
