/** A page of labels, in millimetres. Nominal sizes of common die-cut sheets. */
export interface LabelSheet {
  readonly id: string;
  readonly words: string;
  readonly pageMm: readonly [width: number, height: number];
  readonly labelMm: readonly [width: number, height: number];
  readonly columns: number;
  readonly marginMm: readonly [left: number, top: number];
}

export const LABEL_SHEETS: readonly LabelSheet[] = [
  {
    id: 'a4-24',
    words: 'A4 sheet, 24 labels, 70 × 37 mm',
    pageMm: [210, 297],
    labelMm: [70, 37],
    columns: 3,
    marginMm: [0, 0.5],
  },
  {
    id: 'letter-30',
    words: 'US letter sheet, 30 labels, 2⅝ × 1 in',
    pageMm: [215.9, 279.4],
    labelMm: [66.675, 25.4],
    columns: 3,
    marginMm: [4.8, 12.7],
  },
  {
    id: 'roll-62',
    words: 'Roll, 62 mm wide, 29 mm long',
    pageMm: [62, 29],
    labelMm: [62, 29],
    columns: 1,
    marginMm: [0, 0],
  },
];
