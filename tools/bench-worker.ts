import { estimateColonization, proposeOutline, type Picture } from '../core/index.js';
import { drawJar } from '../core/demo/drawn-jar.js';
import { heatTimes, timed, type HeatTime } from './bench-heat.js';
import { planTimes } from './bench-plan.js';
import { askFamily, layFamily, oneFamily } from './bench-lineage.js';

const RUNS = 21;
const WARM = 5;
const FAMILY = 5000;
/** What the app shrinks a photo to before it looks at it. */
const LOOKED_AT_PX = 480;

/** As large as the app looks at it: each place of the drawing several times. */
function enlarged({ width, height, data }: Picture): Picture {
  const times = LOOKED_AT_PX / Math.max(width, height);
  const large = { width: Math.round(width * times), height: LOOKED_AT_PX };
  const pixels = new Uint8ClampedArray(large.width * large.height * 4);
  for (let at = 0; at < large.width * large.height; at++) {
    const [x, y] = [at % large.width, Math.floor(at / large.width)].map((px) => Math.floor(px / times));
    const from = (Math.min(height - 1, y!) * width + Math.min(width - 1, x!)) * 4;
    pixels.set(data.subarray(from, from + 4), at * 4);
  }
  return { ...large, data: pixels };
}

/** What the workers of the app do, in a worker of the browser. */
export function workerTimes(): readonly HeatTime[] {
  const { house, first } = oneFamily(FAMILY);
  const look = { medium: 'grain', coverage: 0.4, hasLabel: true, hasGlare: true } as const;
  const picture = enlarged(drawJar(look, 3).picture);
  return [
    ...heatTimes(),
    ...planTimes(),
    {
      what: `lineage of one of ${FAMILY} vessels: family, batches, kin, generation`,
      times: timed(() => askFamily(house, first), RUNS, WARM),
      aim: 'below 20 ms',
    },
    {
      what: `the same with every batch unfolded, laid out`,
      times: timed(() => layFamily(house, first), RUNS, WARM),
      aim: 'below 1000 ms',
    },
    {
      what: `how far a jar has run, from a picture of ${picture.width} × ${picture.height}: outline and estimate`,
      times: timed(() => estimateColonization(picture, proposeOutline(picture), 'grain'), RUNS, WARM),
      aim: 'below 300 ms',
    },
  ];
}
