import type { CautionId, KindOfWork } from '../../../core/index';

/** A caution of the Box, by the id under which it is recorded as read. */
export interface BoxCaution {
  readonly id: CautionId;
  readonly words: string;
  /** Kinds of work in which it is met; all where none is named. */
  readonly work?: readonly KindOfWork[];
}

const CAUTIONS: readonly BoxCaution[] = [
  {
    id: 'alcoholAndFlame',
    words:
      'Wipe with 70 % alcohol. Never a flame in a closed box: the vapor flashes. Flame outside, and only once gloves and surfaces have had their dry wait.',
    work: ['needle', 'scalpel', 'loop'],
  },
  {
    id: 'needles',
    words: 'Needles: one hand, no recapping, into the sharps box. Never a red-hot needle into a plastic hub.',
    work: ['needle'],
  },
  {
    id: 'bleachMixes',
    words: 'Never bleach with alcohol, acid or ammonia. With alcohol in the box, soapy water wets the towel.',
  },
  {
    id: 'dustMask',
    words: 'Gloves, mask, clean clothes. Masks on for dusty molds and for spores.',
  },
  {
    id: 'neverSmell',
    words: 'Never open or smell a suspect vessel to make sure; it goes out shut.',
  },
];

export function cautionsFor(work: KindOfWork): readonly BoxCaution[] {
  return CAUTIONS.filter((c) => c.work?.includes(work) ?? true);
}

/** Cautions are read once a sitting; a longer pause begins another. Our choice. */
export const SITTING_HOURS = 4;
/** Common practice, no source: let the air settle for ten minutes after the box is stocked. */
export const SETTLE_MINUTES = 10;
/** Alcohol on gloves and surfaces is gone by then. From memory; the settling covers it. */
export const DRY_MINUTES = 3;
