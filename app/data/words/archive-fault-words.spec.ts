import { CoreError, type ArchiveFault } from '../../../core/index';
import { archiveFaultWords, archiveMessageOf } from './archive-fault-words';

/** Each fault with the sentence that a person reads. */
const CASES: readonly (readonly [ArchiveFault, string])[] = [
  [
    { fault: 'newer-format', format: 5, most: 4 },
    'Archive format must be at most 4. This one is 5, from a newer Nailwort: update first.',
  ],
  [{ fault: 'bad-manifest', issue: 'format: expected number' }, 'manifest.json: format: expected number.'],
  [{ fault: 'lacks', file: 'rows/entries.jsonl' }, 'The archive lacks rows/entries.jsonl.'],
  [
    { fault: 'damaged', file: 'rows/entries.jsonl' },
    'rows/entries.jsonl is damaged: its checksum is not the one that was written with it.',
  ],
  [{ fault: 'swollen', file: 'a' }, 'a unpacks to more than the archive says.'],
  [{ fault: 'unknown-packing', file: 'a' }, 'a is packed in a way that this version does not read.'],
  [{ fault: 'twice', file: 'a' }, 'The archive holds a twice.'],
  [{ fault: 'overlap', file: 'a', other: 'b' }, 'In the archive a and b overlap.'],
  [
    { fault: 'too-large', bytes: 612_400_000, most: 500_000_000 },
    'Archive must be at most 500 MB. This one has 612 MB.',
  ],
  [{ fault: 'too-many-files', count: 9, most: 3 }, 'The archive must hold at most 3 files. This one says 9.'],
  [{ fault: 'too-much-inside', most: 2e9 }, 'The archive unpacks to more than 2000 MB.'],
  [{ fault: 'too-much-inside', most: 2e9, file: 'a' }, 'The archive unpacks to more than 2000 MB in a.'],
  [{ fault: 'file-too-large', file: 'a', bytes: 3e6, most: 1e6 }, 'a must be at most 1 MB. It says 3 MB.'],
  [
    { fault: 'too-dense', file: 'a', mostTimes: 200 },
    'a unpacks to more than 200 times its size, as no archive of Nailwort does.',
  ],
  [{ fault: 'too-many-rows', file: 'a', most: 10 }, 'a must have at most 10 rows.'],
  [{ fault: 'row-too-long', file: 'a', most: 10 }, 'a must have rows of at most 10 characters.'],
  [
    { fault: 'rows-missing', file: 'a', counted: 1, held: 0 },
    'a must hold 1 row, as the manifest says. It holds 0.',
  ],
  [
    { fault: 'rows-missing', file: 'a', counted: 4, held: 3 },
    'a must hold 4 rows, as the manifest says. It holds 3.',
  ],
];

describe('what is wrong with an archive', () => {
  it('is said in one sentence that names the file, the figure and the limit', () => {
    for (const [fault, words] of CASES) {
      expect(archiveFaultWords(fault)).withContext(fault.fault).toBe(words);
    }
  });

  it('is told apart from a file that is none of ours', () => {
    expect(archiveFaultWords({ fault: 'not-whole' })).toContain('cut short, damaged or another kind of file');
    expect(archiveFaultWords({ fault: 'not-ours' })).toContain('manifest.json is missing');
  });

  it('is told for a refusal of an archive, and anything else in its own words', () => {
    const refusal = new CoreError('bad-archive', { fault: 'lacks', file: 'a' });
    expect(archiveMessageOf(refusal)).toBe('The archive lacks a.');
    expect(archiveMessageOf(new Error('broken'))).toBe('broken');
  });

  it('tells a long name from a file only so far', () => {
    const words = archiveFaultWords({ fault: 'lacks', file: 'x'.repeat(5000) });
    expect(words.length).toBeLessThan(100);
    expect(words).toContain('…');
  });
});
