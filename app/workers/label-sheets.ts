/** A page of labels, in millimetres. Nominal sizes of common die-cut sheets. */
export interface LabelSheet {
  readonly id: string;
  readonly words: string;
  readonly pageMm: readonly [width: number, height: number];
  readonly labelMm: readonly [width: number, height: number];
  readonly columns: number;
  readonly marginMm: readonly [left: number, top: number];
}

/** How a sheet is filled. */
export interface LabelsHow {
  /** Lines to write on, and no QR. */
  readonly byHand: boolean;
  /** The first label that is still on the sheet, from 1. */
  readonly first: number;
}

/** Rows that a page holds. */
export function rowsPerPage({ pageMm, marginMm, labelMm }: LabelSheet): number {
  return Math.floor((pageMm[1] - marginMm[1]) / labelMm[1] + 1e-9);
}

export function labelsPerPage(sheet: LabelSheet): number {
  return rowsPerPage(sheet) * sheet.columns;
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
    id: 'flag-184',
    words: 'A4 sheet, 184 flags, 24 × 12 mm, for syringes and dish rims',
    pageMm: [210, 297],
    labelMm: [24, 12],
    columns: 8,
    marginMm: [9, 10.5],
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
