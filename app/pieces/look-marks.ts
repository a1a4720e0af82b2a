import { seededRandom, type Candidate } from '../../core/index';
import { round } from './stipple';

/** In what it is drawn: the house's own inks, none of them a likeness of a true color. */
export type LookTone = 'ink' | 'soft' | 'done' | 'rye' | 'beet';

/** How trouble, or what is none, is drawn over a strip of grain 120 wide and 80 high. */
export interface LookMarks {
  readonly tone: LookTone;
  /** Dots, a path of points. */
  readonly dots?: string;
  /** Width of a dot; 2.6 where it is not said. */
  readonly dot?: number;
  readonly lines?: string;
  /** Drawn pale, under the rest. */
  readonly patch?: string;
}

interface Spot {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/** Dots within a disc, denser to its middle. */
function dusted({ x, y, r }: Spot, count: number, seed: number): string {
  const random = seededRandom(seed);
  return Array.from({ length: count }, () => {
    const [angle, far] = [2 * Math.PI * random(), r * random() ** 0.7];
    return `M${round(x + far * Math.cos(angle))} ${round(y + far * Math.sin(angle))}h0`;
  }).join('');
}

/** Something small, at random places in a box. */
function strewn(
  box: readonly [left: number, top: number, right: number, bottom: number],
  count: number,
  seed: number,
  mark: (x: number, y: number, random: () => number) => string,
): string {
  const [left, top, right, bottom] = box;
  const random = seededRandom(seed);
  return Array.from({ length: count }, () =>
    mark(round(left + random() * (right - left)), round(top + random() * (bottom - top)), random),
  ).join('');
}

const ring = ({ x, y, r }: Spot) => `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;
const ALL = [6, 30, 114, 74] as const;

/** A mushroom so small that it is a stalk with a knob. */
const pin = (x: number, y: number) => `M${x} ${y}v-9${ring({ x, y: y - 12, r: 3 })}`;

/** Drawn by us from what each is known by: the shape, not the color, tells it. */
export const LOOK_MARKS: Readonly<Record<Candidate, LookMarks>> = {
  // A white rim, and powder within.
  greenMold: {
    tone: 'done',
    patch: ring({ x: 62, y: 50, r: 25 }),
    dots: dusted({ x: 62, y: 50, r: 18 }, 120, 1),
  },
  // Several specks that grow together.
  darkMold: {
    tone: 'ink',
    dots: [
      { x: 28, y: 52, r: 8 },
      { x: 58, y: 47, r: 11 },
      { x: 92, y: 55, r: 7 },
      { x: 76, y: 66, r: 5 },
    ]
      .map((spot, i) => dusted(spot, 45, i + 2))
      .join(''),
  },
  // Stalks with a black head each, over everything.
  pinMold: {
    tone: 'ink',
    lines: strewn([8, 30, 112, 66], 34, 6, (x, y, r) => `M${x} ${y}q${round(r() * 6 - 3)} -6 1 -11`),
    dots: strewn([9, 19, 113, 55], 34, 6, (x, y, r) => (r(), `M${x} ${y}h0`)),
    dot: 3.4,
  },
  // Heaps at the lid, and dust that falls.
  orangeMold: {
    tone: 'rye',
    patch: 'M4 26q8 -16 22 -8q12 -16 26 -4q14 -14 26 0q16 -10 24 4q10 0 12 8z',
    dots: strewn([10, 14, 110, 66], 120, 7, (x, y) => `M${x} ${y}h0`),
  },
  // Threads, loose and fine, over the top.
  cobweb: {
    tone: 'soft',
    lines: strewn(
      [0, 22, 92, 62],
      30,
      8,
      (x, y, r) => `M${x} ${y}q12 ${round(r() * 16 - 8)} 28 ${round(r() * 14 - 7)}`,
    ),
  },
  // Water stands between glassy grain.
  wetRot: {
    tone: 'rye',
    patch: 'M2 52q10 -5 20 0t20 0t20 0t20 0t20 0t18 0v26H2z',
    lines: 'M2 52q10 -5 20 0t20 0t20 0t20 0t20 0t18 0',
    dots: strewn([10, 58, 110, 74], 14, 9, (x, y) => `M${x} ${y}h0`),
    dot: 3,
  },
  // Round, wet spots with a clear edge.
  yeast: {
    tone: 'soft',
    patch: [ring({ x: 30, y: 44, r: 9 }), ring({ x: 58, y: 58, r: 6 }), ring({ x: 86, y: 42, r: 11 })].join(
      '',
    ),
    lines: [
      ring({ x: 30, y: 44, r: 9 }),
      ring({ x: 58, y: 58, r: 6 }),
      ring({ x: 86, y: 42, r: 11 }),
      'M82 38q4 -4 8 -1M27 41q3 -3 6 0',
    ].join(''),
  },
  pinkPowder: {
    tone: 'beet',
    dots: strewn(ALL, 110, 10, (x, y) => `M${x} ${y}h0`),
    dot: 2,
  },
  // Sunken stains on a cap.
  blotch: {
    tone: 'rye',
    patch: `${ring({ x: 46, y: 34, r: 7 })}${ring({ x: 66, y: 28, r: 5 })}${ring({ x: 80, y: 38, r: 6 })}`,
    lines: 'M20 48q6 -32 40 -32t40 32zM50 48q2 16 -2 26h24q-4 -10 -2 -26',
  },
  // Specks with legs, and the trails that they leave.
  mites: {
    tone: 'ink',
    dots: strewn(ALL, 22, 11, (x, y) => `M${x} ${y}h0`),
    dot: 3.2,
    lines: strewn(ALL, 22, 11, (x, y) => `M${x - 3} ${y - 2}l6 4M${x - 3} ${y + 2}l6 -4`),
  },
  // A fly that hardly flies, and its white larva with a black head.
  gnats: {
    tone: 'ink',
    lines:
      'M40 34q10 -14 20 -4M44 36q14 -2 18 -8M34 38l-8 8M40 40l-4 10M46 40l2 10M34 36h16M66 62q8 -8 16 0t16 0',
    dots: 'M98 62h0M34 36h0',
    dot: 5,
  },
  drops: {
    tone: 'rye',
    patch: [
      { x: 34, y: 44, r: 6 },
      { x: 52, y: 58, r: 4 },
      { x: 74, y: 40, r: 7 },
      { x: 92, y: 56, r: 5 },
    ]
      .map(ring)
      .join(''),
    lines: 'M31 42q2 -3 5 -2M71 37q3 -3 6 -2M90 54q2 -2 4 -1',
  },
  bruise: {
    tone: 'soft',
    patch: 'M30 36q26 -14 50 0q22 16 0 28q-30 14 -48 -2q-16 -14 -2 -26z',
    lines: 'M36 60l24 -26M48 64l26 -30M62 66l22 -26',
  },
  // Loops of white that stand off the grain.
  fluffy: {
    tone: 'soft',
    lines: strewn([6, 26, 104, 60], 40, 12, (x, y) => `M${x} ${y}q3 -9 8 -3q2 6 -6 6`),
  },
  pins: {
    tone: 'ink',
    lines: [24, 38, 50, 66, 80, 96].map((x, i) => pin(x, 54 + (i % 3) * 5)).join(''),
  },
};

/** The grain under it: three rows that lie on each other. */
export const KERNELS = [0, 1, 2]
  .flatMap((row) =>
    Array.from({ length: 10 }, (_, i) => {
      const [x, y] = [2 + i * 12 + (row % 2) * 6, 58 + row * 7];
      return `M${x} ${y}a5.4 3.6 0 1 0 10.8 0a5.4 3.6 0 1 0 -10.8 0z`;
    }),
  )
  .join('');
