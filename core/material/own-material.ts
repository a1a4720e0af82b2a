import { MOST_LINE_LETTERS } from '../record/ids.js';
import type { Figure, Material, MaterialFamily } from '../record/definitions.js';

/** What is known of an ingredient of one's own when it is written down. */
export interface OwnMaterial {
  readonly id: string;
  readonly name: string;
  readonly updatedAt: string;
  /** The one that it is most like: its figures hold until better ones are known. */
  readonly like?: Material;
  /** Where it is like nothing that is known. */
  readonly family?: MaterialFamily;
  /** Wet basis, as bought, 0 to 1. */
  readonly moisture?: number;
  /** As scooped, g/l. */
  readonly densityGPerL?: number;
}

/** Moisture of what stands dry in a bag or sack, where nothing is known of it. Common practice, no source. */
const SHELF_DRY: Figure = {
  value: 0.1,
  low: 0.05,
  high: 0.15,
  source: 'dry from the shelf, common practice, no source',
};
const OWN = 'your own figure';
/** What is taken over from the one that it is like. */
const TAKEN_OVER = [
  'densityGPerL',
  'moisture',
  'carbon',
  'nitrogen',
  'solids',
  'sugar',
  'fieldCapacity',
] as const;

/** An ingredient of one's own. Every figure says whether it was typed or is that of another until it is measured. */
export function ownMaterial({ like, family, moisture, densityGPerL, ...named }: OwnMaterial): Material {
  const borrowed = like === undefined ? {} : figuresOf(like);
  return {
    schemaVersion: 1,
    ...named,
    family: family ?? like?.family ?? 'supplement',
    moisture: SHELF_DRY,
    ...borrowed,
    ...(like?.traits && { traits: like.traits }),
    ...(like && { copyOf: like.copyOf ?? like.id }),
    ...(moisture !== undefined && { moisture: typed(moisture) }),
    ...(densityGPerL !== undefined && { densityGPerL: typed(densityGPerL) }),
  };
}

function figuresOf(like: Material): Partial<Pick<Material, (typeof TAKEN_OVER)[number]>> {
  const source = `as ${like.name}, until it is measured`.slice(0, MOST_LINE_LETTERS).trim();
  return Object.fromEntries(
    TAKEN_OVER.flatMap((key) => {
      const figure = like[key];
      return figure === undefined ? [] : [[key, { ...figure, source }]];
    }),
  );
}

function typed(value: number): Figure {
  return { value, low: value, high: value, source: OWN };
}
