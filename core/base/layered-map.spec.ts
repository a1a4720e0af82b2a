import fc from 'fast-check';
import { LayeredMap } from './layered-map.js';

const changes = fc.array(
  fc.array(fc.tuple(fc.nat({ max: 400 }), fc.option(fc.nat(), { nil: undefined })), { maxLength: 120 }),
  { maxLength: 12 },
);

describe('a layered map', () => {
  it('holds what a plain map holds, after any changes, and never changes what was held before', () => {
    fc.assert(
      fc.property(changes, (steps) => {
        let map = LayeredMap.empty<number, number>();
        const plain = new Map<number, number>();
        for (const step of steps) {
          const before = map;
          const content = [...before];
          map = map.with(new Map(step));
          step.forEach(([key, value]) => (value === undefined ? plain.delete(key) : plain.set(key, value)));
          expect([...before]).toEqual(content);
        }
        const inOrder = (m: ReadonlyMap<number, number>) => [...m.entries()].sort(([a], [b]) => a - b);
        expect(inOrder(map)).toEqual(inOrder(plain));
        expect(map.size).toBe(plain.size);
        for (let key = 0; key <= 400; key++) {
          expect(map.get(key)).toBe(plain.get(key));
          expect(map.has(key)).toBe(plain.has(key));
        }
        expect([...map.keys()].length).toBe([...map.values()].length);
        let told = 0;
        map.forEach((value, key) => (told += Number(map.get(key) === value)));
        expect(told).toBe(map.size);
      }),
    );
  });

  it('is itself when nothing is put on it', () => {
    const map = LayeredMap.empty<number, number>().with(new Map([[1, 2]]));
    expect(map.with(new Map())).toBe(map);
  });
});
