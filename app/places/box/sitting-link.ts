import { groupBy, type House, type Job, type Sharing, type VesselView } from '../../../core/index';
import { openedIn } from '../../data/views/opened';

/**
 * A sitting as its address holds it, so that a reload in mid-work loses nothing: when it began, and its jobs. Each job is
 * `targets*sources*each*sharing*sector`; targets are `batch:1.2.3` by comma, sources ids or codes by comma. People may type
 * codes for ids: `G28:1.2*L12-1*2`.
 */
export interface SittingLink {
  readonly sinceMs: number;
  readonly jobs: readonly Job[];
}

const SINCE = '~';
const BETWEEN_JOBS = ';';
const BETWEEN_PARTS = '*';
/** A sitting is not longer, whatever an address says. */
const MOST_JOBS = 40;

export function linkOf(sinceMs: number, jobs: readonly Job[]): string {
  const written = jobs.map(({ targets, sources, each, sharing, sector }) =>
    [
      [...groupBy(targets, (t) => t.batch.id)]
        .map(([id, own]) => `${id}:${own.map((t) => t.vessel.number).join('.')}`)
        .join(','),
      sources.map((s) => s.vessel.id).join(','),
      String(each),
      sharing,
      ...(sector === undefined ? [] : [encodeURIComponent(sector)]),
    ].join(BETWEEN_PARTS),
  );
  return `${sinceMs.toString(36)}${SINCE}${written.join(BETWEEN_JOBS)}`;
}

/** What of an address can be found in this house; jobs without a source or a vessel are left out. */
export function sittingIn(link: string, house: House | undefined): SittingLink {
  const [head = '', tail] = link.split(SINCE);
  const sinceMs = tail === undefined ? 0 : parseInt(head, 36) || 0;
  const jobs = (tail ?? head)
    .split(BETWEEN_JOBS)
    .slice(0, MOST_JOBS)
    .flatMap((text) => jobIn(text, house) ?? []);
  return { sinceMs, jobs };
}

function jobIn(text: string, house: House | undefined): Job | undefined {
  const [targets = '', sources = '', each = '', sharing = '', sector] = text.split(BETWEEN_PARTS);
  const job: Job = {
    targets: targets.split(',').flatMap((part) => targetsIn(part, house)),
    sources: sources.split(',').flatMap((name) => openedIn(house, name)?.vessel ?? []),
    each: Number(each),
    sharing: SHARINGS.find((s) => s === sharing) ?? 'inTurn',
    ...(sector !== undefined && sector !== '' && { sector: decodeURIComponent(sector).slice(0, 24) }),
  };
  return job.targets.length > 0 && job.sources.length > 0 && job.each > 0 ? job : undefined;
}

const SHARINGS: readonly Sharing[] = ['inTurn', 'evenly', 'together'];

function targetsIn(part: string, house: House | undefined): readonly VesselView[] {
  const [name, numbers = ''] = part.split(':');
  const wanted = new Set(numbers.split('.').map(Number));
  return openedIn(house, name)?.batch.vessels.filter((v) => wanted.has(v.vessel.number)) ?? [];
}
