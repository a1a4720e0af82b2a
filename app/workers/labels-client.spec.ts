import { TestBed } from '@angular/core/testing';
import type { LabelContent } from '../../core/index';
import { LABEL_SHEETS } from './label-sheets';
import { LabelsWorker } from './labels-client';

/** The parts of a PDF that are not packed: its objects by their kind. */
async function drawn(species: string, sheetId: string): Promise<{ pages: number; pictures: number }> {
  const label: LabelContent = {
    code: 'A31-3',
    species,
    made: 'plate, made 3 Mar 2026',
    sown: 'inoc. 5 Mar 2026 from A12-1',
    formula: 'Malt 2 %',
    link: 'http://127.0.0.1:4310/v/0197f2ac-0000-7000-8000-000000000001',
  };
  const sheet = LABEL_SHEETS.find((s) => s.id === sheetId)!;
  const pdf = await TestBed.inject(LabelsWorker).draw([label], sheet, { byHand: false, first: 1 });
  const text = new TextDecoder('latin1').decode(pdf);
  expect(text.startsWith('%PDF')).toBe(true);
  expect(text.includes('<script>')).toBe(false);
  return {
    pages: text.match(/\/Type \/Page\b/g)?.length ?? 0,
    pictures: text.match(/\/Subtype \/Image/g)?.length ?? 0,
  };
}

describe('labels as a PDF', () => {
  for (const sheetId of ['a4-24', 'flag-184', 'roll-62']) {
    it(`write what our face holds, and draw what it does not: ${sheetId}`, async () => {
      const plain = await drawn('Black poplar BP-Print', sheetId);
      expect(plain).toEqual({ pages: 1, pictures: 0 });
      expect(await drawn('<script>alert(1)</script> & “so”', sheetId)).toEqual(plain);
      expect(await drawn('so long a name '.repeat(40), sheetId)).toEqual(plain);
      for (const strange of ['פטרייה שלי', 'فطر الحور', '🍄 poplar 🍄', '茶樹菇'.repeat(60)]) {
        const { pages, pictures } = await drawn(strange, sheetId);
        expect(pages).withContext(strange).toBe(1);
        expect(pictures).withContext(strange).toBeGreaterThan(0);
      }
    });
  }
});
