import type { House } from '../../core/index';
import type { Choice } from './form/choice-field';

/** Every species of a house by both of its names. */
export function speciesChoices(house: House | undefined): readonly Choice[] {
  return (house?.records.species ?? []).map(({ id, name, latin }) => ({
    value: id,
    words: `${name} (${latin})`,
  }));
}
