import {
  CoreError,
  checkEntry,
  consequencesOf,
  isCorrection,
  withRows,
  type Entry,
  type House,
} from '../../../core/index';

/** Kinds that change nothing for the entries that are noted with them. */
const ASIDE: readonly Entry['kind'][] = ['logged', 'cautionRead'];
const MOST_NAMED = 3;

/**
 * Refuses a deed that cannot be true of a house, each entry in the house that the ones before it left.
 *
 * @param words how an entry is called, for a refusal
 * @throws CoreError
 */
export function checkDeed(
  house: House,
  entries: readonly Entry[],
  nowMs: number,
  words: (entry: Entry) => string,
): void {
  let standing = house;
  entries.forEach((entry, i) => {
    checkEntry(standing, entry, nowMs);
    // Strikes are not checked against each other here, so dozens of them need no house in between.
    const isAsked = entries.slice(i + 1).some((e) => !isCorrection(e) || e.kind === 'retimed');
    if (isAsked && !ASIDE.includes(entry.kind)) {
      standing = withRows(standing, { entries: [entry] });
    }
  });
  const corrections = entries.filter(isCorrection);
  if (corrections.length > 0) {
    refuseConsequences(house, corrections, words);
  }
}

function refuseConsequences(
  house: House,
  corrections: readonly Entry[],
  words: (entry: Entry) => string,
): void {
  const impossible = consequencesOf(house, corrections);
  const [first] = impossible;
  if (first === undefined) {
    return;
  }
  const named = impossible.slice(0, MOST_NAMED).map((i) => words(i.fact));
  throw new CoreError('later-impossible', {
    named,
    more: impossible.length - named.length,
    cause: first.cause,
  });
}
