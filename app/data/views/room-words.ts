import { formatNumber, type Room, type RoomFor } from '../../../core/index';
import { listed } from '../words/listed';

/** Sizes by which a place is measured: one, more, and the name of their field. */
export const ROOM_FOR_WORDS: Readonly<Record<RoomFor, readonly [string, string, string]>> = {
  jar: ['jar', 'jars', 'Jars or bottles'],
  bag: ['block', 'blocks', 'Blocks in bags'],
  dish: ['dish', 'dishes', 'Dishes'],
  tub: ['tub', 'tubs', 'Tubs or trays'],
};

/** "53 of 60" for a place that was told in one number; "60 % full, room for 12 jars or 4 blocks" for one told by kind. */
export function roomWords({ count, share, left }: Room, holds: number | undefined): string {
  if (share === undefined) {
    return '';
  }
  if (left.length === 0) {
    return share > 1 ? `${count} where ${holds ?? 0} stand with ease` : `${count} of ${holds ?? 0}`;
  }
  const rest = left
    .filter((l) => l.count > 0)
    .map(({ of, count: n }) => `${n} ${ROOM_FOR_WORDS[of][n === 1 ? 0 : 1]}`);
  const full = `${formatNumber(share * 100)} % full`;
  return share > 1
    ? `${count}, more than stand with ease`
    : rest.length === 0
      ? full
      : `${full}, room for ${listed(rest, 'or')}`;
}
