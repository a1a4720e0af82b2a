import { DAY_MS, MINUTE_MS } from '../base/time.js';

/** When somebody is there: free for work, or awake and at home. */
export type Presence = 'free' | 'awake';

/** Something of which there is so much and no more: hands, a cooker, the room of a shelf. All of it is 1. */
export interface Use {
  readonly of: string;
  /** Share of it that is taken, 0 to 1. */
  readonly share: number;
}

/** A stretch of a task; its stretches follow each other without a gap. */
export interface TaskPart {
  readonly minutes: number;
  /** Within what it lies: hands are at it in free time, a cooker is watched while somebody is awake; any time if left out. */
  readonly within?: Presence;
  readonly uses: readonly Use[];
}

/** What a task waits for: its beginning lies so long after the end of that, at least. */
export interface Wait {
  readonly key: string;
  readonly ms: number;
  /** What stands somewhere meanwhile, from the end of that until this begins. */
  readonly stands?: readonly Use[];
  /** So long after the end of that it may begin at the latest; whatever comes between keeps no longer. */
  readonly mostMs?: number;
}

/** Something to do at a time that is looked for. */
export interface Task {
  readonly key: string;
  /** What it is done for; its tasks are placed together, and are late together. */
  readonly goal: string;
  readonly parts: readonly TaskPart[];
  readonly after: readonly Wait[];
  /** What it needs is there from then on, ms. */
  readonly fromMs?: number;
  /** It is wanted within this time, and later where the goal is late. */
  readonly due?: { readonly fromMs: number; readonly byMs: number };
  /** Tasks of one kind are done together where all of them fit: one cook for two batches. */
  readonly together?: { readonly kind: string; readonly share: number };
}

/** What follows within so long, and may follow at once, belongs to what it follows. Our choice. */
const AT_ONCE_MS = DAY_MS;

/** Whether a wait is none: what is filled goes into the cooker, on the same day. */
export function isAtOnce({ ms, mostMs = Infinity }: Pick<Wait, 'ms' | 'mostMs'>): boolean {
  return ms === 0 && mostMs < AT_ONCE_MS;
}

/** When a task begins and ends, ms. */
export interface Slot {
  readonly startMs: number;
  readonly endMs: number;
}

export function lengthMs({ parts }: Pick<Task, 'parts'>): number {
  return parts.reduce((sum, part) => sum + part.minutes, 0) * MINUTE_MS;
}

/** The parts of a task that begins at a moment, each with its slot. */
export function partSlots(
  { parts }: Pick<Task, 'parts'>,
  startMs: number,
): readonly (Slot & { readonly part: TaskPart })[] {
  let atMs = startMs;
  return parts.map((part) => {
    const slot = { part, startMs: atMs, endMs: atMs + part.minutes * MINUTE_MS };
    atMs = slot.endMs;
    return slot;
  });
}
