import {
  DAY_MS,
  biologicalEfficiency,
  blockDryMassG,
  forecastVessel,
  formatNumber,
  isRunFull,
  lastFraction,
  nextCutMs,
  type House,
  type VesselView,
  PINS_TO_CUT_DAYS,
  fruitingOf,
  vesselsInHand,
} from '../../../core/index';
import { amountWords } from '../../data/words/measure-words';
import { rangeWords } from '../../data/words/words';
import type { BlockLook } from '../../pieces/block-drawing';

const NAMES = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'];

export interface TentBlock {
  readonly view: VesselView;
  readonly look: BlockLook;
  readonly word: string;
  readonly due: boolean;
  readonly detail: string;
}

/** Blocks that run or fruit, those that need a hand first. */
export function tentBlocks(house: House, nowMs: number): readonly TentBlock[] {
  const views = vesselsInHand(house).filter(
    (v) => v.batch.stage === 'bulk' && (v.state.phase === 'running' || v.state.phase === 'opened'),
  );
  return views
    .map((view) => tentBlock(house, view, nowMs))
    .sort(
      (a, b) =>
        rank(a) - rank(b) ||
        b.view.batch.number - a.view.batch.number ||
        a.view.vessel.number - b.view.vessel.number,
    );
}

function rank(block: TentBlock): number {
  return block.view.state.phase === 'opened' ? 0 : 1;
}

function tentBlock(house: House, view: VesselView, nowMs: number): TentBlock {
  const { state, species } = view;
  if (state.phase === 'running') {
    return runningBlock(house, view, nowMs);
  }
  const cut = nextCutMs(view) ?? nowMs;
  const last = state.harvests[state.harvests.length - 1];
  const rested = last === undefined ? '' : `${amountWords(last.massG)} on ${dayMonth(Date.parse(last.at))}`;
  const fruiting = fruitingOf(view, nowMs);
  if (fruiting === 'ripe' || fruiting === 'pins') {
    return fruiting === 'ripe'
      ? { view, look: 'ripe', word: 'cut today', due: true, detail: species?.harvestCue ?? '' }
      : { view, look: 'pins', word: 'pins', due: false, detail: `cut about ${dayMonth(cut)}` };
  }
  return {
    view,
    look: 'resting',
    word: fruiting === 'waiting' ? 'waiting for pins' : 'resting',
    due: false,
    detail: rested || `pins about ${dayMonth(cut - PINS_TO_CUT_DAYS * DAY_MS)}`,
  };
}

function runningBlock(house: House, view: VesselView, nowMs: number): TentBlock {
  const forecast = forecastVessel(house, view);
  const start = Date.parse(view.state.inoculatedAt ?? new Date(nowMs).toISOString());
  const full = isRunFull(view);
  return {
    view,
    look: 'running',
    word: full ? 'run full: open it' : `${formatNumber(lastFraction(view) * 100)} % run`,
    due: full,
    detail:
      full || forecast === undefined
        ? 'or let it rest a week or two'
        : `full ${rangeWords(start + forecast.low * DAY_MS, start + forecast.high * DAY_MS)}`,
  };
}

function dayMonth(ms: number): string {
  return rangeWords(ms, ms);
}

/** Share of the dry mass that a harvest, or all so far, comes to. */
export function efficiencyOf(view: VesselView, extraG = 0): number {
  const fresh = view.state.harvests.reduce((sum, h) => sum + h.massG, 0) + extraG;
  return biologicalEfficiency(fresh, blockDryMassG(view));
}

export function flushName(view: VesselView): string {
  const n = view.state.harvests.length;
  return `${NAMES[n] ?? `${n + 1}th`} flush`;
}

/** What this house's other blocks of the same species gave in the same flush, as a share of their dry mass. */
export function usualRange(
  view: VesselView,
  house: House,
): { readonly low: number; readonly high: number } | undefined {
  const flush = view.state.harvests.length;
  const shares = house.batches
    .flatMap((b) => b.vessels)
    .flatMap((v) => {
      const harvest = v.state.harvests[flush];
      return v.species?.id === view.species?.id && v !== view && harvest !== undefined
        ? [harvest.massG / blockDryMassG(v)]
        : [];
    });
  return shares.length < 3 ? undefined : { low: Math.min(...shares), high: Math.max(...shares) };
}
