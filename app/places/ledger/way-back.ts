import { ancestors, formOf, groupBy, isRevived, type House, type VesselView } from '../../../core/index';
import { CONTAMINANT_WORDS } from '../../data/words/words';
import { doseWords } from '../../data/words/measure-words';

export interface WayStep {
  readonly views: readonly VesselView[];
  readonly words: string;
}

/** The way back from a vessel to its culture, nearest first; vessels of one batch share a step. */
export function wayBack(start: VesselView, house: House): readonly WayStep[] {
  const views = ancestors(house.lineage, start.vessel.id).flatMap((id) => house.vesselById.get(id) ?? []);
  const byBatch = groupBy(views, (view) => view.batch.id);
  return [...byBatch.values()].map((own) => ({ views: own, words: wordsFor(own[0]!, house) }));
}

function wordsFor(view: VesselView, house: House): string {
  const { state, batch } = view;
  const what = batch.formula?.name ?? batch.vessel.name;
  const unit = state.doseUnit ?? 'ml';
  const dose = state.doseEach === undefined ? '' : `, given ${doseWords(state.doseEach, unit)}`;
  const sector = state.sector === undefined ? '' : `, ${state.sector} sector`;
  const revived = isRevived(view, house) ? ', revived from the fridge' : '';
  const trouble = state.suspect === undefined ? '' : `, ${CONTAMINANT_WORDS[state.suspect].word}`;
  const from = batch.origin?.from === undefined ? '' : `, from ${batch.origin.from}`;
  const spores = formOf(batch) === 'spores' || formOf(batch) === 'print' ? ', spores' : '';
  return `${what}${spores}${from}${dose}${sector}${revived}${trouble}`;
}
