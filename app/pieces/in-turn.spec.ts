import { computed, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { inTurn } from './in-turn';

describe('rows that take what is new in turn', () => {
  const ROWS = 5;
  const frame = async () => {
    TestBed.tick();
    await new Promise((done) => requestAnimationFrame(done));
    // The turn itself waits for the same frame, and was asked for first.
    TestBed.tick();
  };

  it('have all of it at first, then so many more in each frame', async () => {
    const source = signal('old');
    const of = TestBed.runInInjectionContext(() => inTurn(source, signal(ROWS), 2));
    const all = computed(() => [0, 1, 2, 3, 4, 9].map(of).join(' '));
    expect(all()).toBe('old old old old old old');
    source.set('new');
    expect(all()).toBe('old old old old old old');
    await frame();
    expect(all()).toBe('new new old old old old');
    await frame();
    expect(all()).toBe('new new new new old old');
    await frame();
    expect(all()).toBe('new new new new new new');
  });

  it('go on from what came last when more comes before all have it', async () => {
    const source = signal(1);
    const of = TestBed.runInInjectionContext(() => inTurn(source, signal(ROWS), 2));
    of(0);
    source.set(2);
    of(0);
    await frame();
    source.set(3);
    expect([0, 4].map(of)).toEqual([2, 2]);
    for (let i = 0; i < 3; i += 1) {
      await frame();
    }
    expect([0, 4].map(of)).toEqual([3, 3]);
  });
});
