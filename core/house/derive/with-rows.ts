import type { NewRows } from './records-with.js';
import type { House } from './house.js';
import { HouseInMaking } from './house-in-making.js';

/**
 * The house with more rows. Pure; costs what the rows touch: views of other batches and cooks are the very same objects
 * as before. The order in which rows arrive does not matter.
 */
export function withRows(house: House, rows: NewRows): House {
  const making = new HouseInMaking(house);
  making.put(rows);
  return allOf(making.work());
}

function allOf<R>(steps: Generator<void, R>): R {
  for (;;) {
    const step = steps.next();
    if (step.done === true) {
      return step.value;
    }
  }
}
