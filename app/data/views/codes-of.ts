import type { CookView, House } from '../../../core/index';

/** Codes of the batches in a cook, for their plaques. */
export function codesOf(cook: CookView | undefined, house: House | undefined): readonly string[] {
  return (cook?.batches ?? []).flatMap((id) => house?.batchById.get(id)?.code ?? []);
}
