import { formOf, type CultureForm } from '../culture/form.js';
import type { VesselView } from '../house/derive/house.js';

/** What stands on a label. All of it is plain text from the records. */
export interface LabelContent {
  readonly code: string;
  readonly species: string;
  readonly stage: string;
  readonly date: string;
  readonly source: string;
  readonly formula: string;
  /** Link that the QR opens. It names the vessel itself and not its code, which two devices may give twice. */
  readonly link: string;
}

const FORM_WORDS: Readonly<Record<CultureForm, string>> = {
  print: 'spore print',
  spores: 'spores',
  tissue: 'tissue',
  plate: 'agar',
  slant: 'slant',
  broth: 'liquid culture',
  grain: 'grain spawn',
  bulk: 'block',
};

/**
 * Labels for vessels, inoculated or not.
 *
 * @param options.base address of this house, as "http://127.0.0.1:4310"
 * @param options.formatDate turns an ISO instant into a local date
 */
export function labelContent(
  vessel: VesselView,
  sources: readonly VesselView[],
  options: { readonly base: string; readonly formatDate: (iso: string) => string },
): LabelContent {
  const { batch, state } = vessel;
  const isolate = vessel.isolate === undefined ? '' : ` ${vessel.isolate.name}`;
  return {
    code: vessel.code,
    species: vessel.species === undefined ? 'not inoculated' : `${vessel.species.name}${isolate}`,
    stage: FORM_WORDS[formOf(batch)],
    date: options.formatDate(state.inoculatedAt ?? state.madeAt ?? batch.madeAt),
    source: sources.map((s) => s.code).join(', ') || vessel.batchCode,
    formula: batch.formula?.name ?? batch.vessel.name,
    link: `${options.base}/v/${vessel.vessel.id}`,
  };
}
