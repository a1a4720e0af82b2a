import type { Trouble, TroublePart } from '../../../core/index';
import { messageOf } from './message-of';

const PART_WORDS: Readonly<Record<TroublePart, string>> = {
  probeHeat: 'heat of the probe',
  cooling: 'cooling',
  forecast: 'forecast',
  mix: 'mix',
};

/** What of a batch or a cook could not be worked out, and why. */
export function troubleWords({ of, code, part, cause }: Trouble): string {
  const whose = of === 'cook' ? `cook ${code}` : code;
  return `${whose}: its ${PART_WORDS[part]} cannot be worked out. ${messageOf(cause)}`;
}
