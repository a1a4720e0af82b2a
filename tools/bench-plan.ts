import {
  EASE_MS,
  USUAL_WEEK,
  awakeSpans,
  buildHouse,
  defaultHousehold,
  draftSuppers,
  freeSpans,
  moveTask,
  openingsOf,
  openingsWishOf,
  planCook,
  scheduleTasks,
  shippedDefinitions,
  type Limits,
  type LocalDay,
  type Supper,
} from '../core/index.js';
import { timed, type HeatTime } from './bench-heat.js';

const DAY_MS = 86_400_000;
const HORIZON_DAYS = 183;
/** A Monday at midnight, UTC. */
const NOW = Date.UTC(2026, 10, 30);
const BATCHES = 60;
const SPECIES = ['black-poplar', 'chestnut', 'king-oyster', 'pearl-oyster'];

/** Wishes for so many batches of grain and blocks, over half a year. */
function wishes(): readonly Supper[] {
  return Array.from({ length: BATCHES / 2 }, (_, i) => ({
    key: `wish ${i}`,
    speciesId: SPECIES[i % SPECIES.length]!,
    massG: 200,
    byMs: NOW + Math.round(90 + (i * 90) / (BATCHES / 2)) * DAY_MS + 17 * 3_600_000,
    coldDays: 7,
    certainty: 0.5,
  }));
}

/** What the planner's worker does, for a house in which nothing is there yet. */
export function planTimes(): readonly HeatTime[] {
  const house = buildHouse({
    ...shippedDefinitions(),
    household: [defaultHousehold('2026-01-01T00:00:00.000Z')],
  });
  const days: readonly LocalDay[] = Array.from({ length: HORIZON_DAYS + 1 }, (_, i) => ({
    date: new Date(NOW + i * DAY_MS).toISOString().slice(0, 10),
    noonMs: NOW + (i + 0.5) * DAY_MS,
    weekday: i % 7,
  }));
  const horizonMs = NOW + HORIZON_DAYS * DAY_MS;
  const limits: Limits = {
    nowMs: NOW,
    horizonMs,
    spans: { free: freeSpans(days, USUAL_WEEK), awake: awakeSpans(days, USUAL_WEEK) },
    taken: [],
    easeMs: EASE_MS,
  };
  const suppers = wishes();
  const asked = suppers.map((s) => openingsWishOf(s, house));
  const kitchen = { house, nowMs: NOW, horizonMs, plan: planCook };
  const { tasks } = draftSuppers(suppers, asked.map(openingsOf), kitchen);
  const schedule = scheduleTasks(tasks, limits);
  const [key, slot] = [...schedule.slots].find(([k]) => k.endsWith('spawnBlocks'))!;
  return [
    {
      what: `blocks for ${suppers.length} wishes, 8 in 10 by draws`,
      times: timed(() => asked.map(openingsOf), 9, 3),
      aim: '',
    },
    {
      what: `plan of ${BATCHES} batches over half a year, ${tasks.length} steps`,
      times: timed(() => scheduleTasks(tasks, limits), 9, 3),
      aim: 'below 200 ms',
    },
    {
      what: 'one step of it moved by three days',
      times: timed(() => moveTask(tasks, limits, schedule, key, slot.startMs + 3 * DAY_MS), 9, 3),
      aim: 'below 16 ms',
    },
  ];
}
