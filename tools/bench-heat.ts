import {
  LOAD_DRAWS,
  bodyOf,
  f0Band,
  f0OfCurve,
  heatBand,
  holdForF0,
  priorDraws,
  respond,
  seededRandom,
  simulateLoad,
  spoilageOf,
  type Films,
  type ProfilePoint,
  type Run,
  type Shape,
} from '../core/index.js';
import { HELD } from '../core/testing/held-vessels.js';
import { middleByAdi } from './adi-grid.js';
import { coreByGrid, refinedCore } from '../core/testing/finite-volume.js';

/** Runs in Node and in a browser's worker, so that both are measured by the same work. */
export interface HeatTime {
  readonly what: string;
  readonly times: readonly number[];
  readonly aim: string;
}

const RUNS = 21;
const WARM = 40;
const STEP_MIN = 1 / 6;
const BED = 1.85e-7;
const JAR_MM = { radiusMm: 43, heightMm: 110 };
const JAR: Shape = { kind: 'cylinder', ...JAR_MM };
const BLOCK: Shape = { kind: 'brick', lengthMm: 200, widthMm: 130, heightMm: 135 };
const FILMS: Films = { side: 20, bottom: 20, top: 20 };
/** Six hours: up, held, and down in straight pieces. */
const SIX_HOURS: readonly ProfilePoint[] = [
  { minutes: 0, celsius: 20 },
  { minutes: 25, celsius: 121 },
  { minutes: 175, celsius: 121 },
  ...Array.from({ length: 37 }, (_, i) => ({
    minutes: 175 + 5 * (i + 1),
    celsius: 20 + 101 * Math.exp((-5 * (i + 1)) / 60),
  })),
];
const RUN: Run = {
  load: { kind: 'solid', shape: JAR, wallFilm: 300, topFilm: 7 },
  chamber: SIX_HOURS,
  initialCelsius: 20,
  ventMinutes: 10,
  closedAtMinutes: 20,
};
/** What every method is given. */
const GIVEN = { diffusivityM2PerS: BED, biot: 20, initialCelsius: 20, chamber: SIX_HOURS };
const GRID_STEP_MIN = 0.5;
const GRID_MINUTES = Float64Array.from({ length: 360 / GRID_STEP_MIN + 1 }, (_, i) => i * GRID_STEP_MIN);
/** Three parts in a thousand of F0: what the grid is held to when it is timed. */
const GRID_WITHIN = 0.003;

/** Times of some work in ms, once the engine knows it. */
export function timed(act: () => unknown, runs = RUNS, warm = WARM): number[] {
  for (let i = 0; i < warm; i++) {
    act();
  }
  return Array.from({ length: runs }, () => {
    const start = performance.now();
    act();
    return performance.now() - start;
  });
}

function curve(shape: Shape): number {
  const body = bodyOf(shape, FILMS, BED, 1);
  const { minutes, celsius } = respond(body, [body.sharesAt({ out: 0, up: 0.5 })], SIX_HOURS, 20, STEP_MIN);
  return f0OfCurve(minutes, celsius[0]);
}

export function heatTimes(): readonly HeatTime[] {
  const draws = priorDraws(200, seededRandom(1));
  const ofLoad = priorDraws(LOAD_DRAWS, seededRandom(1));
  const up = SIX_HOURS.slice(0, 2);
  const hold = (shape: Shape) => holdForF0({ ...GIVEN, shape, chamber: up, targetF0: 12 });
  return [
    {
      what: 'middle of a jar, 6 h at 10 s steps, body and curve',
      times: timed(() => curve(JAR)),
      aim: 'below 1 ms',
    },
    {
      what: 'middle of a block, 6 h at 10 s steps, body and curve',
      times: timed(() => curve(BLOCK)),
      aim: 'below 1 ms',
    },
    {
      what: 'a band of 200 draws of that jar',
      times: timed(() => heatBand(RUN, draws, 12), 9, 3),
      aim: 'below 100 ms',
    },
    {
      what: 'a band of F0 alone of that jar',
      times: timed(() => f0Band(RUN, draws, 12), 9, 3),
      aim: 'below 50 ms',
    },
    {
      what: `how many of 8 such quarts sour, ${LOAD_DRAWS} draws`,
      times: timed(() => spoilageOf({ run: HELD.quart(90), count: 8, each: 210 }, ofLoad), 9, 3),
      aim: 'below 150 ms',
    },
    {
      what: `how many of 8 blocks sour, ${LOAD_DRAWS} draws`,
      times: timed(() => spoilageOf({ run: HELD.block(150), count: 8, each: 900 }, ofLoad), 9, 3),
      aim: 'below 150 ms',
    },
    { what: '`holdForF0` of the jar', times: timed(() => hold(JAR), 9, 5), aim: 'below 20 ms' },
    { what: '`holdForF0` of the block', times: timed(() => hold(BLOCK), 9, 5), aim: 'below 20 ms' },
  ];
}

/** The public answer, three places and a curve, beside a grid of 24 × 32 cells that tells one place. */
export function adiTimes(): readonly HeatTime[] {
  const jar = { ...GIVEN, ...JAR_MM, stepMinutes: GRID_STEP_MIN };
  const best = f0OfCurve(GRID_MINUTES, refinedCore({ ...jar, shape: JAR, cells: 32 }));
  const off = (f0: number) => `${(Math.abs(f0 / best - 1) * 100).toFixed(2)} % of F0 off`;
  const simulated = () => simulateLoad({ ...GIVEN, shape: JAR });
  return [
    {
      what: `\`simulateLoad\` of the jar, ${off(simulated().coreF0)}`,
      times: timed(simulated),
      aim: 'a tenth of the next',
    },
    {
      what: `the jar by alternating directions, 24 × 32 cells, half a minute, ${off(f0OfCurve(GRID_MINUTES, middleByAdi(jar)))}`,
      times: timed(() => middleByAdi(jar), 9, 5),
      aim: '',
    },
  ];
}

/** The grid method of the tests on the coarsest grid that is as exact in F0, and how many times as long it takes. */
export function gridTimes(): readonly HeatTime[] {
  return (
    [
      ['jar', JAR],
      ['block', BLOCK],
    ] as const
  ).map(([name, shape]) => {
    const input = { ...GIVEN, shape, stepMinutes: GRID_STEP_MIN };
    const best = f0OfCurve(GRID_MINUTES, refinedCore({ ...input, cells: name === 'jar' ? 32 : 14 }));
    const cells = [6, 8, 10, 12, 16, 20, 24, 32, 40].find(
      (n) => Math.abs(f0OfCurve(GRID_MINUTES, coreByGrid({ ...input, cells: n })) / best - 1) < GRID_WITHIN,
    );
    const own = Math.abs(curve(shape) / best - 1);
    return {
      what: `the same ${name} by the grid of the tests, ${cells ?? 'over 40'} cells a direction for 0.3 % of F0 (modes: ${(own * 100).toFixed(2)} %)`,
      times: timed(() => coreByGrid({ ...input, cells: cells ?? 40 }), 5, 1),
      aim: '',
    };
  });
}
