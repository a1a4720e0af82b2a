import { isKindOf } from '../../material/is-kind-of.js';
import type { BlendPart } from '../blend.js';
import type { Match } from './match-material.js';
import type { ReadLine } from './read-line.js';

/** A question about a line that is no question of the material. */
export interface LineQuestion {
  /** By which the answer is kept. */
  readonly key: string;
  readonly choices: readonly { readonly answer: string; readonly words: string }[];
}

/** One line with what came of it. A problem leaves the line out and all else computed. */
export interface AuditLine extends ReadLine {
  readonly massG?: number;
  /** Both ends of a range. */
  readonly rangeG?: readonly [low: number, high: number];
  readonly match?: Match;
  readonly question?: LineQuestion;
  /** Not written, but meant: the water that grain is soaked in. */
  readonly isTaken?: true;
}

/** What a line puts in. Potato is boiled and strained out, as every recipe for agar and broth has it. */
export function partOf({ massG, match, isBath }: AuditLine): BlendPart[] {
  if (massG === undefined || match === undefined || match.kind === 'unknown' || isBath === true) {
    return [];
  }
  return match.kind === 'water'
    ? [{ massG }]
    : [{ material: match.material, massG, strained: isKindOf(match.material, 'potato') }];
}
