import { brothWords, growthWords } from '../../data/views/culture-stand';
import { measureWords } from '../../data/words/measure-words';
import { CONTAMINANT_WORDS, dayWords, rangeWords, vesselCount } from '../../data/words/words';
import {
  DAY_MS,
  isStalled,
  isRunFull,
  lastFraction,
  type BatchView,
  type House,
  type Place,
  type VesselView,
  cultureFraction,
  formOf,
  isUsedUp,
  leadingSector,
  placeOfVessel,
  toShake,
} from '../../../core/index';
import { runLineOf, type RunLineModel } from '../../data/views/run-line-model';

const PLANK = 14;
/** What neither runs nor is measured is drawn as filled. */
const KEPT_FRACTION = 0.7;

export interface ShelfJar {
  readonly view: VesselView;
  readonly number: number;
  readonly fraction: number;
  readonly letter: string;
  readonly word: string;
  readonly label: string;
}

export interface Plank {
  readonly name: string;
  readonly word: string;
  readonly tone: 'plain' | 'due' | 'trouble';
  readonly jars: readonly ShelfJar[];
}

export interface ShelfBatch {
  readonly view: BatchView;
  readonly details: string;
  readonly full: string;
  readonly line: RunLineModel;
  readonly lineFromMs: number;
  readonly lineToMs: number;
  readonly planks: readonly Plank[];
  readonly remark: string;
  readonly toShake: readonly VesselView[];
  readonly bad: readonly VesselView[];
}

/** Vessels that stand at a place, blocks apart, by batch, newest first; trouble and work picked out. */
export function shelfBatches(house: House, place: Place, nowMs: number): readonly ShelfBatch[] {
  const shown = house.inHand.flatMap((view) => {
    const vessels = view.vessels.filter((v) => stands(v) && placeOfVessel(v) === place);
    return vessels.length === 0 ? [] : [shelfBatch(view, vessels, house, nowMs)];
  });
  // Jars first: they are many, and walked most.
  const isGrain = ({ view }: ShelfBatch) => Number(view.batch.stage === 'grain');
  return shown.reverse().sort((a, b) => isGrain(b) - isGrain(a));
}

export function stands(view: VesselView): boolean {
  return view.state.phase === 'running' && view.batch.stage !== 'bulk' && !isUsedUp(view);
}

function shelfBatch(
  view: BatchView,
  vessels: readonly VesselView[],
  house: House,
  nowMs: number,
): ShelfBatch {
  const start = view.inoculatedAtMs ?? view.madeAtMs;
  const sound = vessels.filter((v) => v.state.suspect === undefined);
  const shake = toShake(view, nowMs);
  const shakeNow = shake !== undefined && shake.fromMs <= nowMs ? shake.vessels : [];
  const wantShaking = sound.filter((v) => shakeNow.includes(v));
  const full = view.batch.stage === 'grain' && sound.length > 0 && sound.every(isRunFull);
  return {
    view,
    details: `${onWhat(view)}${vesselCount(vessels.length, view.batch.vessel)}, ${dayWords(start, nowMs)}`,
    full: full ? 'run full' : standWords(view, sound, house, nowMs),
    line: runLineOf(view, house, nowMs),
    lineFromMs: view.madeAtMs - DAY_MS,
    lineToMs: Math.max(nowMs, start + (view.forecast?.high ?? 20) * DAY_MS) + DAY_MS,
    planks: planksOf(vessels, house, wantShaking),
    remark: remarkOf(sound),
    toShake: wantShaking,
    bad: vessels.filter((v) => v.state.suspect !== undefined),
  };
}

/** "on wheat, " for grain and agar; nothing for what came in a vessel of its own. */
function onWhat({ batch }: BatchView): string {
  const { formula, stage } = batch;
  if (formula === undefined) {
    return '';
  }
  const what = stage === 'grain' ? formula.parts[0]?.material.name.split(',')[0] : formula.name;
  return `on ${(what ?? stage).toLowerCase()}, `;
}

/** How far a batch is, in two or three words: when grain will be full, how fast plates grow, whether broth is ready. */
function standWords(view: BatchView, sound: readonly VesselView[], house: House, nowMs: number): string {
  const { forecast, inoculatedAtMs: start } = view;
  if (forecast !== undefined && start !== undefined) {
    return `full ${rangeWords(start + forecast.low * DAY_MS, start + forecast.high * DAY_MS)}`;
  }
  const [first] = sound;
  if (first === undefined) {
    return '';
  }
  switch (formOf(first.batch)) {
    case 'plate': {
      const fastest = sound
        .flatMap((v) => leadingSector(v)?.growth?.mmPerDay ?? [])
        .reduce((most, one) => Math.max(most, one), 0);
      return fastest > 0 ? `${measureWords(fastest, 'mm', 1)} a day` : '';
    }
    case 'broth':
      return brothWords(first, house, nowMs);
    default:
      return '';
  }
}

function planksOf(vessels: readonly VesselView[], house: House, wantShaking: readonly VesselView[]): Plank[] {
  const cooks = [...new Set(vessels.map((v) => v.state.cookId))];
  return cooks.flatMap((cookId) => {
    const jars = vessels.filter((v) => v.state.cookId === cookId);
    const name = cookId === undefined ? '' : `Cook ${house.cookById.get(cookId)?.name ?? ''}`;
    const bad = jars.filter((j) => j.state.suspect !== undefined).length;
    const due = jars.some((j) => wantShaking.includes(j));
    const word = bad > 0 ? `${bad} bad` : due ? 'shake' : '';
    const tone = bad > 0 ? 'trouble' : due ? 'due' : 'plain';
    const rows: Plank[] = [];
    for (let i = 0; i < jars.length; i += PLANK) {
      rows.push({
        name: i === 0 ? name : '',
        word: i === 0 ? word : '',
        tone,
        jars: jars.slice(i, i + PLANK).map(shelfJar),
      });
    }
    return rows;
  });
}

function shelfJar(view: VesselView): ShelfJar {
  const suspect = view.state.suspect === undefined ? undefined : CONTAMINANT_WORDS[view.state.suspect];
  const growth = cultureFraction(view);
  const fraction = growth ?? (view.batch.stage === 'grain' ? lastFraction(view) : KEPT_FRACTION);
  const percent = view.batch.stage === 'grain' ? `${Math.round(fraction * 100)} %` : growthWords(view);
  const shaken = view.state.shakenAt === undefined ? '' : ', shaken';
  return {
    view,
    number: view.vessel.number,
    fraction,
    letter: suspect?.letter ?? '',
    word: suspect?.word ?? (isStalled(view) ? 'slow' : ''),
    label: `${view.code}, ${suspect?.word ?? percent}${shaken}`,
  };
}

function remarkOf(sound: readonly VesselView[]): string {
  const stalled = sound.filter(isStalled);
  const full = sound.filter(isRunFull).length;
  const words = [
    full > 0 && full < sound.length ? `${full} run to the glass.` : '',
    stalled.length > 0 ? `${stalled.map((v) => v.code).join(', ')} gained nothing in 4 days.` : '',
  ];
  return words.filter(Boolean).join(' ');
}
