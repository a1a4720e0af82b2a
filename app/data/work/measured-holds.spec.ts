import { TestBed } from '@angular/core/testing';
import type { CookPlan, HoldChance } from '../../../core/index';
import { Time } from '../clock/time';
import { HouseStore } from '../store/house-store';
import { HeatService } from './heat-service';
import { MeasuredHolds } from './measured-holds';

const HOLDS = [60, 90].map((holdMinutes) => ({ holdMinutes, chance: holdMinutes / 100 }) as HoldChance);

describe('holds that measuring asks for', () => {
  let asked: number;
  let measured: readonly unknown[];
  let answer: readonly HoldChance[] | undefined;
  const setUp = () => {
    asked = 0;
    measured = [{}];
    answer = HOLDS;
    TestBed.configureTestingModule({
      providers: [
        {
          provide: HouseStore,
          useValue: {
            house: (
              (house) => () =>
                house
            )({}),
          },
        },
        { provide: Time, useValue: { now: () => 0 } },
        {
          provide: HeatService,
          useValue: {
            evidence: () => ({ measured, outcomes: [], practiceWeight: 1 }),
            holds: () => {
              asked++;
              return Promise.resolve(answer);
            },
          },
        },
      ],
    });
    return TestBed.inject(MeasuredHolds);
  };
  const planOf = (chamberC: number) =>
    ({ contents: { vessel: { id: 'quart-jar' }, stage: 'grain' }, startC: 20, chamberC }) as CookPlan;

  it('are reckoned once, and there when the worker has answered', async () => {
    const holds = setUp();
    expect(holds.of(planOf(119), 20)).toBeUndefined();
    expect(holds.of(planOf(119), 20)).toBeUndefined();
    await Promise.resolve();
    expect(holds.of(planOf(119), 20)).toBe(90);
    expect(asked).toBe(1);
  });

  it('are none where no hold is enough, and not asked for where nothing was measured', async () => {
    const holds = setUp();
    answer = HOLDS.slice(0, 1);
    holds.of(planOf(119), 20);
    await Promise.resolve();
    expect(holds.of(planOf(119), 20)).toBe('none');
    const silent = (TestBed.resetTestingModule(), setUp());
    measured = [];
    expect(silent.of(planOf(119), 20)).toBeUndefined();
    expect(asked).toBe(0);
  });

  it('are asked for again after so many others that they were let go, and after a failure', async () => {
    const holds = setUp();
    for (let chamberC = 50; chamberC < 120; chamberC++) {
      holds.of(planOf(chamberC), 20);
      await Promise.resolve();
    }
    holds.of(planOf(50), 20);
    await Promise.resolve();
    expect(holds.of(planOf(50), 20)).toBe(90);
    answer = undefined;
    holds.of(planOf(130), 20);
    await Promise.resolve();
    answer = HOLDS;
    holds.of(planOf(130), 20);
    await Promise.resolve();
    expect(holds.of(planOf(130), 20)).toBe(90);
  });
});
