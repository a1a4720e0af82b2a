import { photosByIsolate, type PhotoId } from '../index.js';
import { CultureBench } from '../testing/culture-bench.js';

const photo = (n: number) => `018f0000-0000-7000-8000-00000000000${n}` as PhotoId;

describe('photos of an isolate', () => {
  it('are those of all its vessels, also of one that is out, the last first, each once', () => {
    const bench = new CultureBench();
    const [a, b] = bench.received(0, 'culture-dish', 40, 'wedge', { isolateId: 'bp', count: 2 });
    const [other] = bench.received(0, 'culture-dish', 40, 'wedge', { isolateId: 'ko' });
    bench.say(1, { kind: 'inspected', vesselIds: [a!], photoId: photo(1) });
    bench.say(2, { kind: 'inspected', vesselIds: [b!, a!], photoId: photo(2) });
    bench.say(3, { kind: 'inspected', vesselIds: [other!], photoId: photo(3) });
    bench.say(4, { kind: 'discarded', vesselIds: [a!], reason: 'contaminated' });
    const photos = photosByIsolate(bench.house);
    expect(photos.get('bp')!.map((p) => [p.id, p.view.code])).toEqual([
      [photo(2), bench.view(a).code],
      [photo(1), bench.view(a).code],
    ]);
    expect(photos.get('ko')!.map((p) => p.id)).toEqual([photo(3)]);
  });
});
