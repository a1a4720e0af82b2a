import { formatNumber } from '../../../core/index';
import type { Arrival } from './archive-service';

/** What came in, what differed and which won, what could not be read, what is called otherwise now. */
export function arrivalWords({ added, differed, replaced, unread, stopped, renamed, part }: Arrival): string {
  const rows = (n: number) => `${formatNumber(n)} ${n === 1 ? 'record' : 'records'}`;
  return [
    `${stopped ? 'Stopped' : 'Brought in'}: ${rows(added)} added.`,
    differed === 0
      ? ''
      : `${rows(differed)} differed; in ${formatNumber(replaced)} the file's was later and counts now.`,
    unread === 0 ? '' : `${rows(unread)} cannot be read by this version; kept and listed below.`,
    renamed.length === 0
      ? ''
      : `Two devices gave one number: the later made is called ${renamed.join(', ')} now. Labels still open their own.`,
    part === undefined ? '' : `That was part ${part.number} of ${part.of}.`,
    stopped ? 'What came in is whole; bring the file in again for the rest.' : '',
  ]
    .filter(Boolean)
    .join(' ');
}
