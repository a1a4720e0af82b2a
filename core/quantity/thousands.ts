/** A number with its thousands plain, and what was taken where it could be read otherwise. */
export interface PlainThousands {
  readonly text: string;
  readonly notes: readonly string[];
}

const GROUPED = /(?<![\d.,])[1-9]\d{0,2}(?:,\d{3})+(?![\d,])/g;
const PERHAPS_GROUPED = /(?<![\d.,])([1-9]\d{0,2})\.\d{3}(?![\d.,])/g;

/**
 * A comma before three digits groups thousands, as "1,500" is written; a point never does, so that "1.000" is one. Both
 * are written the other way round elsewhere: what was taken is said. "0,125" and "1,5" have a decimal comma.
 */
export function plainThousands(typed: string): PlainThousands {
  const notes: string[] = [];
  const text = typed
    .replace(GROUPED, (all, at: number) => {
      const plain = all.replaceAll(',', '');
      // In front of a point it can be nothing else.
      if (typed[at + all.length] !== '.') {
        notes.push(`“${all}” is read as ${plain}.`);
      }
      return plain;
    })
    .replace(PERHAPS_GROUPED, (all, before: string) => {
      notes.push(`“${all}” is read as ${Number(all)}, not as ${before} thousand.`);
      return all;
    });
  return { text, notes };
}
