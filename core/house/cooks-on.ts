import type { CookView, House } from './derive/house.js';

/** A cook that is on its way: loaded, and not open yet. */
export function isOn(view: CookView): boolean {
  return view.state.phase !== 'opened' && view.state.phase !== 'ended';
}

export function cooksOn(house: House): readonly CookView[] {
  return house.cooks.filter(isOn);
}
