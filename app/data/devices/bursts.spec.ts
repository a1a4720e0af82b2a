import { TestBed } from '@angular/core/testing';
import { ApplicationRef, provideZonelessChangeDetection } from '@angular/core';
import { Bursts } from './bursts';
import { Scans } from './scans';

describe('keys that come in bursts', () => {
  let read: string[];
  let done: string[];
  let bursts: Bursts;
  let ms: number;

  beforeEach(() => {
    read = [];
    done = [];
    ms = 1000;
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: Scans, useValue: { read: (text: string) => read.push(text) } },
      ],
    });
    bursts = TestBed.inject(Bursts);
  });

  function press(text: readonly string[], gapMs: number, waits = true): void {
    for (const key of text) {
      ms += gapMs;
      const event = new KeyboardEvent('keydown', { key, cancelable: true });
      Object.defineProperty(event, 'timeStamp', { value: ms });
      bursts.press(event, () => done.push(key), waits);
    }
  }
  const letters = (text: string) => Array.from(text);
  /** Until keys that were held are let go and a label is read, however long this machine takes. */
  const wait = () => TestBed.inject(ApplicationRef).whenStable();

  it('are a label where they are too fast for a hand and end with Enter, and press nothing', async () => {
    press([...letters('G27-3'), 'Enter'], 4);
    await wait();
    expect(read).toEqual(['G27-3']);
    expect(done).toEqual([]);
  });

  it('are a hand otherwise: each is done, in its order', async () => {
    press(['1', '2', 'u'], 120);
    await wait();
    expect(done).toEqual(['1', '2', 'u']);
    press(['4', '5'], 10);
    await wait();
    expect(done).toEqual(['1', '2', 'u', '4', '5']);
    press([...letters('12'), 'Enter'], 5);
    await wait();
    expect(done.slice(-3)).toEqual(['1', '2', 'Enter']);
    expect(read).toEqual([]);
  });

  it('are heard at once where the first need not wait', async () => {
    press(['2'], 200, false);
    expect(done).toEqual(['2']);
    ms += 200;
    press(['h', 't', 't', 'p', 'Enter'], 4, false);
    await wait();
    expect([read, done]).toEqual([['http'], ['2', 'h']]);
  });

  it('of a hand and then of a scanner are told apart', async () => {
    press(['2'], 100);
    press([...letters('http://h/v/x'), 'Enter'], 3);
    await wait();
    expect([read, done]).toEqual([['2http://h/v/x'], []]);
    press(['2'], 200);
    ms += 100;
    press([...letters('G27-3'), 'Enter'], 3);
    await wait();
    expect(read.at(-1)).toBe('G27-3');
    expect(done).toEqual(['2']);
  });
});
