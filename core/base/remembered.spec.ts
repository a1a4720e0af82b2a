import { remembered } from './remembered.js';

describe('a function that keeps its answers', () => {
  it('asks once for what was asked before, an answer of nothing included', () => {
    const asked: number[] = [];
    const half = remembered(({ of }: { of: number }) => {
      asked.push(of);
      return of % 2 === 0 ? of / 2 : undefined;
    });
    expect([half({ of: 4 }), half({ of: 3 }), half({ of: 4 }), half({ of: 3 })]).toEqual([
      2,
      undefined,
      2,
      undefined,
    ]);
    expect(asked).toEqual([4, 3]);
  });

  it('lets all go when it holds enough, and remembers no refusal', () => {
    let asked = 0;
    const one = remembered((of: number) => {
      asked++;
      if (of < 0) {
        throw new Error('no');
      }
      return of;
    }, 2);
    [1, 2, 3, 3, 1].forEach((n) => one(n));
    expect(asked).toBe(4);
    expect(() => one(-1)).toThrowError('no');
    expect(() => one(-1)).toThrowError('no');
    expect(asked).toBe(6);
  });
});
