import { Injectable, inject } from '@angular/core';
import {
  learnedFrom,
  planCook,
  type CookPlan,
  type CookWish,
  type House,
  type Learned,
} from '../../../core/index';
import { HouseStore } from '../store/house-store';
import { MeasuredHolds } from './measured-holds';

/**
 * Plans a cook for the Desk, the sheet, the day and the Stove alike: with what this cooker has shown, and with the hold
 * that measuring in such vessels asks for, where there is one and none was chosen. Reads signals.
 */
@Injectable({ providedIn: 'root' })
export class CookPlanner {
  private readonly store = inject(HouseStore);
  private readonly measured = inject(MeasuredHolds);
  private readonly shown = new WeakMap<House, Map<string, Learned>>();

  /** @throws CoreError as `planCook` */
  plan(wish: CookWish): CookPlan {
    const learned = this.learned(wish.appliance.id);
    const plan = planCook({ ...wish, learned });
    const hold = plan.isHoldChosen ? undefined : this.measured.of(plan, wish.house.roomC);
    return typeof hold === 'number' ? planCook({ ...wish, learned, measuredHoldMinutes: hold }) : plan;
  }

  /** What a cooker has shown of itself: not looked for at each key that is pressed. */
  private learned(applianceId: string): Learned | undefined {
    const house = this.store.house();
    if (house === undefined) {
      return undefined;
    }
    const ofHouse = this.shown.get(house) ?? new Map<string, Learned>();
    this.shown.set(house, ofHouse);
    const found = ofHouse.get(applianceId) ?? learnedFrom(house.cooks, applianceId);
    ofHouse.set(applianceId, found);
    return found;
  }
}
