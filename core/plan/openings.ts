import type { Random } from '../record/new-id.js';
import { normalDraw } from '../base/normal-draw.js';
import type { BlockOutlook } from './outlook.js';
import type { OwnFigure } from './own-figure.js';
import { makingCourse, openedLateDays, type Making, type MakingCourse } from './run-late.js';

/** Blocks that are opened on one day. */
export interface BlocksOpened {
  readonly daysBefore: number;
  readonly blocks: number;
}

/** Which blocks are opened when, so that enough is there on a day. */
export interface Openings {
  readonly openings: readonly BlocksOpened[];
  /** 8 times in 10 at least so much is there, g. */
  readonly likelyG: number;
  /** How often what is wanted is there, 0 to 1. */
  readonly chance: number;
}

export interface OpeningsWish {
  readonly massG: number;
  /** So long before the day it may be cut and kept cold. */
  readonly coldDays: number;
  /** How often it must be enough, 0 to 1. */
  readonly certainty: number;
  /** Dry mass of a block, g. */
  readonly dryG: number;
  readonly outlook: BlockOutlook;
  /** How the blocks come to be; left out where they are there and firm. */
  readonly making?: Making;
}

/** Openings on more than so many days are no plan any more. Our choice. */
const MOST_WAVES = 3;
/** More blocks a day than any home opens. Our choice. */
export const MOST_BLOCKS = 40;
/** Enough for 8 in 10 to be told to about one of a hundred. */
const DRAWS = 1000;
/** "Likely" is 8 in 10. */
const LIKELY = 0.8;
/** A day is tried in steps of a quarter. */
const STEP_DAYS = 0.25;

/**
 * The fewest blocks that are enough so often as is asked for: when a block bears is known to a range, so those that must bear about a
 * day are opened on one to three days, so far apart as what was cut keeps cold.
 *
 * @returns the most that can be had where no number is enough
 */
export function openingsFor(wish: OpeningsWish, random: Random): Openings {
  const { massG, certainty } = wish;
  const courses = Array.from({ length: DRAWS }, () => courseOf(wish, random));
  const cutDays = courses.map((course) => blockOf(wish, course, random).day).sort((a, b) => a - b);
  const tried = Array.from({ length: MOST_WAVES }, (_, i) => new Tried(daysBefore(wish, cutDays, i + 1)));
  let best: Openings | undefined;
  // One block more for each opening, until no way of opening could do with fewer.
  for (let blocks = 1; blocks <= MOST_BLOCKS; blocks += 1) {
    const left = tried.filter((t) => best === undefined || t.days.length * blocks < blocksOf(best));
    if (left.length === 0) {
      break;
    }
    const waves = Math.max(...left.map((t) => t.days.length));
    courses.forEach((course, draw) => {
      for (let wave = 0; wave < waves; wave += 1) {
        const block = blockOf(wish, course, random);
        left.forEach((t) => {
          t.add(draw, wave, block, wish.coldDays);
        });
      }
    });
    for (const way of left) {
      const openings = way.openings(blocks);
      if (
        chanceOf(way.thereG, massG) >= certainty &&
        (best === undefined || blocksOf({ openings }) < blocksOf(best))
      ) {
        best = { openings, likelyG: likelyOf(way.thereG), chance: chanceOf(way.thereG, massG) };
      }
    }
  }
  return best ?? mostOf(tried, massG);
}

/** So much is there 8 times in 10 where only so many blocks are opened as are given, g. */
export function likelyGramsOf(wish: OpeningsWish, openings: Openings['openings'], random: Random): number {
  const way = new Tried(openings.map((o) => o.daysBefore));
  for (let draw = 0; draw < DRAWS; draw += 1) {
    const course = courseOf(wish, random);
    openings.forEach(({ blocks }, wave) => {
      for (let i = 0; i < blocks; i += 1) {
        way.add(draw, wave, blockOf(wish, course, random), wish.coldDays);
      }
    });
  }
  return likelyOf(way.thereG);
}

/** One way of opening: on which days, and what is there on the day in each course of things. */
class Tried {
  readonly thereG = new Float64Array(DRAWS);

  constructor(readonly days: readonly number[]) {}

  add(draw: number, wave: number, { day, massG }: Block, coldDays: number): void {
    const opened = this.days[wave];
    if (opened !== undefined && day <= opened && day >= opened - coldDays) {
      this.thereG[draw]! += massG;
    }
  }

  openings(blocks: number): readonly BlocksOpened[] {
    return this.days.map((daysBefore) => ({ daysBefore, blocks }));
  }
}

/** What a batch of blocks has in common, in standard deviations from the middle. */
interface Course {
  readonly yield: number;
  readonly day: number;
  readonly making: MakingCourse | undefined;
}

function courseOf({ making }: OpeningsWish, random: Random): Course {
  return {
    yield: normalDraw(random),
    day: normalDraw(random),
    making: making && makingCourse(making, random),
  };
}

/** What a block brings, and how many days after it was to be opened. */
interface Block {
  readonly massG: number;
  readonly day: number;
}

function blockOf({ dryG, outlook }: OpeningsWish, course: Course, random: Random): Block {
  const massG = random() < outlook.lostShare ? 0 : dryG * drawn(outlook.firstFlush, course.yield, random);
  const lateDays = course.making ? openedLateDays(course.making, random) : 0;
  return { massG, day: lateDays + drawn(outlook.harvestDay, course.day, random) };
}

function drawn({ middle, batchSigma, vesselSigma }: OwnFigure, batch: number, random: Random): number {
  return middle * Math.exp(batchSigma * batch + vesselSigma * normalDraw(random));
}

function chanceOf(thereG: Float64Array, massG: number): number {
  return thereG.reduce((n, g) => n + (g >= massG ? 1 : 0), 0) / thereG.length;
}

/** So much is there 8 times in 10. */
function likelyOf(thereG: Float64Array): number {
  return thereG.slice().sort()[Math.floor(thereG.length * (1 - LIKELY))] ?? 0;
}

/** Where no number is enough: the way that brings most. */
function mostOf(tried: readonly Tried[], massG: number): Openings {
  const all = tried.map((way) => ({
    openings: way.openings(MOST_BLOCKS),
    likelyG: likelyOf(way.thereG),
    chance: chanceOf(way.thereG, massG),
  }));
  return all.reduce((best, t) => (t.likelyG > best.likelyG ? t : best));
}

export function blocksOf({ openings }: Pick<Openings, 'openings'>): number {
  return openings.reduce((sum, o) => sum + o.blocks, 0);
}

/**
 * Days before the wanted one on which to open, so that what keeps cold between them covers most of the range.
 *
 * @param cutDays drawn days from opening until it is cut, in order
 */
function daysBefore(
  { coldDays }: Pick<OpeningsWish, 'coldDays'>,
  cutDays: readonly number[],
  waves: number,
): readonly number[] {
  const span = Math.max(1, coldDays);
  const tried: { from: number; covered: number }[] = [];
  const middle = cutDays[cutDays.length >> 1]!;
  for (let from = 0; from <= middle; from += STEP_DAYS) {
    const to = from + waves * span;
    tried.push({ from, covered: cutDays.filter((day) => day >= from && day <= to).length });
  }
  const most = Math.max(...tried.map((t) => t.covered));
  // Where several are as good, the middle of them.
  const best = tried.filter((t) => t.covered === most);
  const from = best[best.length >> 1]?.from ?? 0;
  return Array.from({ length: waves }, (_, i) => Math.round(from + (waves - i) * span));
}
