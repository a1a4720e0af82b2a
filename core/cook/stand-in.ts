import * as z from 'zod';
import { excessAfter } from '../heat/cooling.js';
import { runHeat, type Run } from '../heat/load/run-heat.js';
import { MIDDLING, type ThermalLoad } from '../heat/load/uncertain-load.js';
import type { ProfilePoint } from '../heat/lethality.js';
import { requireWithin } from '../base/errors.js';
import type { Random } from '../record/new-id.js';
import { vesselAir } from '../steam/air.js';
import { saturationPressure, saturationTemperature } from '../steam/saturation.js';

/** What goes wrong in a pretended cook. */
export const FAULTS = ['none', 'unvented', 'leaking', 'boilingDry', 'probeOut'] as const;
export type Fault = (typeof FAULTS)[number];

/** A cook that is pretended by the same physics, for practice and for trying an instrument's connection. */
export interface StandInCook {
  readonly atmosphereKPa: number;
  readonly gaugeKPa: number;
  readonly roomC: number;
  readonly comeUpMinutes: number;
  readonly ventMinutes: number;
  readonly holdMinutes: number;
  readonly fault: Fault;
  /** Minutes of hold after which the fault shows. */
  readonly faultAtMinutes: number;
  /** Whether the connection drops out now and then. */
  readonly dropouts: boolean;
}

/** One line of the stream: seconds since the lid went on, kPa and °C. A channel that is silent is left out. */
export const StandInReading = z.object({
  second: z.number().min(0).max(1e7),
  gaugeKPa: z.number(),
  chamberC: z.number(),
  coreC: z.number().optional(),
});
export type StandInReading = z.infer<typeof StandInReading>;

/** One line of the pretended scale: what lies on it, and whether it has settled. */
export const StandInScale = z.object({ grams: z.number().min(0).max(1e6), steady: z.boolean() });

const STEP_S = 10;
const MINUTE_STEPS = 60 / STEP_S;
const COOLING_MIN = 120;
/** A leak takes pressure for this long, down to this share, until the heat has made up for it. */
const LEAK_MIN = 8;
const LEAK_TO = 0.6;
/** Without water steam goes within minutes and metal heats on. */
const DRY_FALL_MIN = 6;
const DRY_RISE_C_PER_MIN = 2.5;
const UNVENTED_MIN = 1;
/** Household instruments: half a kilopascal and a fifth of a degree, one standard deviation. */
const GAUGE_NOISE_KPA = 0.5;
const THERMOMETER_NOISE_C = 0.2;
/** A dropout every so many minutes, this long. */
const DROPOUT_EVERY_MIN = 35;
const DROPOUT_MIN = 5;
const COOLING_RATE = 7e-4;
/** A quart of grain. */
const JAR: ThermalLoad = {
  kind: 'solid',
  shape: { kind: 'cylinder', radiusMm: 43, heightMm: 109 },
  wallFilm: 300,
  topFilm: 7,
};

/** A whole cook, reading by reading every ten seconds. The same seed gives the same cook. */
export function standInCook(cook: StandInCook, random: Random): readonly StandInReading[] {
  requireWithin(cook.gaugeKPa, { field: 'pressure', min: 20, max: 250, unit: ' kPa' });
  requireWithin(cook.holdMinutes, { field: 'hold', min: 1, max: 600, unit: ' min' });
  requireWithin(cook.comeUpMinutes, { field: 'comeUp', min: 1, max: 240, unit: ' min' });
  const ventMinutes = cook.fault === 'unvented' ? UNVENTED_MIN : cook.ventMinutes;
  const course = courseOf(cook, ventMinutes);
  const core = coreOf(course, cook, ventMinutes);
  return course.steps.flatMap((step, i): StandInReading[] => {
    if (cook.dropouts && (step.minutes % DROPOUT_EVERY_MIN) + DROPOUT_MIN > DROPOUT_EVERY_MIN) {
      return [];
    }
    const noise = (sigma: number) => sigma * (random() + random() + random() - 1.5) * 2;
    const out = cook.fault === 'probeOut' && step.minutes > course.holdFrom + cook.faultAtMinutes;
    return [
      {
        second: Math.round(step.minutes * 60),
        gaugeKPa: round(Math.max(0, step.gaugeKPa + noise(GAUGE_NOISE_KPA))),
        chamberC: round(step.chamberC + noise(THERMOMETER_NOISE_C)),
        ...(!out && { coreC: round(core[i]! + noise(THERMOMETER_NOISE_C)) }),
      },
    ];
  });
}

interface Step {
  readonly minutes: number;
  readonly gaugeKPa: number;
  readonly chamberC: number;
}

interface Course {
  readonly steps: readonly Step[];
  readonly closedAt: number;
  readonly holdFrom: number;
}

/** Gauge and steam over the whole cook. */
function courseOf(cook: StandInCook, ventMinutes: number): Course {
  const { atmosphereKPa, roomC, comeUpMinutes, gaugeKPa, holdMinutes } = cook;
  const boilC = saturationTemperature(atmosphereKPa);
  const hotC = saturationTemperature(atmosphereKPa + gaugeKPa);
  const boilsAt = (comeUpMinutes * (boilC - roomC)) / (hotC - roomC);
  const closedAt = boilsAt + ventMinutes;
  const holdFrom = closedAt + comeUpMinutes - boilsAt;
  // Whoever sees a leak holds on until the time is made up.
  const heatOff = holdFrom + holdMinutes + (cook.fault === 'leaking' ? LEAK_MIN : 0);
  const faultAt = holdFrom + cook.faultAtMinutes;
  const steps: Step[] = [];
  for (let i = 0; i <= (heatOff + COOLING_MIN) * MINUTE_STEPS; i++) {
    const minutes = i / MINUTE_STEPS;
    if (minutes < boilsAt) {
      steps.push({ minutes, gaugeKPa: 0, chamberC: roomC + ((boilC - roomC) * minutes) / boilsAt });
    } else if (minutes < closedAt) {
      steps.push({ minutes, gaugeKPa: 0, chamberC: boilC });
    } else if (cook.fault === 'boilingDry' && minutes > faultAt) {
      const dry = minutes - faultAt;
      steps.push({
        minutes,
        gaugeKPa: gaugeKPa * Math.max(0, 1 - dry / DRY_FALL_MIN),
        chamberC: hotC + DRY_RISE_C_PER_MIN * Math.min(dry, 30),
      });
    } else {
      const pressure = pressureAt(cook, minutes, { closedAt, holdFrom, heatOff, faultAt, hotC });
      const air = vesselAir(ventMinutes, minutes - closedAt);
      steps.push({
        minutes,
        gaugeKPa: pressure,
        chamberC: saturationTemperature((atmosphereKPa + pressure) * (1 - air)),
      });
    }
  }
  return { steps, closedAt, holdFrom };
}

function pressureAt(
  { atmosphereKPa, gaugeKPa, roomC, fault }: StandInCook,
  minutes: number,
  at: { closedAt: number; holdFrom: number; heatOff: number; faultAt: number; hotC: number },
): number {
  if (minutes < at.holdFrom) {
    return (gaugeKPa * (minutes - at.closedAt)) / (at.holdFrom - at.closedAt);
  }
  if (minutes > at.heatOff) {
    const celsius = roomC + excessAfter(at.hotC - roomC, minutes - at.heatOff, COOLING_RATE);
    return Math.max(0, saturationPressure(celsius) - atmosphereKPa);
  }
  const leak = minutes - at.faultAt;
  if (fault === 'leaking' && leak > 0 && leak < LEAK_MIN) {
    return gaugeKPa * (1 - (1 - LEAK_TO) * Math.sin((Math.PI * leak) / LEAK_MIN));
  }
  return gaugeKPa;
}

/** The middle of a jar in that steam. */
function coreOf({ steps, closedAt }: Course, cook: StandInCook, ventMinutes: number): Float64Array {
  const chamber: ProfilePoint[] = steps.map((s) => ({ minutes: s.minutes, celsius: s.chamberC }));
  const run: Run = {
    load: JAR,
    chamber,
    initialCelsius: cook.roomC,
    ventMinutes,
    closedAtMinutes: closedAt,
    measured: true,
  };
  return runHeat(run, MIDDLING, STEP_S / 60).coreCelsius;
}

function round(value: number): number {
  return Math.round(value * 10) / 10;
}
