import { TestBed } from '@angular/core/testing';
import {
  HOUR_MS,
  MINUTE_MS,
  makeCook,
  planCook,
  resolveFormula,
  scaleFormula,
  seededRandom,
  withSchool,
} from '../../core/index';
import { Journal } from '../data/journal/journal';
import { until, type SpecHouse } from './house';

/** Plates of one batch, cooked in bottles, their cook opened so long ago. */
export async function platesOutOfCooker(
  setup: SpecHouse,
  count: number,
  openedMinutesAgo = 40,
): Promise<void> {
  const { formulas, materials, vesselTypes, appliances } = setup.house().records;
  const formula = withSchool(
    resolveFormula(
      formulas.find((f) => f.stage === 'agar')!,
      materials,
    ),
  );
  const bottle = vesselTypes.find((v) => v.id === 'bottle-500')!;
  const vessel = vesselTypes.find((v) => v.kind === 'dish' && v.compartments === undefined)!;
  const scaled = scaleFormula(formula, { vessel, count, bottle, spare: 0.1 });
  const journal = TestBed.inject(Journal);
  const made = (await journal.makeBatch(formula, scaled))!;
  const plan = planCook({
    appliance: appliances[0]!,
    house: setup.house().household!,
    vessel: bottle,
    count: 1,
    vesselWetG: 250,
    stage: 'agar',
  });
  const ids = made.vessels.map((v) => v.id);
  const steps = ['lidOn', 'steamSteady', 'weightOn', 'atPressure', 'heatOff', 'open'] as const;
  const number = setup.house().cooks.length + 1;
  const openedMs = Date.now() - openedMinutesAgo * MINUTE_MS;
  const loadedMs = openedMs - steps.length * 10 * MINUTE_MS;
  // It was made before it was loaded.
  await setup.lay('entries', { ...made.entry, at: new Date(loadedMs - HOUR_MS).toISOString() });
  const { cook, entry } = makeCook(appliances[0]!, plan, 20, ids, number, {
    nowMs: loadedMs,
    random: seededRandom(4),
  });
  await setup.lay('cooks', cook);
  await setup.lay('entries', entry);
  await until(setup.store, (h) => h.cookById.has(cook.id));
  for (const [i, step] of steps.entries()) {
    const at = new Date(loadedMs + (i + 1) * 10 * MINUTE_MS).toISOString();
    await journal.say({ kind: 'cookStep', cookId: cook.id, step, at });
    await until(setup.store, (h) => h.cookById.get(cook.id)!.steps.at(-1)?.step === step);
  }
}
