import {
  MINUTE_MS,
  heldMs,
  holdLeftMinutes,
  isOpenSteam,
  type CookStep,
  type CookView,
} from '../../../../core/index';
import { cookStepWords } from '../../../data/words/words';

/** What the large clock of a cook shows. */
export interface CookClock {
  /** Minutes to go, or gone by when `counts` says so. */
  readonly minutes: number;
  readonly counts: 'left' | 'gone';
  readonly at: string;
  readonly share?: number;
  /** The next deed in a word, for cards and the clock. */
  readonly next: string;
  readonly step?: CookStep;
  readonly dueMs?: number;
}

/** A cook's clock from the instants in its record; nothing here counts by itself. */
export function cookClock(view: CookView, nowMs: number): CookClock {
  const { cook, state } = view;
  // The clock's second may lie just before the instant that was noted.
  const since = Math.max(0, nowMs - (state.sinceMs ?? nowMs)) / MINUTE_MS;
  const due = (minutes: number) => (state.sinceMs ?? nowMs) + minutes * MINUTE_MS;
  switch (state.phase) {
    case 'heating':
      return {
        minutes: since,
        counts: 'gone',
        at: 'on the heat',
        next: 'Steam is steady',
        // Where nothing is shut its time begins with it.
        step: isOpenSteam(cook) ? 'atPressure' : 'steamSteady',
      };
    case 'venting':
      return {
        minutes: cook.ventMinutes - since,
        counts: 'left',
        at: 'of full steam',
        share: Math.min(1, since / cook.ventMinutes),
        next: cookStepWords('weightOn', cook),
        step: 'weightOn',
        dueMs: due(cook.ventMinutes),
      };
    case 'comingUp':
      return { minutes: since, counts: 'gone', at: 'coming up', next: 'At pressure', step: 'atPressure' };
    case 'holding': {
      const left = holdLeftMinutes(state, cook, nowMs);
      return {
        minutes: left,
        counts: 'left',
        at: '',
        share: Math.min(1, heldMs(state, nowMs) / MINUTE_MS / cook.holdMinutes),
        next: 'Heat off',
        step: 'heatOff',
        dueMs: nowMs + left * MINUTE_MS,
      };
    }
    case 'lost':
      return {
        minutes: since,
        counts: 'gone',
        at: isOpenSteam(cook) ? 'without steam' : 'below pressure',
        next: isOpenSteam(cook) ? 'Steam is steady again' : 'At pressure again',
        dueMs: state.sinceMs,
      };
    case 'cooling':
      return {
        minutes: cook.openAfterMinutes - since,
        counts: 'left',
        at: 'to leave it shut',
        share: Math.min(1, since / cook.openAfterMinutes),
        next: 'Open',
        step: 'open',
        dueMs: due(cook.openAfterMinutes),
      };
    default:
      return { minutes: 0, counts: 'left', at: '', next: 'Lid on', step: 'lidOn' };
  }
}
