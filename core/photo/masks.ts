import { CELL_COUNT, SIDE, type Cells } from './cells.js';

/** A cell of which so much is burnt out is glare. Our choices, all of these. */
const GLARE = 0.34;
/** Where more than this is burnt out the whole picture is too bright, and nothing of it is glare. */
const MOST_GLARE = 0.3;
/** Around glare it is too bright as well, so many cells far. */
const GLARE_RIM = 2;
/** Paper: smooth, light and without color, a rectangle of a certain size. */
const PAPER_SMOOTH = 2.4;
const PAPER_LIGHT = 80;
const PAPER_CHROMA = 14;
const PAPER_LEAST = 0.015;
const PAPER_MOST = 0.35;
const PAPER_FILLED = 0.62;
const PAPER_RIM = 1;

/** 1 where a cell is glare or lies under a label, else 0. */
export function masksOf(cells: Cells): Uint8Array {
  const mask = new Uint8Array(CELL_COUNT);
  maskGlare(cells, mask);
  maskLabels(cells, mask);
  return mask;
}

function maskGlare({ burnt }: Cells, mask: Uint8Array): void {
  const glare = [...burnt.keys()].filter((i) => burnt[i]! >= GLARE);
  if (glare.length <= CELL_COUNT * MOST_GLARE) {
    glare.forEach((i) => {
      fillBox(mask, boxAround(i, GLARE_RIM));
    });
  }
}

interface Box {
  top: number;
  bottom: number;
  left: number;
  right: number;
}

function boxAround(index: number, rim: number): Box {
  const [row, column] = [Math.floor(index / SIDE), index % SIDE];
  return { top: row - rim, bottom: row + rim, left: column - rim, right: column + rim };
}

function fillBox(mask: Uint8Array, { top, bottom, left, right }: Box): void {
  for (let row = Math.max(0, top); row <= Math.min(SIDE - 1, bottom); row++) {
    mask.fill(1, row * SIDE + Math.max(0, left), row * SIDE + Math.min(SIDE - 1, right) + 1);
  }
}

/** Patches of paper that fill a rectangle; what is written on them lies inside it. */
function maskLabels(cells: Cells, mask: Uint8Array): void {
  const isPaper = Uint8Array.from({ length: CELL_COUNT }, (_, i) => (looksLikePaper(cells, i) ? 1 : 0));
  const seen = new Uint8Array(CELL_COUNT);
  for (let start = 0; start < CELL_COUNT; start++) {
    if (isPaper[start] === 1 && seen[start] === 0) {
      const { box, count } = patchFrom(start, isPaper, seen);
      const area = (box.bottom - box.top + 1) * (box.right - box.left + 1);
      const share = area / CELL_COUNT;
      if (share >= PAPER_LEAST && share <= PAPER_MOST && count / area >= PAPER_FILLED) {
        fillBox(mask, {
          top: box.top - PAPER_RIM,
          bottom: box.bottom + PAPER_RIM,
          left: box.left - PAPER_RIM,
          right: box.right + PAPER_RIM,
        });
      }
    }
  }
}

function looksLikePaper({ lightness, a, b }: Cells, i: number): boolean {
  if (lightness[i]! < PAPER_LIGHT || Math.hypot(a[i]!, b[i]!) > PAPER_CHROMA) {
    return false;
  }
  const column = i % SIDE;
  const [left, right] = [lightness[i - (column > 0 ? 1 : 0)]!, lightness[i + (column < SIDE - 1 ? 1 : 0)]!];
  const up = lightness[i >= SIDE ? i - SIDE : i]!;
  const down = lightness[i < CELL_COUNT - SIDE ? i + SIDE : i]!;
  const mean = (left + right + up + down) / 4;
  const own = lightness[i]!;
  const alike = [left, right, up, down].filter((l) => Math.abs(l - own) < PAPER_SMOOTH).length;
  return alike >= 2 && Math.abs(mean - own) < PAPER_SMOOTH * 4;
}

/** All cells of paper that hang together, by their sides. */
function patchFrom(
  start: number,
  isPaper: Uint8Array,
  seen: Uint8Array,
): { readonly box: Box; readonly count: number } {
  const open = [start];
  seen[start] = 1;
  const box = boxAround(start, 0);
  let count = 0;
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    count++;
    const [row, column] = [Math.floor(at / SIDE), at % SIDE];
    box.top = Math.min(box.top, row);
    box.bottom = Math.max(box.bottom, row);
    box.left = Math.min(box.left, column);
    box.right = Math.max(box.right, column);
    const around = [
      column > 0 ? at - 1 : -1,
      column < SIDE - 1 ? at + 1 : -1,
      at - SIDE,
      at < CELL_COUNT - SIDE ? at + SIDE : -1,
    ];
    for (const next of around) {
      if (next >= 0 && isPaper[next] === 1 && seen[next] === 0) {
        seen[next] = 1;
        open.push(next);
      }
    }
  }
  return { box, count };
}
