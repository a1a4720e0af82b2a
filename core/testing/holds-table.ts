import {
  LOAD_DRAWS,
  NEXT_LOAD,
  carriesSpores,
  convert,
  coreCooling,
  drawsAfter,
  newAppliance,
  planCook,
  practiceOf,
  runOf,
  seededRandom,
  spoilageOf,
  type Contents,
  type Stage,
} from '../index.js';
import { shippedVesselTypes } from '../formula/shipped-vessel-types.js';

const AT = '2026-01-01T00:00:00.000Z';
const ROOM_C = 20;
const VESSELS: readonly {
  readonly id: string;
  readonly stage: Stage;
  readonly wetG: number;
  readonly words: string;
}[] = [
  { id: 'pint-jar', stage: 'grain', wetG: 210, words: 'pint of grain' },
  { id: 'quart-jar', stage: 'grain', wetG: 420, words: 'quart of grain' },
  { id: 'half-gallon-jar', stage: 'grain', wetG: 840, words: 'half-gallon of grain' },
  { id: 'grain-bag', stage: 'grain', wetG: 1361, words: '1.4 kg bag of grain' },
  { id: 'block-bag', stage: 'bulk', wetG: 2268, words: '2.3 kg block' },
  { id: 'bottle-500', stage: 'liquid', wetG: 350, words: '500 ml bottle of broth' },
  { id: 'bottle-1000', stage: 'agar', wetG: 700, words: 'liter bottle of agar' },
];
const ALTITUDES_M = [0, 640, 1600];
const PSI = [15, 11.6, 9.4];

/** What is held where, with what comes of it, and how long a middle takes to cool. */
export interface HoldRow {
  readonly words: string;
  /** As the trade says it at the sea and 15 psi. */
  readonly trade: string;
  readonly psi: number;
  /** Minutes and vessels in 100 that likely sour, by altitude. */
  readonly here: readonly {
    readonly altitudeM: number;
    readonly minutes: number;
    readonly sourOf100: number;
  }[];
}

export function holdRows(): readonly HoldRow[] {
  return VESSELS.flatMap(({ id, stage, wetG, words }) =>
    PSI.map((psi) => {
      const here = ALTITUDES_M.map((altitudeM) => heldAt(id, stage, wetG, psi, altitudeM));
      return { words, psi, trade: here[0]!.schools, here };
    }),
  );
}

/** Minutes from heat off, in the shut pot, until the middle is below 30 °C: likely from and to. */
export function coolingRows(): readonly {
  readonly words: string;
  readonly low: number;
  readonly high: number;
}[] {
  return VESSELS.map(({ id, stage, wetG, words }) => {
    const { low, high } = coreCooling({
      contents: contentsOf(id, stage, wetG),
      chamberC: 120.95,
      roomC: ROOM_C,
    }).minutes;
    return { words, low: Math.round(low), high: Math.round(high) };
  });
}

function contentsOf(id: string, stage: Stage, wetG: number): Contents {
  return { vessel: vesselOf(id), stage, wetG };
}

function vesselOf(id: string) {
  return shippedVesselTypes(AT).find((v) => v.id === id)!;
}

function heldAt(id: string, stage: Stage, wetG: number, psi: number, altitudeM: number) {
  const vessel = vesselOf(id);
  const appliance = {
    ...newAppliance('canner', 'a', 'Canner', AT),
    ratedGaugeKPa: convert(psi, 'psi', 'kPa'),
    places: { [vessel.id]: 8 },
  };
  const plan = planCook({
    appliance,
    house: { altitudeM, roomC: ROOM_C },
    vessel,
    count: 8,
    vesselWetG: wetG,
    stage,
  });
  const run = runOf(plan.contents, { ...plan, roomC: ROOM_C }, plan.startC);
  const practice = practiceOf(run.load);
  const draws = drawsAfter(
    practice === undefined ? [] : [{ kind: 'practice', practice }],
    LOAD_DRAWS,
    seededRandom(1),
    NEXT_LOAD,
  );
  const { perVessel } = spoilageOf({ run, count: 1, each: carriesSpores(plan.contents) }, draws);
  return {
    altitudeM,
    minutes: plan.holdMinutes,
    sourOf100: perVessel * 100,
    schools: plan.trade.schools.map((s) => s.minutes).join(', '),
  };
}
