import { roomWords } from '../../data/views/room-words';
import { blankWords, brothWords, growthWords } from '../../data/views/culture-stand';
import { treatmentWords } from '../../data/words/load-words';
import { verdictWord } from '../../data/words/verdict-word';
import { degreesWords, measureWords } from '../../data/words/measure-words';
import {
  CONTAMINANT_WORDS,
  dayWords,
  placeWords,
  rangeWords,
  readWords,
  thermometerWords,
  vesselCount,
} from '../../data/words/words';
import {
  DAY_MS,
  armsOf,
  firmMsOf,
  isStalled,
  isRunFull,
  lastFraction,
  type BatchView,
  type CookView,
  type House,
  type VesselView,
  cultureFraction,
  formOf,
  isFruiting,
  isInBottle,
  isOpenSteam,
  isStanding,
  tooHotAt,
  type Place,
  leadingSector,
  groupBy,
  placeOfVessel,
  roomAt,
  setCOf,
  useOf,
  readyToInoculate,
  standingAmongSiblings,
  toShake,
  toWrap,
} from '../../../core/index';
import { runLineOf, type RunLineModel } from '../../data/views/run-line-model';
import type { Seen } from '../../pieces/seen-time';

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
  /** Everything of its group, on this plank and the next ones. */
  readonly group: readonly VesselView[];
}

export interface ShelfBatch {
  readonly view: BatchView;
  /** Those of it that stand at this place. */
  readonly vessels: readonly VesselView[];
  readonly details: string;
  readonly full: string;
  readonly line: RunLineModel;
  readonly lineSeen: Seen;
  readonly planks: readonly Plank[];
  readonly remark: string;
  readonly toShake: readonly VesselView[];
  /** Blank plates that have set and are not wrapped. */
  readonly toWrap: readonly VesselView[];
  readonly bad: readonly VesselView[];
}

/** A place with what stands there. */
export interface ShelfPlace extends Omit<Place, 'schemaVersion' | 'updatedAt'> {
  readonly standing: readonly VesselView[];
}

/** Places that are in use, or where something stands still. */
export function shelfPlaces(house: House): readonly ShelfPlace[] {
  const byPlace = groupBy(
    house.inHand.flatMap((view) => standingOf(view, house)),
    placeOfVessel,
  );
  const known = [...house.placeById.values()].flatMap((place) => {
    const standing = byPlace.get(place.id) ?? [];
    return place.isGone === true && standing.length === 0 ? [] : [{ ...place, standing }];
  });
  // What stands where no place is known any more is shown all the same, and can be moved.
  const unknown = [...byPlace].flatMap(([id, standing]) =>
    house.placeById.has(id)
      ? []
      : [{ id, standing, name: placeWords(id, house), use: useOf(house, id), isGone: true as const }],
  );
  return [...known, ...unknown];
}

/** "24 °C set, 25.3 °C read today at 09:40; 53 of 60". */
export function standWords(place: ShelfPlace, house: House, nowMs: number): string {
  const setC = setCOf(house, place.id, nowMs);
  const warmth = [
    setC === undefined ? '' : `${thermometerWords(setC)} set`,
    readWords(place.id, house, nowMs),
  ];
  const room = roomWords(roomAt(place, place.standing), place.holds);
  return [...warmth, room].filter(Boolean).join(', ');
}

/** Whether a place would stand tighter than with ease if some more came. */
export function isTightWith(place: ShelfPlace, more: readonly VesselView[]): boolean {
  return (roomAt(place, [...place.standing, ...more]).share ?? 0) > 1;
}

/** What is wrong with a place's warmth; empty where nothing is. */
export function heatWords(house: House, placeId: string, nowMs: number): string {
  const hot = tooHotAt(house, placeId, nowMs);
  return hot === undefined
    ? ''
    : `Too warm: ${hot.species.toLowerCase()} bears up to ${thermometerWords(hot.mostC)}${ownWords(hot.ownK)}. Air it, part the vessels, turn the mat down; read it again within the hour.`;
}

/** Less is not worth a word. Our choice. */
const LEAST_OWN_K = 0.5;

function ownWords(ownK: number): string {
  return ownK < LEAST_OWN_K
    ? ''
    : `, and its own growth makes its middle about ${degreesWords(ownK)} warmer than the air`;
}

/** What is looked at on a walk: what runs, and controls; not what only waits or fruits. */
export function isWalked(view: VesselView): boolean {
  return (view.state.phase === 'running' && !isFruiting(view)) || view.state.isControl === true;
}

/** Vessels that stand at a place, by batch, newest first; trouble and work picked out. */
export function shelfBatches(house: House, placeId: string, nowMs: number): readonly ShelfBatch[] {
  const shown = house.inHand.flatMap((view) => {
    const vessels = standingOf(view, house).filter((v) => placeOfVessel(v) === placeId);
    return vessels.length === 0 ? [] : [shelfBatch(view, vessels, house, nowMs)];
  });
  // Jars first: they are many, and walked most.
  const isGrain = ({ view }: ShelfBatch) => Number(view.batch.stage === 'grain');
  return shown.reverse().sort((a, b) => isGrain(b) - isGrain(a));
}

/** Vessels of a batch that are to be seen where they stand. */
export function standingOf(view: BatchView, house: House): readonly VesselView[] {
  const isShut =
    view.vessels.some((v) => v.state.phase === 'cooked') && readyToInoculate(view, house)?.isShut === true;
  return view.vessels.filter((v) => isStanding(v, isShut) && !isInBottle(v, view));
}

function shelfBatch(
  view: BatchView,
  vessels: readonly VesselView[],
  house: House,
  nowMs: number,
): ShelfBatch {
  const start = view.inoculatedAtMs ?? view.madeAtMs;
  const running = vessels.filter((v) => v.state.phase !== 'cooked');
  const sound = running.filter((v) => v.state.suspect === undefined);
  const ripe = toShake(view, house, nowMs)?.ripe ?? [];
  const wantShaking = sound.filter((v) => ripe.includes(v));
  const wrapping = toWrap(view, nowMs);
  const full = formIsRun(view) && sound.length > 0 && sound.every(isRunFull);
  return {
    view,
    vessels,
    details: `${onWhat(view)}${vesselCount(vessels.length, view.batch.vessel)}, ${running.length > 0 ? dayWords(start, nowMs) : blankWords(vessels, nowMs) || 'without a culture'}`,
    full: full ? runFullWords(sound, nowMs) : growthStandWords(view, sound, house, nowMs),
    line: runLineOf(view, house, nowMs),
    lineSeen: {
      fromMs: view.madeAtMs - DAY_MS,
      toMs: Math.max(nowMs, start + (view.forecast?.high ?? 20) * DAY_MS) + DAY_MS,
    },
    planks: planksOf(vessels, view, house, wantShaking),
    remark: remarkOf(sound, house, nowMs),
    toShake: wantShaking,
    toWrap: wrapping !== undefined && wrapping.atMs <= nowMs ? wrapping.vessels : [],
    bad: vessels.filter((v) => v.state.suspect !== undefined),
  };
}

/** What runs through a vessel and is judged by how far. */
function formIsRun({ batch }: Pick<BatchView, 'batch'>): boolean {
  return batch.stage === 'grain' || batch.stage === 'bulk';
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
function growthStandWords(
  view: BatchView,
  sound: readonly VesselView[],
  house: House,
  nowMs: number,
): string {
  const { forecast, inoculatedAtMs: start } = view;
  if (sound.length === 0) {
    return '';
  }
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

/** "Cook 11", with what it did where that sets it apart from others, and what is against it. */
function cookName(cook: CookView | undefined, isArm: boolean): string {
  const told = cook !== undefined && (isArm || isOpenSteam(cook.cook));
  const name = `Cook ${cook?.name ?? ''}${told ? `, ${treatmentWords(cook)}` : ''}`;
  return cook?.verdict.word === 'not-sterile'
    ? `${name}, ${verdictWord(cook.verdict).word.toLowerCase()}`
    : name;
}

function planksOf(
  vessels: readonly VesselView[],
  view: BatchView,
  house: House,
  wantShaking: readonly VesselView[],
): Plank[] {
  const arms = new Set(armsOf(view, house).map(({ cook }) => treatmentWords(cook)));
  const cooks = [...new Set(vessels.map((v) => v.state.cookId))];
  return cooks.flatMap((cookId) => {
    const jars = vessels.filter((v) => v.state.cookId === cookId);
    const name = cookId === undefined ? '' : cookName(house.cookById.get(cookId), arms.size > 1);
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
        group: jars,
      });
    }
    return rows;
  });
}

function shelfJar(view: VesselView): ShelfJar {
  const suspect = view.state.suspect === undefined ? undefined : CONTAMINANT_WORDS[view.state.suspect];
  const isRun = formIsRun(view);
  const isEmpty = view.state.phase === 'cooked';
  const growth = cultureFraction(view);
  const fraction = isEmpty ? 0 : (growth ?? (isRun ? lastFraction(view) : KEPT_FRACTION));
  const percent = isEmpty ? '' : isRun ? `${Math.round(fraction * 100)} %` : growthWords(view);
  const shaken = view.state.shakenAt === undefined ? '' : ', shaken';
  return {
    view,
    number: view.vessel.number,
    fraction,
    letter: suspect?.letter ?? '',
    word: suspect?.word ?? wordOf(view),
    label: `${[view.code, suspect?.word ?? percent, suspect === undefined ? wordOf(view) : ''].filter(Boolean).join(', ')}${shaken}`,
  };
}

/** Blocks are opened once they are firm. */
function runFullWords(vessels: readonly VesselView[], nowMs: number): string {
  const firm = vessels.flatMap((v) => firmMsOf(v) ?? []);
  if (firm.length === 0) {
    return 'run full';
  }
  const firmMs = Math.min(...firm);
  return firmMs <= nowMs ? 'run full: open them' : `run full, firm about ${rangeWords(firmMs, firmMs)}`;
}

function remarkOf(sound: readonly VesselView[], house: House, nowMs: number): string {
  const lag = sound.filter((v) => standingAmongSiblings(v, house, nowMs)?.kind === 'laggard');
  const stalled = sound.filter(isStalled);
  const full = sound.filter(isRunFull).length;
  const words = [
    full > 0 && full < sound.length ? `${full} run to the glass.` : '',
    lag.length > 0 ? `${lag.map((v) => v.code).join(', ')} behind the others.` : '',
    stalled.length > 0 ? `${stalled.map((v) => v.code).join(', ')} gained nothing in 4 days.` : '',
  ];
  return words.filter(Boolean).join(' ');
}

/** What is to be said of a sound one beside its number. */
function wordOf(view: VesselView): string {
  const { state } = view;
  if (state.phase === 'cooked') {
    return state.isControl === true ? 'control' : view.batch.stage === 'agar' ? 'blank' : 'waits';
  }
  if (state.watchedAt !== undefined) {
    return 'watch';
  }
  return isFruiting(view) ? 'fruits' : isStalled(view) ? 'slow' : '';
}
