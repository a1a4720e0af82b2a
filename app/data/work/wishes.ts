import { Injectable, computed, inject } from '@angular/core';
import { addDays, parseISO } from 'date-fns';
import { USUAL_WEEK, type AgreedPlan, type Supper, type WeekPattern, type Wish } from '../../../core/index';
import { atMinute, dateOf } from '../clock/local-days';
import { SteadyClock } from '../clock/steady-clock';
import { Definitions } from '../journal/definitions';
import { HouseStore } from '../store/house-store';

/** What is wanted on a day is wanted by so late: in time for the stove. Our choice. */
const WANTED_BY_MINUTE = 17 * 60;
/** What was cut keeps a week in the fridge. Common practice, no source. */
const USUAL_COLD_DAYS = 7;
/** Wishes of every day for half a year are as many. */
const MOST_TIMES = 190;

/** "Likely" is 8 times in 10. */
const CERTAINTY: Readonly<Record<NonNullable<Wish['certainty']>, number>> = { likely: 0.8, even: 0.5 };

/** A wish as it is told; the rest is as usual. */
export type NewWish = Omit<Wish, 'id' | 'schemaVersion' | 'updatedAt'>;

/** What is wanted and when, and when there is time for it. */
@Injectable({ providedIn: 'root' })
export class Wishes {
  private readonly store = inject(HouseStore);
  private readonly definitions = inject(Definitions);
  private readonly clock = inject(SteadyClock);

  readonly rows = computed<readonly Wish[]>(() =>
    (this.store.house()?.records.wishes ?? [])
      .filter((w) => w.isGone !== true)
      .sort((a, b) => a.on.localeCompare(b.on) || a.id.localeCompare(b.id)),
  );
  readonly week = computed<WeekPattern>(() => this.store.household()?.freeTime ?? USUAL_WEEK);

  /** @returns whether it was kept */
  add(wish: NewWish): Promise<boolean> {
    const updatedAt = new Date(this.clock.now()).toISOString();
    return this.definitions.add('wishes', { ...wish, id: crypto.randomUUID(), schemaVersion: 1, updatedAt });
  }

  change(id: string, change: Partial<NewWish>): Promise<boolean> {
    return this.definitions.change('wishes', id, change);
  }

  /** Keeps what was agreed to for days of a wish, in place of what was agreed to for them before; days that are over go. */
  agree(wish: Wish, plans: readonly AgreedPlan[]): Promise<boolean> {
    const today = dateOf(this.clock.now());
    const others = (wish.agreed ?? []).filter((a) => plans.every((p) => p.on !== a.on));
    const agreed = [...others, ...plans]
      .filter((a) => a.on >= today)
      .sort((a, b) => a.on.localeCompare(b.on));
    return this.change(wish.id, { agreed });
  }

  setWeek(freeTime: WeekPattern): Promise<boolean> {
    return this.definitions.change('household', 'household', { freeTime });
  }
}

/** The wish and the day that a supper is for. */
export function wishAndDayOf({ key }: Pick<Supper, 'key'>): { readonly wishId: string; readonly on: string } {
  const [wishId = '', on = ''] = key.split(' ');
  return { wishId, on };
}

/** The single times at which a wish is to be met, from a moment on. */
export function suppersOf(wish: Wish, fromMs: number, toMs: number): readonly Supper[] {
  const times = wish.everyDays === undefined ? 1 : MOST_TIMES;
  return Array.from({ length: times }, (_, i) => addDays(parseISO(wish.on), i * (wish.everyDays ?? 0)))
    .map((day): Supper => {
      const date = dateOf(day.getTime());
      const settledForG = wish.agreed?.find((a) => a.on === date)?.massG;
      return {
        key: `${wish.id} ${date}`,
        speciesId: wish.speciesId,
        massG: settledForG ?? wish.massG,
        ...(settledForG !== undefined && { settledForG }),
        byMs: atMinute(date, WANTED_BY_MINUTE),
        coldDays: wish.coldDays ?? USUAL_COLD_DAYS,
        certainty: CERTAINTY[wish.certainty ?? 'likely'],
        ...(wish.isolateId !== undefined && { isolateId: wish.isolateId }),
        ...(wish.formulaId !== undefined && { formulaId: wish.formulaId }),
        ...(wish.vesselId !== undefined && { vesselId: wish.vesselId }),
      };
    })
    .filter((s) => s.byMs > fromMs && s.byMs <= toMs);
}
