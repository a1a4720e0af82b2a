import { formOf, type CultureForm } from '../culture/form.js';
import type { VesselView } from '../house/derive/house.js';

/** What stands on a label. All of it is plain text from the records. */
export interface LabelContent {
  readonly code: string;
  /** Species and isolate; empty before the culture is in, when a line is left to write them on. */
  readonly species: string;
  /** What it is, and the one date that will not change. */
  readonly made: string;
  /** When and from what it was sown; empty as the species is. */
  readonly sown: string;
  readonly formula: string;
  /** Link that the QR opens. It names the vessel itself and not its code, which two devices may give twice. */
  readonly link: string;
}

const FORM_WORDS: Readonly<Record<CultureForm, string>> = {
  print: 'spore print',
  spores: 'spores',
  tissue: 'tissue',
  plate: 'plate',
  slant: 'slant',
  broth: 'liquid culture',
  grain: 'grain spawn',
  bulk: 'block',
};

/**
 * Labels for vessels. What changes later is never printed as if it stood: before a vessel is sown, its culture and the
 * day are left to be written.
 *
 * @param options.base address of this house, as "http://127.0.0.1:4310"
 * @param options.formatDate turns an ISO instant into a local date
 */
export function labelContent(
  vessel: VesselView,
  sources: readonly VesselView[],
  options: { readonly base: string; readonly formatDate: (iso: string) => string },
): LabelContent {
  const { batch, state, isolate, species } = vessel;
  const form = formOf(batch);
  const from = sources.map((s) => s.code).join(', ');
  const isSown = state.inoculatedAt !== undefined;
  const isCulture = isSown || batch.isolateId !== undefined;
  const madeAt = state.madeAt ?? batch.madeAt;
  return {
    code: vessel.code,
    species: isCulture ? [species?.name, isolate?.name].filter(Boolean).join(' ') : '',
    made: `${FORM_WORDS[form]}, ${batch.holds === undefined ? 'made' : 'came'} ${options.formatDate(madeAt)}`,
    sown:
      state.inoculatedAt === undefined
        ? isCulture && batch.origin?.from !== undefined
          ? `from ${batch.origin.from}`
          : ''
        : `${state.drawn === true ? 'drawn' : 'inoc.'} ${options.formatDate(state.inoculatedAt)} from ${from}`,
    formula: batch.formula?.name ?? batch.vessel.name,
    link: `${options.base}/v/${vessel.vessel.id}`,
  };
}
