/** What a scanned or typed text turns out to be. */
export type LabelRead =
  | { readonly kind: 'vessel'; readonly name: string }
  /** A label of ours, of the made-up house where one's own is open, or the other way round. */
  | { readonly kind: 'otherHouse' }
  | { readonly kind: 'foreign' };

/** No link or code of ours is longer. */
const MOST_LETTERS = 300;
const LINK = /^https?:\/\/[^/\s]{1,255}(\/demo)?\/v\/([0-9A-Za-z-]{1,64})$/;
const CODE = /^[A-Za-z]?\d[0-9A-Za-z]{0,7}(-\d{1,4})?$/;

/**
 * Reads what a camera or a scanner gave, or a person typed: the link of a label (whatever address the house had when
 * it was printed), a code, or the tail of one. Anything else is foreign and is never followed.
 */
export function readLabel(text: string, isMadeUp: boolean): LabelRead {
  const given = text.trim();
  if (given.length > MOST_LETTERS) {
    return { kind: 'foreign' };
  }
  const [, demo, name] = LINK.exec(given) ?? [];
  if (name !== undefined) {
    return (demo !== undefined) === isMadeUp ? { kind: 'vessel', name } : { kind: 'otherHouse' };
  }
  return CODE.test(given) ? { kind: 'vessel', name: given } : { kind: 'foreign' };
}
