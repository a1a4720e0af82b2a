import {
  editableFields,
  formatNumber,
  isCulture,
  type EditableField,
  type Fact,
  type House,
} from '../../../core/index';
import { fieldText, shownUnit } from '../../data/words/measure-words';
import {
  GROWTH_LOOK_WORDS,
  OPENING_WORDS,
  OUT_TO_WORDS,
  QUALITY_WORDS,
  SUSPECT_AT_WORDS,
  USE_WORDS,
  WETNESS_WORDS,
  SPAWN_LIES_WORDS,
} from '../../data/words/look-words';
import { CONTAMINANT_WORDS, FATE_WORDS } from '../../data/words/words';
import { readIn } from '../form/checked-by';
import type { Choice } from '../form/choice-field';

/** One blank of the form in which an entry gets another value. */
export interface ValueField {
  readonly field: string;
  readonly label: string;
  readonly kind: EditableField['kind'];
  readonly unit: string;
  readonly unitStays?: boolean;
  readonly shown: string;
  readonly options: readonly Choice[];
  /** Turns what was typed into the value to be kept. @throws CoreError */
  readonly read: (text: string) => unknown;
}

const LABELS: Readonly<Record<string, string>> = {
  massG: 'Mass',
  result: 'What it showed',
  volumeMl: 'What is left',
  ph: 'pH',
  drops: 'Drops since the reading before',
  layers: 'Layers of bags',
  between: 'Between the bags',
  leftMl: 'Water left',
  leftOverMl: 'Left over',
  amount: 'Burned',
  count: 'How many',
  celsius: 'Temperature',
  value: 'What it showed',
  sourceVesselIds: 'From',
  doseEach: 'Dose for each',
  fraction: 'Run',
  suspect: 'Suspected',
  suspectAt: 'Where in it',
  look: 'Look',
  wetness: 'Wetness',
  spawnLies: 'How it lies',
  how: 'Opened how',
  quality: 'How good',
  use: 'What it went to',
  dryG: 'Mass once dry',
  takenUpG: 'Water taken up',
  note: 'Note',
  place: 'Where to',
  reason: 'What became of it',
  to: 'Where it went',
};
const RESULTS: Readonly<Record<string, string>> = {
  dry: 'too dry',
  right: 'right',
  wet: 'too wet',
  apart: 'room for steam',
  touching: 'no gap',
};
const CHOICES: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  suspectAt: SUSPECT_AT_WORDS,
  spawnLies: SPAWN_LIES_WORDS,
  look: GROWTH_LOOK_WORDS,
  wetness: WETNESS_WORDS,
  how: OPENING_WORDS,
  quality: QUALITY_WORDS,
  use: USE_WORDS,
  reason: FATE_WORDS,
  to: OUT_TO_WORDS,
};
const NONE = '';

/** How spawn lies is told of what was weighed out alone. */
function isAskedOf(fact: Fact): (field: EditableField) => boolean {
  return ({ field }) => field !== 'spawnLies' || (fact.kind === 'inoculated' && fact.doseUnit === 'g');
}

/** What of an entry can be given another value, with what stands there now. */
export function valueFieldsOf(fact: Fact, house: House): readonly ValueField[] {
  return editableFields(fact.kind)
    .filter(isAskedOf(fact))
    .map((editable) => {
      const stored = (fact as unknown as Record<string, unknown>)[editable.field];
      const label = LABELS[editable.field] ?? editable.field;
      const common = { field: editable.field, label, kind: editable.kind, unit: '', options: [] };
      switch (editable.kind) {
        case 'number': {
          const times = editable.shownTimes ?? 1;
          const unit = editable.unit === '' && fact.kind === 'inoculated' ? fact.doseUnit : editable.unit;
          // Culture is read in the milliliters of a syringe everywhere.
          const isDose = fact.kind === 'inoculated' && unit === 'ml';
          return {
            ...common,
            unit,
            unitStays: isDose,
            shown:
              typeof stored === 'number'
                ? shownUnit(unit, isDose).sign === unit
                  ? formatNumber(stored * times, decimalsFor(stored * times)).replace(/\s/g, '')
                  : fieldText(stored, unit)
                : '',
            read: (text) => (text.trim() === '' ? undefined : readIn(text, { label }, unit, isDose) / times),
          };
        }
        case 'choice':
          return {
            ...common,
            shown: typeof stored === 'string' ? stored : NONE,
            options: [
              ...(editable.canBeNone === true ? [{ value: NONE, words: 'nothing' }] : []),
              ...editable.options.map((value) => ({ value, words: choiceWords(editable.field, value) })),
            ],
            read: (text) => (text === NONE ? undefined : text),
          };
        case 'text':
          return {
            ...common,
            shown: typeof stored === 'string' ? stored : '',
            read: (text) => (text.trim() === '' ? undefined : text.trim()),
          };
        case 'place':
          return {
            ...common,
            shown: String(stored),
            options: [...house.placeById.values()].map(({ id, name }) => ({ value: id, words: name })),
            read: (text) => text,
          };
        case 'sources': {
          const [first] = (stored as readonly string[] | undefined) ?? [];
          return {
            ...common,
            shown: first ?? '',
            options: sourceOptions(fact, house),
            read: (text) => [text],
          };
        }
      }
    });
}

/** As many decimals as the number has, at most two. */
function decimalsFor(value: number): number {
  return Number.isInteger(value) ? 0 : Number.isInteger(Math.round(value * 100) / 10) ? 1 : 2;
}

function choiceWords(field: string, value: string): string {
  if (field === 'suspect') {
    return CONTAMINANT_WORDS[value as keyof typeof CONTAMINANT_WORDS].word;
  }
  return CHOICES[field]?.[value] ?? RESULTS[value] ?? value;
}

/** Vessels that give in the unit of the dose, with what they are. */
function sourceOptions(fact: Fact, house: House): readonly Choice[] {
  const unit = fact.kind === 'inoculated' ? fact.doseUnit : 'ml';
  const named = new Set<string>(fact.kind === 'inoculated' ? fact.sourceVesselIds : []);
  return [...house.vesselById.values()]
    .filter(
      (v) =>
        named.has(v.vessel.id) ||
        (v.remainingUnit === unit && (unit === 'g' || isCulture(v)) && v.remaining > 0),
    )
    .map((v) => ({
      value: v.vessel.id,
      words: [v.code, v.species?.name, v.isolate?.name].filter(Boolean).join(' '),
    }));
}
