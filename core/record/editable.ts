import {
  SpawnLies,
  Between,
  Contaminant,
  Fate,
  FlushQuality,
  FlushUse,
  GrowthLook,
  Opening,
  Tending,
  OutTo,
  SuspectAt,
  Wetness,
  type EntryKind,
} from './entry.js';

/** One field of an entry whose value a person may have got wrong. */
export type EditableField =
  | {
      readonly kind: 'number';
      readonly field: string;
      readonly unit: string;
      /** Shown value is the stored one times this: 100 for a fraction in per cent. */
      readonly shownTimes?: number;
      readonly whole?: boolean;
    }
  | {
      readonly kind: 'choice';
      readonly field: string;
      readonly options: readonly string[];
      readonly canBeNone?: boolean;
    }
  | { readonly kind: 'text'; readonly field: string }
  /** One of the places of the house. */
  | { readonly kind: 'place'; readonly field: 'place' }
  /** One or several vessels that fed. */
  | { readonly kind: 'sources'; readonly field: 'sourceVesselIds' };

const SQUEEZES = ['dry', 'right', 'wet'];

/**
 * What can be given another value, by kind of entry. Limits are the schema's, which reads the entry again; what an entry
 * is about (its batch, its vessels) cannot be changed: it is struck and noted anew.
 */
const EDITABLE: Partial<Record<EntryKind, readonly EditableField[]>> = {
  weighed: [{ kind: 'number', field: 'massG', unit: 'g' }],
  weighedOut: [{ kind: 'number', field: 'massG', unit: 'g' }],
  adjusted: [{ kind: 'number', field: 'massG', unit: 'g' }],
  tissueTested: [{ kind: 'choice', field: 'result', options: SQUEEZES }],
  squeezed: [{ kind: 'choice', field: 'result', options: SQUEEZES }],
  volumeMeasured: [{ kind: 'number', field: 'volumeMl', unit: 'ml' }],
  phRead: [
    { kind: 'number', field: 'ph', unit: '' },
    { kind: 'number', field: 'drops', unit: 'drops', whole: true },
  ],
  cookLoaded: [
    { kind: 'number', field: 'layers', unit: '', whole: true },
    { kind: 'choice', field: 'between', options: Between.options, canBeNone: true },
  ],
  agarPoured: [{ kind: 'number', field: 'leftOverMl', unit: 'ml' }],
  fuelUsed: [{ kind: 'number', field: 'amount', unit: '' }],
  glassIn: [
    { kind: 'number', field: 'count', unit: '', whole: true },
    { kind: 'number', field: 'celsius', unit: '°C' },
  ],
  waterLeft: [{ kind: 'number', field: 'leftMl', unit: 'ml' }],
  coreRead: [{ kind: 'number', field: 'celsius', unit: '°C' }],
  inoculated: [
    { kind: 'sources', field: 'sourceVesselIds' },
    { kind: 'number', field: 'doseEach', unit: '' },
    { kind: 'choice', field: 'spawnLies', options: SpawnLies.options, canBeNone: true },
  ],
  inspected: [
    { kind: 'number', field: 'fraction', unit: '%', shownTimes: 100 },
    { kind: 'choice', field: 'suspect', options: Contaminant.options, canBeNone: true },
    { kind: 'choice', field: 'suspectAt', options: SuspectAt.options, canBeNone: true },
    { kind: 'choice', field: 'look', options: GrowthLook.options, canBeNone: true },
    { kind: 'choice', field: 'wetness', options: Wetness.options, canBeNone: true },
    { kind: 'text', field: 'note' },
  ],
  moved: [{ kind: 'place', field: 'place' }],
  opened: [{ kind: 'choice', field: 'how', options: Opening.options, canBeNone: true }],
  placeRead: [{ kind: 'number', field: 'celsius', unit: '°C' }],
  airRead: [{ kind: 'number', field: 'value', unit: '' }],
  placeSet: [{ kind: 'number', field: 'celsius', unit: '°C' }],
  harvested: [
    { kind: 'number', field: 'massG', unit: 'g' },
    { kind: 'choice', field: 'quality', options: FlushQuality.options, canBeNone: true },
    { kind: 'choice', field: 'use', options: FlushUse.options, canBeNone: true },
    { kind: 'number', field: 'dryG', unit: 'g' },
  ],
  chilled: [
    { kind: 'number', field: 'hours', unit: 'h' },
    { kind: 'number', field: 'celsius', unit: '°C' },
  ],
  tended: [{ kind: 'choice', field: 'how', options: Tending.options }],
  soaked: [{ kind: 'number', field: 'takenUpG', unit: 'g' }],
  discarded: [
    { kind: 'choice', field: 'reason', options: Fate.options },
    { kind: 'choice', field: 'to', options: OutTo.options, canBeNone: true },
  ],
  batchNoted: [{ kind: 'text', field: 'note' }],
  cookNoted: [{ kind: 'text', field: 'note' }],
  cultureNoted: [{ kind: 'text', field: 'note' }],
  dayNoted: [{ kind: 'text', field: 'note' }],
};

/** Fields of an entry that can be given another value; none for what simply happened. */
export function editableFields(kind: EntryKind): readonly EditableField[] {
  return EDITABLE[kind] ?? [];
}
