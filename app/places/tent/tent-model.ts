import {
  firmMsOf,
  DAY_MS,
  biologicalEfficiency,
  blockDryMassG,
  forecastVessel,
  formatNumber,
  isFruiting,
  isRunFull,
  lastFraction,
  freshG,
  nextCutMs,
  thatBore,
  placeOfVessel,
  useOf,
  type House,
  type VesselView,
  BEFORE_SPORES_MS,
  cutTimes,
  cutWindow,
  fruitingOf,
  vesselsInHand,
} from '../../../core/index';
import { amountWords } from '../../data/words/measure-words';
import { SUSPECT_AT_WORDS } from '../../data/words/look-words';
import { CONTAMINANT_WORDS, placeWords, rangeWords, shortTime } from '../../data/words/words';
import type { BlockLook } from '../../pieces/block-drawing';

const NAMES = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'];

export interface TentBlock {
  readonly view: VesselView;
  readonly look: BlockLook;
  readonly word: string;
  readonly due: boolean;
  readonly detail: string;
  /** One-letter tag of what is wrong with it; empty where nothing is. */
  readonly letter: string;
}

/** What fruits, wherever it stands; what runs in a place where things fruit; blocks that have run full and wait to be opened. */
export function tentBlocks(house: House, nowMs: number): readonly TentBlock[] {
  const views = vesselsInHand(house).filter((v) => isInTent(v, house));
  return views
    .map((view) => tentBlock(house, view, nowMs))
    .sort(
      (a, b) =>
        rank(a, house) - rank(b, house) ||
        b.view.batch.number - a.view.batch.number ||
        a.view.vessel.number - b.view.vessel.number,
    );
}

function isInTent(view: VesselView, house: House): boolean {
  const { state, batch } = view;
  return (
    isFruiting(view) ||
    (state.phase === 'running' &&
      (useOf(house, placeOfVessel(view)) === 'fruit' ||
        (batch.stage === 'bulk' && state.suspect === undefined && isRunFull(view))))
  );
}

/** What fruits in a tent, then what fruits elsewhere, then what only runs. */
function rank({ view }: TentBlock, house: House): number {
  return !isFruiting(view) ? 2 : useOf(house, placeOfVessel(view)) === 'fruit' ? 0 : 1;
}

function tentBlock(house: House, view: VesselView, nowMs: number): TentBlock {
  const block = soundBlock(house, view, nowMs);
  const { suspect, suspectWhere } = view.state;
  const shut =
    view.state.openedBy === 'shut'
      ? 'left shut'
      : isFruiting(view) && view.state.phase === 'running'
        ? 'still shut'
        : '';
  const here = placeOfVessel(view);
  const away = useOf(house, here) === 'fruit' ? '' : placeWords(here, house);
  const detail = [block.detail, shut, away].filter(Boolean).join(', ');
  return suspect === undefined
    ? { ...block, detail }
    : {
        ...block,
        word: CONTAMINANT_WORDS[suspect].word,
        letter: CONTAMINANT_WORDS[suspect].letter,
        detail: [suspectWhere === undefined ? '' : SUSPECT_AT_WORDS[suspectWhere], away]
          .filter(Boolean)
          .join(', '),
        due: false,
      };
}

type SoundBlock = Omit<TentBlock, 'letter'> & { readonly letter: '' };

function soundBlock(house: House, view: VesselView, nowMs: number): SoundBlock {
  const { state, species } = view;
  const letter = '';
  if (!isFruiting(view)) {
    return runningBlock(house, view, nowMs);
  }
  const cut = nextCutMs(view, house) ?? nowMs;
  const last = state.harvests[state.harvests.length - 1];
  const rested = last === undefined ? '' : `${amountWords(last.massG)} on ${dayMonth(Date.parse(last.at))}`;
  const fruiting = fruitingOf(view, house, nowMs);
  if (fruiting === 'ripe' || fruiting === 'pins') {
    return fruiting === 'ripe'
      ? {
          view,
          letter,
          look: 'ripe',
          word: isSporing(view, house, nowMs) ? 'cut now' : 'cut today',
          due: true,
          detail: species?.harvestCue ?? '',
        }
      : { view, letter, look: 'pins', word: 'pins', due: false, detail: `cut about ${dayMonth(cut)}` };
  }
  return {
    view,
    letter,
    look: state.openedBy === 'shut' && fruiting === 'waiting' ? 'running' : 'resting',
    word: fruiting === 'waiting' ? 'waiting for pins' : 'resting',
    due: false,
    detail: rested || `pins about ${dayMonth(cut - cutWindow(species?.id, house).days * DAY_MS)}`,
  };
}

function runningBlock(house: House, view: VesselView, nowMs: number): SoundBlock {
  const forecast = forecastVessel(house, view);
  const start = Date.parse(view.state.inoculatedAt ?? new Date(nowMs).toISOString());
  const full = isRunFull(view);
  const firmMs = firmMsOf(view) ?? nowMs;
  const isFirm = full && firmMs <= nowMs;
  return {
    view,
    letter: '',
    look: 'running',
    word: isFirm
      ? 'run full: open it'
      : full
        ? 'run full'
        : `${formatNumber(lastFraction(view) * 100)} % run`,
    due: isFirm,
    detail: isFirm
      ? 'or let it rest a week or two'
      : full || forecast === undefined
        ? `firm about ${dayMonth(firmMs)}`
        : `full ${rangeWords(start + forecast.low * DAY_MS, start + forecast.high * DAY_MS)}`,
  };
}

/** Whether spores fall soon, or do already. */
export function isSporing(view: VesselView, house: House, nowMs: number): boolean {
  const times = cutTimes(view, house);
  return times !== undefined && nowMs >= times.sporesMs - BEFORE_SPORES_MS;
}

/** When spores are expected to fall, and on what that rests. */
export function sporesWords(view: VesselView, house: House, nowMs: number): string {
  const times = cutTimes(view, house);
  if (times === undefined) {
    return '';
  }
  const { flushes } = cutWindow(view.species?.id, house);
  const basis =
    flushes === 0 ? 'by practice' : `by ${flushes === 1 ? 'one flush' : `${flushes} flushes`} of yours`;
  const window = `Cut ${rangeWords(times.fromMs, times.sporesMs)}`;
  return isSporing(view, house, nowMs)
    ? `Spores fall from about ${shortTime(times.sporesMs, nowMs)}: cut it now, with a mask, and air the room.`
    : `${window}, before spores fall about ${shortTime(times.sporesMs, nowMs)}: ${basis}.`;
}

function dayMonth(ms: number): string {
  return rangeWords(ms, ms);
}

/** Share of the dry mass that a harvest, or all so far, comes to. */
export function efficiencyOf(view: VesselView, house: House, extraG = 0): number {
  return biologicalEfficiency(freshG(view) + extraG, blockDryMassG(view, house));
}

export function flushName(view: VesselView): string {
  return `${ordinal(view.state.harvests.length + 1)} flush`;
}

/** "first", "second", and so on. */
export function ordinal(number: number): string {
  return NAMES[number - 1] ?? `${number}th`;
}

/** What this house's other blocks of the same species gave in the same flush, as a share of their dry mass. */
export function usualRange(
  view: VesselView,
  house: House,
): { readonly low: number; readonly high: number } | undefined {
  const flush = view.state.harvests.length;
  const shares = thatBore(house, view.species?.id).flatMap((v) => {
    const harvest = v.state.harvests[flush];
    return v !== view && harvest !== undefined ? [harvest.massG / blockDryMassG(v, house)] : [];
  });
  return shares.length < 3 ? undefined : { low: Math.min(...shares), high: Math.max(...shares) };
}
