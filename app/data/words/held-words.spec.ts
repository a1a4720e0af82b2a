import { heldWords } from './held-words';
import { recordWords } from './verdict-words';

describe('what is held against a transfer', () => {
  it('says of a cook what its record says', () => {
    for (const [verdict, words] of [
      [{ word: 'not-sterile', reasons: ['held too short'] }, 'not as planned'],
      [{ word: 'not-sterile', reasons: ['spores lived'] }, 'not sterile'],
      [{ word: 'void', reasons: ['boiled dry'] }, 'does not count'],
    ] as const) {
      expect(heldWords({ warning: 'cookShort', codes: ['G28-1', 'G28-2'], name: '14', verdict })).toBe(
        `Cook 14, which G28-1, 2 stood in: ${words}.`,
      );
      expect(recordWords(verdict).word.toLowerCase()).toBe(words);
    }
  });
});
