import * as fc from 'fast-check';
import {
  awakeSpans,
  bindingsOf,
  freeSpans,
  moveTask,
  scheduleTasks,
  type Limits,
  type LocalDay,
  type Schedule,
  type Task,
  type TaskPart,
  type WeekPattern,
} from '../index.js';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;
/** A Monday at midnight, UTC. */
const MONDAY = Date.UTC(2026, 10, 30);

const days = (count: number): readonly LocalDay[] =>
  Array.from({ length: count }, (_, i) => ({
    date: new Date(MONDAY + i * DAY).toISOString().slice(0, 10),
    noonMs: MONDAY + i * DAY + 12 * HOUR,
    weekday: i % 7,
  }));

const EVENING = [{ fromMinute: 18 * 60, toMinute: 22 * 60 }];
const WEEKEND = [{ fromMinute: 9 * 60, toMinute: 21 * 60 }];
const PATTERN: WeekPattern = {
  weekdays: [EVENING, EVENING, EVENING, EVENING, EVENING, WEEKEND, WEEKEND],
  dates: {},
  daysOff: [],
  quietFromMinute: 22 * 60,
};

const limits = (over: Partial<Limits> = {}, pattern = PATTERN, count = 28): Limits => ({
  nowMs: MONDAY,
  horizonMs: MONDAY + count * DAY,
  spans: { free: freeSpans(days(count), pattern), awake: awakeSpans(days(count), pattern) },
  taken: [],
  easeMs: 0,
  ...over,
});

const hands = (minutes: number): TaskPart => ({
  minutes,
  within: 'free',
  uses: [{ of: 'hands', share: 1 }],
});
const cooking = (minutes: number): TaskPart => ({
  minutes,
  within: 'awake',
  uses: [{ of: 'canner', share: 1 }],
});
const task = (key: string, over: Partial<Task> = {}): Task => ({
  key,
  goal: 'supper',
  parts: [hands(60)],
  after: [],
  ...over,
});
const at = (schedule: Pick<Schedule, 'slots'>, key: string): string =>
  new Date(schedule.slots.get(key)!.startMs).toISOString().slice(5, 16);
const day = (n: number, hour = 0) => MONDAY + n * DAY + hour * HOUR;
const by = (byMs: number): Task['due'] => ({ fromMs: 0, byMs });

describe('times at which somebody is there', () => {
  it('are those of the weekday, or of the date where that is otherwise', () => {
    const spans = freeSpans(days(7), { ...PATTERN, dates: { '2026-12-01': [], '2026-12-02': WEEKEND } });
    expect(
      spans.map((s) => [new Date(s.startMs).toISOString().slice(5, 13), (s.endMs - s.startMs) / HOUR]),
    ).toEqual([
      ['11-30T18', 4],
      ['12-02T09', 12],
      ['12-03T18', 4],
      ['12-04T18', 4],
      ['12-05T09', 12],
      ['12-06T09', 12],
    ]);
  });

  it('are at the same time of day before and after the clocks change', () => {
    // The day that the clocks go back has 25 hours: its noon is an hour later than a day after the last.
    const change: LocalDay[] = [
      { date: '2026-10-24', noonMs: Date.UTC(2026, 9, 24, 10), weekday: 5 },
      { date: '2026-10-25', noonMs: Date.UTC(2026, 9, 25, 11), weekday: 6 },
    ];
    const hours = freeSpans(change, PATTERN).map((s) => new Date(s.startMs).toISOString().slice(11, 13));
    expect(hours).toEqual(['07', '08']);
  });

  it('go on for a cooker until the quiet of the night', () => {
    const spans = awakeSpans(days(2), { ...PATTERN, quietFromMinute: 23 * 60, dates: { '2026-12-01': [] } });
    expect(spans.map((s) => (s.endMs - s.startMs) / HOUR)).toEqual([5]);
  });

  it('go on over midnight as one', () => {
    const late = [
      { fromMinute: 20 * 60, toMinute: 25 * 60 },
      { fromMinute: 0, toMinute: 60 },
    ];
    const spans = freeSpans(days(2), { ...PATTERN, weekdays: [late, late] });
    expect(spans.map((s) => (s.endMs - s.startMs) / HOUR)).toEqual([1, 5, 5]);
  });
});

describe('a schedule', () => {
  it('puts everything as late as its date and the evenings allow', () => {
    const schedule = scheduleTasks(
      [
        task('cook', { parts: [hands(20), cooking(180)], after: [{ key: 'soak', ms: 12 * HOUR }] }),
        task('soak', { parts: [hands(10)] }),
        task('sow', { after: [{ key: 'cook', ms: 12 * HOUR }], due: by(day(4, 20)) }),
      ],
      limits(),
    );
    expect([at(schedule, 'soak'), at(schedule, 'cook'), at(schedule, 'sow')]).toEqual([
      '12-02T18:00',
      '12-03T18:00',
      '12-04T18:00',
    ]);
    expect(schedule.lateMs.get('supper')).toBe(0);
  });

  it('puts things at the beginning of an evening, and what another follows at once right before that', () => {
    const two = (n: number): Task[] => [
      task(`fill ${n}`, { parts: [hands(30)] }),
      task(`cook ${n}`, {
        parts: [cooking(180)],
        after: [{ key: `fill ${n}`, ms: 0, mostMs: 12 * HOUR }],
        due: by(day(6)),
      }),
    ];
    const schedule = scheduleTasks([...two(1), ...two(2)], limits());
    expect(['fill 1', 'cook 1', 'fill 2', 'cook 2'].map((k) => at(schedule, k))).toEqual([
      '12-05T12:00',
      '12-05T12:30',
      '12-05T09:00',
      '12-05T09:30',
    ]);
  });

  it('puts what must follow at once where there is time for both, and not where there is for it alone', () => {
    const batch = (pot: string): Task[] => [
      task(`fill ${pot}`, { parts: [hands(100)] }),
      task(`cook ${pot}`, {
        parts: [{ minutes: 120, within: 'awake', uses: [{ of: pot, share: 1 }] }],
        after: [{ key: `fill ${pot}`, ms: 0, mostMs: 12 * HOUR }],
        due: by(day(4, 22)),
      }),
    ];
    // Each has a pot of its own, and one pair of hands fills both: an evening is too short for that.
    const schedule = scheduleTasks([...batch('canner'), ...batch('pot')], limits());
    expect(schedule.lateMs.get('supper')).toBe(0);
    expect(['canner', 'pot'].map((pot) => at(schedule, `cook ${pot}`).slice(0, 5)).sort()).toEqual([
      '12-03',
      '12-04',
    ]);
  });

  it('gives what cannot be in time its soonest day', () => {
    const chain = [
      task('sow', { parts: [hands(30)] }),
      task('cut', { after: [{ key: 'sow', ms: 10 * DAY }], due: { fromMs: day(5), byMs: day(6) } }),
    ];
    const schedule = scheduleTasks(chain, limits());
    expect(schedule.lateMs.get('supper')! / DAY).toBe(5);
    expect([at(schedule, 'sow'), at(schedule, 'cut')]).toEqual(['11-30T18:00', '12-10T18:30']);
    const never = scheduleTasks(chain, limits({ horizonMs: day(9) }));
    expect([never.lateMs.get('supper'), never.slots.size]).toEqual([Infinity, 0]);
  });

  it('gives the first choice to the goal that is wanted first', () => {
    const evening = (goal: string, byMs: number) => task(goal, { goal, parts: [hands(240)], due: by(byMs) });
    const schedule = scheduleTasks([evening('b', day(3)), evening('a', day(2))], limits());
    expect([at(schedule, 'a'), at(schedule, 'b')]).toEqual(['12-01T18:00', '12-02T18:00']);
    const tight = scheduleTasks([evening('b', day(1)), evening('a', day(1)), evening('c', day(1))], limits());
    expect([...tight.lateMs.values()].map((ms) => ms / DAY)).toEqual([0, 1, 2]);
  });

  it('cooks two batches of a kind in one cook where both fit and neither grows stale', () => {
    const cook = (key: string, byMs: number, share: number) =>
      task(key, {
        goal: key,
        parts: [hands(20), cooking(120)],
        together: { kind: 'quarts', share },
        due: by(byMs),
      });
    const ease = limits({ easeMs: 3 * DAY });
    const both = scheduleTasks([cook('a', day(3), 0.5), cook('b', day(5), 0.5)], ease);
    expect([at(both, 'a'), at(both, 'b'), both.with.get('b')]).toEqual(['12-02T18:00', '12-02T18:00', 'a']);
    const full = scheduleTasks([cook('a', day(3), 0.5), cook('b', day(5), 0.6)], ease);
    expect([at(full, 'b'), full.with.size]).toEqual(['12-04T18:00', 0]);
    const far = scheduleTasks([cook('a', day(3), 0.5), cook('b', day(9), 0.5)], ease);
    expect(far.with.size).toBe(0);
  });

  it('leaves a day off free where that costs no more than the ease', () => {
    const pattern = { ...PATTERN, daysOff: [5, 6] };
    const one = [task('sow', { due: by(day(6, 20)) })];
    expect(at(scheduleTasks(one, limits({ easeMs: 3 * DAY }, pattern)), 'sow')).toBe('12-04T18:00');
    expect(at(scheduleTasks(one, limits({ easeMs: DAY / 2 }, pattern)), 'sow')).toBe('12-06T09:00');
    // Too long for an evening: it is a day off all the same.
    const long = [task('sow', { parts: [hands(300)], due: by(day(6, 20)) })];
    expect(at(scheduleTasks(long, limits({ easeMs: 3 * DAY }, pattern)), 'sow')).toBe('12-06T09:00');
  });

  it('goes round a cooker that is out of order, and a shelf that is full', () => {
    const cook = task('cook', { parts: [cooking(120)], due: by(day(4)) });
    const broken = { of: 'canner', share: 1, startMs: day(1), endMs: day(8), by: 'repair' };
    expect(at(scheduleTasks([cook], limits({ taken: [broken] })), 'cook')).toBe('11-30T18:00');
    const run = [
      task('sow'),
      task('open', {
        after: [{ key: 'sow', ms: DAY, stands: [{ of: 'shelf', share: 0.6 }] }],
        due: by(day(9)),
      }),
    ];
    expect(at(scheduleTasks(run, limits()), 'sow')).toBe('12-07T18:00');
    const shelf = { of: 'shelf', share: 0.5, startMs: day(3), endMs: day(8), by: 'others' };
    const full = scheduleTasks(run, limits({ taken: [shelf] }));
    expect(full.lateMs.get('supper')).toBe(DAY);
    expect([at(full, 'sow'), at(full, 'open')]).toEqual(['12-08T18:00', '12-09T19:00']);
  });

  it('counts all that would stand in a place at once, also where it is begun at once', () => {
    const run = (share: number): Task[] => [
      task('spawn'),
      ...['open 1', 'open 2'].map((key) =>
        task(key, {
          after: [{ key: 'spawn', ms: DAY, stands: [{ of: 'shelf', share }] }],
          due: by(day(9)),
        }),
      ),
    ];
    expect(scheduleTasks(run(0.5), limits()).lateMs.get('supper')).toBe(0);
    expect(scheduleTasks(run(0.6), limits()).lateMs.get('supper')).toBe(Infinity);
  });
});

describe('a task that is moved', () => {
  const chain = [
    task('soak', { parts: [hands(10)] }),
    task('cook', {
      parts: [hands(20), cooking(120)],
      after: [{ key: 'soak', ms: 12 * HOUR, mostMs: 30 * HOUR }],
    }),
    task('sow', { after: [{ key: 'cook', ms: 12 * HOUR }], due: by(day(6)) }),
    task('other', { goal: 'other', due: by(day(3)) }),
  ];
  const planned = scheduleTasks(chain, limits());

  it('draws what it waits for along, and pushes what waits for it', () => {
    const later = moveTask(chain, limits(), planned, 'cook', day(6, 10))!;
    expect(later.moved).toEqual(['cook', 'soak', 'sow']);
    expect([at(later, 'soak'), at(later, 'cook'), at(later, 'sow')]).toEqual([
      '12-05T09:00',
      '12-06T10:00',
      '12-07T18:00',
    ]);
    expect(later.broken).toEqual([{ kind: 'late', key: 'sow', byMs: day(6) }]);
    const sooner = moveTask(chain, limits(), planned, 'cook', day(1, 18))!;
    expect([at(sooner, 'soak'), at(sooner, 'cook')]).toEqual(['11-30T21:50', '12-01T18:00']);
    expect([sooner.moved, sooner.broken]).toEqual([['cook', 'soak'], []]);
  });

  it('says what it breaks where no time is left', () => {
    const moved = moveTask(chain, limits(), planned, 'cook', day(0, 18))!;
    expect(moved.broken).toEqual([{ kind: 'order', before: 'soak', after: 'cook' }]);
    expect(moveTask(chain, limits(), planned, 'cook', day(40))).toBeUndefined();
  });

  it('takes the place of another, which makes way', () => {
    const two = [
      task('a', { goal: 'a', parts: [hands(240)], due: by(day(2)) }),
      task('b', { goal: 'b', parts: [hands(240)], due: by(day(5)) }),
    ];
    const both = scheduleTasks(two, limits());
    const moved = moveTask(two, limits(), both, 'a', day(4, 18))!;
    expect([at(moved, 'a'), at(moved, 'b')]).toEqual(['12-04T18:00', '12-03T18:00']);
    const stays = moveTask(two, limits(), both, 'a', day(4, 18), new Set(['b']))!;
    expect([at(stays, 'a'), at(stays, 'b')]).toEqual(['12-04T18:00', '12-04T18:00']);
    expect(stays.broken.filter((b) => b.kind === 'room').map((b) => b.key)).toEqual(['a', 'b']);
  });
});

describe('two cookers and five batches, by hand', () => {
  // The figures and their reckoning stand in docs/checks.md.
  const load = (key: string, cooker: string, minutes: number, byHour: number): Task => ({
    key,
    goal: key,
    parts: [hands(30), { minutes, within: 'awake', uses: [{ of: cooker, share: 1 }] }],
    after: [],
    due: by(day(5, byHour)),
  });
  const five = [
    load('G1', 'canner', 180, 21),
    load('G2', 'canner', 180, 21),
    load('B1', 'canner', 210, 21),
    load('L1', 'multi', 60, 21),
    load('A1', 'multi', 60, 15),
  ];

  it('all are done on one Saturday, and each at the hour that follows', () => {
    const schedule = scheduleTasks(five, limits());
    expect([...schedule.lateMs.values()].every((ms) => ms === 0)).toBeTrue();
    expect(faultsOf(five, schedule, limits())).toEqual([]);
    const hours = Object.fromEntries(five.map(({ key }) => [key, at(schedule, key).slice(6)]));
    expect(hours).toEqual({ G2: '09:00', A1: '09:30', L1: '10:30', G1: '12:00', B1: '15:00' });
  });
});

/** By a second way: every five minutes it is asked who is at what. */
function faultsOf(
  tasks: readonly Task[],
  { slots, with: guests }: Pick<Schedule, 'slots' | 'with'>,
  to: Limits,
): string[] {
  const faults: string[] = [];
  const taken = new Map<string, number>();
  const take = (of: string, share: number, fromMs: number, toMs: number) => {
    for (let ms = fromMs; ms < toMs; ms += 5 * MINUTE) {
      const key = `${of} ${ms}`;
      taken.set(key, (taken.get(key) ?? 0) + share);
    }
  };
  to.taken.forEach((t) => {
    take(t.of, t.share, t.startMs, t.endMs);
  });
  const shares = new Map<string, number>();
  for (const one of tasks) {
    const slot = slots.get(one.key);
    if (slot === undefined) {
      continue;
    }
    const host = guests.get(one.key) ?? one.key;
    shares.set(host, (shares.get(host) ?? 0) + (one.together?.share ?? 0));
    if (slots.get(host)!.startMs !== slot.startMs) {
      faults.push(`${one.key} is not with ${host}`);
    }
    let ms = slot.startMs;
    for (const part of one.parts) {
      const endMs = ms + part.minutes * MINUTE;
      const isThere = to.spans[part.within ?? 'free'].some((s) => s.startMs <= ms && endMs <= s.endMs);
      if (part.within !== undefined && !isThere) {
        faults.push(`nobody is there for ${one.key}`);
      }
      if (host === one.key) {
        part.uses.forEach((u) => {
          take(u.of, u.share, ms, endMs);
        });
      }
      ms = endMs;
    }
    for (const wait of one.after) {
      const before = slots.get(wait.key)!;
      const gapMs = slot.startMs - before.endMs;
      if (gapMs < wait.ms || gapMs > (wait.mostMs ?? Infinity)) {
        faults.push(`${one.key} does not suit ${wait.key}`);
      }
      wait.stands?.forEach((u) => {
        take(u.of, u.share, before.endMs, slot.startMs);
      });
    }
    if (slot.startMs < to.nowMs || slot.startMs < (one.fromMs ?? 0)) {
      faults.push(`${one.key} is too soon`);
    }
  }
  for (const [key, sum] of taken) {
    if (sum > 1 + 1e-6) {
      faults.push(`${key.split(' ')[0]} is taken ${sum} times`);
    }
  }
  for (const [host, sum] of shares) {
    if (sum > 1 + 1e-6) {
      faults.push(`${host} is too full`);
    }
  }
  return [...new Set(faults)];
}

/** Chains of what goes on in a kitchen: some work, a cook or none, a wait on a shelf, the next. */
const anyTasks = fc
  .array(
    fc.record({
      links: fc.array(
        fc.record({
          minutes: fc.integer({ min: 1, max: 30 }),
          cook: fc.option(fc.integer({ min: 1, max: 40 }), { nil: undefined }),
          waitH: fc.integer({ min: 0, max: 90 }),
          keepsH: fc.option(fc.integer({ min: 8, max: 200 }), { nil: undefined }),
          shelf: fc.integer({ min: 0, max: 10 }),
          share: fc.integer({ min: 1, max: 10 }),
        }),
        { minLength: 1, maxLength: 4 },
      ),
      byDay: fc.integer({ min: 1, max: 24 }),
    }),
    { minLength: 1, maxLength: 4 },
  )
  .map((goals) =>
    goals.flatMap(({ links, byDay }, g) =>
      links.map(({ minutes, cook, waitH, keepsH, shelf, share }, i): Task => {
        const last = links[i - 1];
        return {
          key: `${g}-${i}`,
          goal: `goal ${g}`,
          parts: [hands(minutes * 5), ...(cook === undefined ? [] : [cooking(cook * 5)])],
          ...(cook !== undefined && { together: { kind: `${minutes} ${cook}`, share: share / 10 } }),
          after:
            last === undefined
              ? []
              : [
                  {
                    key: `${g}-${i - 1}`,
                    ms: waitH * HOUR,
                    stands: [{ of: 'shelf', share: shelf / 20 }],
                    ...(keepsH !== undefined && { mostMs: (waitH + keepsH) * HOUR }),
                  },
                ],
          ...(i === links.length - 1 && { due: { fromMs: day(byDay - 1), byMs: day(byDay) } }),
        };
      }),
    ),
  );

describe('any tasks at all', () => {
  it('never take more than there is, and never come before what they wait for', () => {
    fc.assert(
      fc.property(anyTasks, (tasks) => {
        const to = limits({ easeMs: 2 * DAY });
        const schedule = scheduleTasks(tasks, to);
        expect(faultsOf(tasks, schedule, to)).toEqual([]);
        for (const [goal, lateMs] of schedule.lateMs) {
          expect(tasks.filter((t) => t.goal === goal).every((t) => schedule.slots.has(t.key))).toBe(
            lateMs < Infinity,
          );
        }
        expect([...scheduleTasks(tasks, to).slots]).toEqual([...schedule.slots]);
      }),
      { numRuns: 2000 },
    );
  });

  it('move nothing that neither depends on what is moved nor shares anything with it, and say what is broken', () => {
    fc.assert(
      fc.property(anyTasks, fc.nat(), fc.integer({ min: 0, max: 25 }), (tasks, pick, toDay) => {
        const to = limits({ easeMs: 2 * DAY });
        const schedule = scheduleTasks(tasks, to);
        const keys = [...schedule.slots.keys()];
        const key = keys[pick % Math.max(1, keys.length)];
        const moved = key === undefined ? undefined : moveTask(tasks, to, schedule, key, day(toDay));
        if (moved === undefined) {
          return;
        }
        const faults = faultsOf(tasks, moved, to);
        const isBroken = moved.broken.some((b) => b.kind !== 'late');
        expect(faults.length > 0)
          .withContext(faults.join(', '))
          .toBe(isBroken);
        expect([...moved.slots.keys()].sort()).toEqual(keys.sort());
      }),
      { numRuns: 2000 },
    );
  });

  it('of two goals that share nothing, leave the other alone', () => {
    const own = (goal: string, uses: string): Task[] => {
      const part: TaskPart = { minutes: 60, within: 'free', uses: [{ of: uses, share: 1 }] };
      return [
        { key: `${goal} 1`, goal, parts: [part], after: [] },
        { key: `${goal} 2`, goal, parts: [part], after: [{ key: `${goal} 1`, ms: DAY }], due: by(day(9)) },
      ];
    };
    const tasks = [...own('a', 'his hands'), ...own('b', 'her hands')];
    const schedule = scheduleTasks(tasks, limits());
    for (let to = 0; to < 27; to += 1) {
      const moved = moveTask(tasks, limits(), schedule, 'a 2', day(to))!;
      expect(moved.moved.filter((k) => k.startsWith('b'))).toEqual([]);
    }
  });
});

describe('what a late goal waits for', () => {
  const cook = (goal: string, byMs: number) => task(goal, { goal, parts: [cooking(240)], due: by(byMs) });
  const bindings = (tasks: readonly Task[], to = limits()) => {
    const schedule = scheduleTasks(tasks, to);
    return [...bindingsOf(tasks, to, schedule)];
  };

  it('is the cooker that others have, and by how much', () => {
    const two = [cook('a', day(1)), cook('b', day(1))];
    expect(bindings(two)).toEqual([['b', { kind: 'taken', of: 'canner', gainMs: DAY }]]);
    expect(bindings([cook('a', day(1))])).toEqual([]);
  });

  it('is itself where all that it takes is free', () => {
    const slow = [task('sow'), task('cut', { after: [{ key: 'sow', ms: 9 * DAY }], due: by(day(4)) })];
    expect(bindings(slow)).toEqual([['supper', { kind: 'itself' }]]);
  });
});
