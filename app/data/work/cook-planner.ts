import { Injectable, inject } from '@angular/core';
import {
  learnedFrom,
  isPressureCooker,
  planCook,
  planLoad,
  type Appliance,
  type CookPlan,
  type CookWish,
  type Learned,
  type LoadPlan,
  type LoadWish,
} from '../../../core/index';
import { HouseStore } from '../store/house-store';
import { KeptByHouse } from '../store/kept-by-house';
import { MeasuredHolds } from './measured-holds';

/**
 * Plans a cook for the Desk, the sheet, the day and the Stove alike: with what this cooker has shown, and with the hold
 * that measuring in such vessels asks for, where there is one and none was chosen. Reads signals.
 */
@Injectable({ providedIn: 'root' })
export class CookPlanner {
  private readonly store = inject(HouseStore);
  private readonly measured = inject(MeasuredHolds);
  private readonly shown = new KeptByHouse<Learned>();

  /** @throws CoreError as `planCook` */
  plan(wish: CookWish): CookPlan {
    const learned = this.learned(wish.appliance);
    const plan = planCook({ ...wish, learned });
    // What was measured is about F0, which nothing is held for in open steam.
    const isGoverned = !plan.isHoldChosen && isPressureCooker(wish.appliance);
    const hold = isGoverned ? this.measured.of(plan, wish.house.roomC) : undefined;
    return typeof hold === 'number' ? planCook({ ...wish, learned, measuredHoldMinutes: hold }) : plan;
  }

  /**
   * The same of a load of several kinds of vessel.
   * @throws CoreError as `planCook`
   */
  planLoad(wish: LoadWish, house: CookWish['house']): LoadPlan {
    return planLoad(wish, (one) => this.plan({ ...one, house }));
  }

  /** What a cooker has shown of itself: not looked for at each key that is pressed. */
  learned(appliance: Appliance): Learned | undefined {
    const house = this.store.house();
    return house && this.shown.of(house, appliance.id, () => learnedFrom(house.cooks, appliance));
  }
}
