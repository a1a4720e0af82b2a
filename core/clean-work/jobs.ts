import { compareRanks } from '../base/collections.js';
import { formOf, isMycelium, type CultureForm } from '../culture/form.js';
import { transferOf, type KindOfWork } from '../culture/transfers.js';
import type { House, VesselView } from '../house/derive/house.js';
import { partsToSow } from '../house/to-inoculate.js';
import type { CultureUnit } from '../record/culture.js';
import { plateTestOf } from './plate-test.js';

/** At most two vessels stand open in a still-air box. Common practice, no source. */
export const USUAL_OPEN_AT_ONCE = 2;

/** How several sources share what they give. */
export type Sharing = 'inTurn' | 'evenly' | 'together';

/** One part of a sitting: some sources, and what they are given to. */
export interface Job {
  readonly sources: readonly VesselView[];
  readonly targets: readonly VesselView[];
  readonly each: number;
  readonly sharing: Sharing;
  readonly sector?: string;
}

/** One press of a sitting: a vessel, or a part of a dish. */
export interface Step {
  readonly job: Job;
  readonly target: VesselView;
  readonly part: number | 'whole';
}

/** With what the hands work in a job; undefined where nobody gives such a source to such a medium. */
export function workOf({ sources, targets }: Pick<Job, 'sources' | 'targets'>): KindOfWork | undefined {
  const [source, target] = [sources[0], targets[0]];
  return source && target && transferOf(formOf(source.batch), formOf(target.batch))?.work;
}

/** In what a job is dosed. */
export function unitOfJob({ sources }: Pick<Job, 'sources'>): CultureUnit {
  return sources[0]?.remainingUnit ?? 'ml';
}

/** What is left to be done of a job, in the order of its vessels. */
export function stepsOfJob(job: Job): readonly Step[] {
  return job.targets.flatMap((target) => partsToSow(target).map((part) => ({ job, target, part })));
}

/** Agar before broth before grain before wood: what stands open longest, and sheds most, comes last. */
const TARGET_ORDER: readonly CultureForm[] = ['slant', 'plate', 'broth', 'spores', 'grain', 'bulk'];
/** Cultures grown clean before what comes from outside. */
const SOURCE_ORDER: readonly CultureForm[] = [
  'slant',
  'plate',
  'broth',
  'grain',
  'spores',
  'print',
  'tissue',
  'bulk',
];

/**
 * The order in which the jobs of a sitting are best done: from cleanest to dirtiest, what is suspect or failed its test
 * last of all; jobs of one source together.
 */
export function inOrder(jobs: readonly Job[], house: House, nowMs: number): readonly Job[] {
  const ranked = jobs.map((job, index) => ({
    job,
    key: [
      dirtOf(job, house, nowMs),
      TARGET_ORDER.indexOf(formOfFirst(job.targets)),
      SOURCE_ORDER.indexOf(formOfFirst(job.sources)),
      jobs.findIndex((other) => other.sources[0] === job.sources[0]),
      index,
    ],
  }));
  return ranked.sort((a, b) => compareRanks(a.key, b.key)).map(({ job }) => job);
}

/** 0 for what was seen clean or came so, 1 for what was never tried, 2 for what is suspect. */
function dirtOf({ sources }: Job, house: House, nowMs: number): number {
  return Math.max(
    ...sources.map((source) => {
      if (source.state.suspect !== undefined) {
        return 2;
      }
      const form = formOf(source.batch);
      if (form === 'broth') {
        const { word } = plateTestOf(source, house, nowMs);
        return word === 'dirty' ? 2 : word === 'clean' ? 0 : 1;
      }
      return isMycelium(form) ? 0 : 1;
    }),
    0,
  );
}

function formOfFirst([first]: readonly VesselView[]): CultureForm {
  return first === undefined ? 'bulk' : formOf(first.batch);
}
