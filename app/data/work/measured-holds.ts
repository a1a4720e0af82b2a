import { Injectable, inject, signal, untracked } from '@angular/core';
import { holdForChance, type CookPlan } from '../../../core/index';
import { Time } from '../clock/time';
import { HouseStore } from '../store/house-store';
import { KeptByHouse } from '../store/kept-by-house';
import { HeatService, NO_EVIDENCE, type Evidence } from './heat-service';

/** Once something was measured, the hold is the one that nine vessels in ten reach the target with. */
const WANTED_CHANCE = 0.9;
/** Answers kept; then all are let go. */
const MOST_KEPT = 60;

/** The hold that was found; none where no hold is enough. */
export type MeasuredHold = number | 'none';

/**
 * Holds that measuring asks for. They are reckoned in a worker; who reads one within a computation is told anew when it is
 * there, so that every place that plans a cook comes to the same minutes.
 */
@Injectable({ providedIn: 'root' })
export class MeasuredHolds {
  private readonly heat = inject(HeatService);
  private readonly store = inject(HouseStore);
  private readonly time = inject(Time);
  private readonly known = signal<ReadonlyMap<string, MeasuredHold>>(new Map());
  /** What the worker has not answered yet. */
  private readonly asked = new Set<string>();
  private readonly evidence = new KeptByHouse<Evidence>();

  /** For the vessels and the chamber of a plan, whatever its hold; undefined where nothing was measured or while it is reckoned. */
  of({ contents, startC, ...plan }: CookPlan, roomC: number): MeasuredHold | undefined {
    const evidence = this.evidenceOf(contents);
    if (evidence.measured.length === 0) {
      return undefined;
    }
    const { boilC, chamberC, comeUpMinutes, ventMinutes, coolingRate } = plan;
    const planned = { roomC, boilC, chamberC, comeUpMinutes, ventMinutes, coolingRate };
    const key = JSON.stringify([contents, startC, planned, evidence]);
    const found = this.known().get(key);
    if (found === undefined && !this.asked.has(key)) {
      this.asked.add(key);
      void this.heat.holds(key, contents, planned, startC, evidence).then((holds) => {
        this.asked.delete(key);
        if (holds !== undefined) {
          const hold = holdForChance(holds, WANTED_CHANCE) ?? 'none';
          this.known.update((known) => new Map(known.size < MOST_KEPT ? known : []).set(key, hold));
        }
      });
    }
    return found;
  }

  /** What is known of such vessels; the same while nothing was added. */
  evidenceOf(contents: CookPlan['contents']): Evidence {
    const house = this.store.house();
    const nowMs = untracked(() => this.time.now());
    return house === undefined
      ? NO_EVIDENCE
      : this.evidence.of(house, `${contents.vessel.id} ${contents.stage}`, () =>
          this.heat.evidence(house, contents, nowMs),
        );
  }
}
