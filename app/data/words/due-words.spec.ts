import type { Deed } from '../../../core/index';
import { countWords, deedWords } from './due-words';

describe('what is due, in words', () => {
  it('names the thing and the deed, one or several', () => {
    const shake = (count: number): Deed => ({ kind: 'shake', batch: 'G27', count, vessel: 'jar' });
    expect(deedWords(shake(36))).toBe('Shake G27, 36 jars');
    expect(deedWords(shake(1))).toBe('Shake G27, 1 jar');
    expect(countWords(2, 'dish')).toBe('2 plates');
    expect(countWords(1, 'bag')).toBe('1 block');
    expect(deedWords({ kind: 'load', batch: 'G28', isNext: true })).toBe('Next cook: G28');
    expect(deedWords({ kind: 'load', batch: 'G28', isNext: false })).toBe('Load a cook: G28');
    expect(deedWords({ kind: 'prepare', batch: 'G28', step: 'soak', deed: 'Start soak' })).toBe(
      'Start soak, G28',
    );
  });

  it('is another for every kind of deed', () => {
    const cooks = (['lidOn', 'weightOn', 'heatOff', 'pressureLost', 'openCook'] as const).map(
      (kind): Deed => ({ kind, cook: '14' }),
    );
    const batches = (['inoculate', 'look', 'openBlocks'] as const).map((kind): Deed => ({
      kind,
      batch: 'B3',
    }));
    const words = [...cooks, ...batches].map(deedWords);
    expect(new Set(words).size).toBe(words.length);
    words.forEach((w) => expect(w).toMatch(/(cook 14|B3)$/));
  });
});
