import { leadWords } from '../../../core/base/wording';
import { measureWords } from './measure-words';

/** "200 g brown rice, 2 g gypsum, 120 g water.": what one of so many jars gets when all is measured into each. */
export function eachJarWords(
  parts: readonly { readonly name: string; readonly massG: number }[],
  waterG: number,
  jars: number,
): string {
  const each = [...parts, { name: 'water', massG: waterG }].map(
    ({ name, massG }) => `${measureWords(massG / jars, 'g', massG / jars < 20 ? 1 : 0)} ${leadWords(name)}`,
  );
  return `${each.join(', ')}.`;
}
