import { groupBy } from '../../../core/base/collections';
import type { Held } from '../../../core/index';
import { uncapital } from '../../../core/base/wording';
import { verdictWord } from './verdict-word';

/** What is held against a transfer, as a sentence with its reason. */
export function heldWords({ warning, codes, figure = 0, limit = 0, name = '', verdict }: Held): string {
  const who = listed(codes);
  const is = codes.length === 1 ? 'is' : 'are';
  const has = codes.length === 1 ? 'has' : 'have';
  switch (warning) {
    case 'untested':
      return name === ''
        ? `${who} ${has} no clean plate test. A light contamination cannot be seen in broth.`
        : `${who}: the plate test ${name} has not answered yet.`;
    case 'dirtyTest':
      return `${who} failed on plate ${name}. Clean it on agar; never by broth.`;
    case 'tooYoung':
      return `${who} ${is} ${days(figure)} old; usual is ${days(limit)} at least.`;
    case 'tooOld':
      return `${who} ${is} ${days(figure)} old; it keeps ${days(limit)} at most.`;
    case 'suspectSource':
      return `${who} ${is} suspect.`;
    case 'siblingsBad':
      return `${figure === 1 ? 'One' : figure} of the siblings of ${who} went bad.`;
    case 'fedBad':
      return `${figure} of ${limit} that ${who} fed went bad.`;
    case 'notFull':
      return `${who} ${has} not run full.`;
    case 'stillHot':
      return `${who} ${is} still hot in the middle. Heat kills the culture.`;
    case 'cookShort':
      return `Cook ${name}, which ${who} stood in: ${verdict === undefined ? 'not as planned' : uncapital(verdictWord(verdict).word)}.`;
    case 'cookMishap':
      return `${who}: boiled over, lid popped or filter wet in the cook. Air may have gone in past it.`;
    case 'tooManyGenerations':
      return `From ${who} this would be grain to grain for the ${ordinal(figure)} time; the limit here is ${limit}.`;
    case 'tooManyTransfers':
      return `From ${who} this would be transfer ${figure}. Go back to an older culture, or to spores.`;
    case 'poorWood':
      return `${name}: this species grows poorly on it.`;
    case 'mixedIsolates':
      return `${who} are not one isolate. Meant so? Choose “some of each”.`;
  }
}

/** "G28-1 to 8, A3-2": vessels of one batch are named once, and more than four batches counted. */
export function listed(codes: readonly string[]): string {
  const MOST = 4;
  const byBatch = groupBy(codes, (code) => code.slice(0, Math.max(0, code.lastIndexOf('-'))));
  const named = [...byBatch].map(([batch, own]) => (batch === '' ? own.join(', ') : inBatch(batch, own)));
  return named.length > MOST
    ? `${named.slice(0, MOST).join(', ')} and ${named.length - MOST} more`
    : named.join(', ');
}

/** Runs of three and more numbers as "1 to 8". */
function inBatch(batch: string, codes: readonly string[]): string {
  const numbers = codes.map((code) => Number(code.slice(batch.length + 1))).sort((a, b) => a - b);
  const runs: number[][] = [];
  numbers.forEach((n) => {
    const last = runs.at(-1);
    if (last?.at(-1) === n - 1) {
      last.push(n);
    } else {
      runs.push([n]);
    }
  });
  const words = runs.map((run) =>
    run.length > 2 ? `${run[0] ?? ''} to ${run.at(-1) ?? ''}` : run.join(', '),
  );
  return `${batch}-${words.join(', ')}`;
}

function days(count: number): string {
  return `${count} ${count === 1 ? 'day' : 'days'}`;
}

const ORDINALS = ['', 'first', 'second', 'third', 'fourth', 'fifth'];

function ordinal(n: number): string {
  return ORDINALS[n] ?? `${n}th`;
}
