import { hollinRow, type Batch } from '../index.js';
import { BATCH_NAMING, namesWith, noNames } from './codes.js';
import { DAY_MS, START_MS } from '../testing/sample-house.js';

const NOW = START_MS + 200 * DAY_MS;

const batchCodes = (batches: readonly Batch[]) =>
  namesWith(noNames<Batch>(), [], batches, BATCH_NAMING).names.names;

describe('codes', () => {
  const [batch] = hollinRow(NOW, NOW).batches.filter((b) => b.stage === 'grain');
  const twin = (n: number, madeAt: string): Batch => ({
    ...batch!,
    id: `twin-${n}` as never,
    number: 28,
    madeAt,
  });

  it('of two batches of one number stay apart: the first made keeps its own', () => {
    const late = twin(1, '2026-05-02T00:00:00.000Z');
    const early = twin(2, '2026-05-01T00:00:00.000Z');
    for (const order of [
      [late, early],
      [early, late],
    ]) {
      const codes = batchCodes(order);
      expect(codes.get(early.id)).toBe('G28');
      expect(codes.get(late.id)).toBe('G28b');
    }
  });

  it('of very many of one number are all different', () => {
    const many = Array.from({ length: 700 }, (_, n) => twin(n, '2026-05-01T00:00:00.000Z'));
    expect(new Set(batchCodes(many).values()).size).toBe(700);
    expect(batchCodes(many.slice(0, 27)).get('twin-9')).toBe('G28aa');
  });
});
