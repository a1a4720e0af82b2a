import type { Batch } from '../record/batch.js';

/** What a vessel is to culture work, whatever it is held in. */
export type CultureForm = 'print' | 'spores' | 'tissue' | 'plate' | 'slant' | 'broth' | 'grain' | 'bulk';

/** Spores and tissue are where a culture begins; all else is mycelium already. */
export function isMycelium(form: CultureForm): boolean {
  return form !== 'print' && form !== 'spores' && form !== 'tissue';
}

/** Spores are a print until they stand in water; agar is a plate unless it stands slanted in a tube. */
export function formOf({ stage, vessel }: Pick<Batch, 'stage' | 'vessel'>): CultureForm {
  switch (stage) {
    case 'spores':
      return vessel.kind === 'print' ? 'print' : 'spores';
    case 'agar':
      return vessel.kind === 'slant' ? 'slant' : 'plate';
    case 'liquid':
      return 'broth';
    default:
      return stage;
  }
}
