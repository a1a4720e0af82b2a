import { TestBed } from '@angular/core/testing';
import { METRIC_UNITS, hollinRow, type House, type UnitChoices } from '../../core/index';
import { buildHouse } from '../../core/index';
import { namesakesOf, openedIn } from '../data/views/opened';
import { placeOf } from '../data/views/place-of';
import { furnishedHouse, until } from '../testing/house';
import { Definitions } from '../data/journal/definitions';
import { houseAt } from '../data/store/which-house';
import { pressureWords, unitsShown } from '../data/words/measure-words';
import { entryWords, rangeWords, shortTime } from '../data/words/words';
import { runLineOf } from '../data/views/run-line-model';
import { Bursts } from '../data/devices/bursts';
import { Keys } from '../data/devices/keys';

const NOW = new Date(2026, 10, 25, 13, 48).getTime();
const MIDNIGHT = new Date(2026, 10, 25).getTime();
let house: House;
beforeAll(() => {
  house = buildHouse(hollinRow(NOW, MIDNIGHT));
});

describe('the house at an address', () => {
  it('is made up under /demo and one’s own everywhere else', () => {
    expect(houseAt('/demo').madeUp).toBe(true);
    expect(houseAt('/demo/shelf').database).toBe('nailwort-demo');
    expect(houseAt('/').database).toBe('nailwort');
    expect(houseAt('/demolition').madeUp).toBe(false);
  });
});

describe('a code leads to where the vessel stands', () => {
  const cases: readonly [string, string | undefined][] = [
    ['G28', 'stove'],
    ['g27-3', 'shelf'],
    ['B28-2', 'tent'],
    ['L6', 'shelf'],
    ['B12-1', 'ledger'],
    ['G99', undefined],
    ['G27-99', undefined],
  ];
  for (const [code, place] of cases) {
    it(`${code} at the ${place ?? 'nowhere'}`, () => {
      const opened = openedIn(house, code);
      expect(opened && (placeOf(opened, house).path as string)).toBe(place);
    });
  }
});

describe('two batches of one number', () => {
  it('are asked apart by their code, and opened apart by their ids', () => {
    const records = hollinRow(NOW, MIDNIGHT);
    const grain = records.batches.find((b) => b.stage === 'grain' && b.number === 27)!;
    const twinId = '018f0000-0000-7000-8000-00000000cccc' as typeof grain.id;
    const vesselId = '018f0000-0000-7000-8000-00000000dddd' as (typeof records.vessels)[number]['id'];
    const made = records.entries.find((e) => e.kind === 'batchMade' && e.batchId === grain.id)!;
    const both = buildHouse({
      ...records,
      batches: [...records.batches, { ...grain, id: twinId, madeAt: new Date(NOW).toISOString() }],
      vessels: [...records.vessels, { id: vesselId, schemaVersion: 1, batchId: twinId, number: 3 }],
      entries: [
        ...records.entries,
        { ...made, id: twinId as never, batchId: twinId, vesselIds: [vesselId] } as typeof made,
      ],
    });
    expect(namesakesOf(both, 'G27-3').map((o) => o.vessel!.code)).toEqual(['G27-3', 'G27b-3']);
    expect(openedIn(both, vesselId)!.vessel!.code).toBe('G27b-3');
    expect(openedIn(both, 'g27B-3')!.vessel!.vessel.id).toBe(vesselId);
    expect(openedIn(both, 'G27-3')!.batch.batch.id).toBe(grain.id);
  });
});

describe('words', () => {
  it('give times as short as they can be understood', () => {
    expect(shortTime(NOW + 3_600_000, NOW)).toBe('14:48');
    expect(shortTime(NOW + 86_400_000, NOW)).toBe('Thu 13:48');
    expect(shortTime(NOW + 12 * 86_400_000, NOW)).toBe('7 Dec');
    expect(rangeWords(NOW, NOW + 86_400_000)).toBe('25 to 26 Nov');
    expect(rangeWords(NOW, NOW + 9 * 86_400_000)).toBe('25 Nov to 4 Dec');
    expect(rangeWords(NOW, NOW)).toBe('25 Nov');
  });

  it('give pressure in the unit of the house', () => {
    const inUnit = (pressure: UnitChoices['pressure']) => {
      unitsShown.set({ ...METRIC_UNITS, pressure });
      return pressureWords(103.4213594);
    };
    expect(inUnit('psi')).toBe('15 psi');
    expect(inUnit('kPa')).toBe('103.4 kPa');
    expect(inUnit('bar')).toBe('1.03 bar');
    unitsShown.set(METRIC_UNITS);
  });

  it('tell every entry of the made-up household', () => {
    for (const entry of house.records.entries) {
      expect(entryWords(entry, house).length).withContext(entry.kind).toBeGreaterThan(5);
      expect(entryWords(entry, house)).not.toContain('undefined');
    }
  });
});

describe('a run line', () => {
  const line = (code: string) =>
    runLineOf(
      house.batches.find((b) => b.code === code)!,
      house,
      NOW,
    );

  it('has what happened as dots and what is expected as bands', () => {
    expect(line('G27').dots.length).toBeGreaterThanOrEqual(3);
    expect(line('G27').bands.map((b) => b.label)[0]).toBe('shake');
    expect(line('G27').bands[1]!.label).toMatch(/^full /);
    expect(line('B28').bands[0]!.label).toBe('harvest');
  });

  it('says what comes next before there is growth', () => {
    expect(line('G28').next!.words).toBe('in the canner, then inoculate');
    expect(line('G28').words).toContain('G28');
  });
});

describe('single keys', () => {
  let setup: Awaited<ReturnType<typeof furnishedHouse>>;
  beforeEach(async () => {
    // A hand, and never a scanner.
    const atOnce = { press: (_: KeyboardEvent, act?: () => void) => act?.() };
    setup = await furnishedHouse({ provide: Bursts, useValue: atOnce });
  });
  afterEach(() => setup.close());

  const pressed = (keys: Keys, target: HTMLElement, key = 'u', more: KeyboardEventInit = {}) => {
    document.body.append(target);
    const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more });
    target.addEventListener('keydown', (e) => {
      keys.handle(e);
    });
    target.dispatchEvent(event);
    target.remove();
    return event.defaultPrevented;
  };

  it('act outside fields, and sleep inside them and with a modifier', () => {
    const keys = TestBed.inject(Keys);
    let count = 0;
    const remove = keys.add([{ key: 'u', words: 'undo', act: () => count++ }]);
    expect(pressed(keys, document.createElement('div'))).toBe(true);
    expect(pressed(keys, document.createElement('input'))).toBe(false);
    expect(pressed(keys, document.createElement('textarea'))).toBe(false);
    expect(pressed(keys, document.createElement('div'), 'u', { ctrlKey: true })).toBe(false);
    expect(count).toBe(1);
    // A list that is open takes letters; one that stands on the page, as the formulas do, takes arrows alone.
    const [open, standing] = [document.createElement('ul'), document.createElement('mat-chip-listbox')];
    [open, standing].forEach((list) => {
      list.setAttribute('role', 'listbox');
    });
    expect([pressed(keys, open), pressed(keys, standing)]).toEqual([false, true]);
    expect(count).toBe(2);
    remove();
    expect(pressed(keys, document.createElement('div'))).toBe(false);
  });

  it('take the meaning of the place that is open, and give it back', () => {
    const keys = TestBed.inject(Keys);
    const seen: string[] = [];
    keys.add([{ key: '1', words: 'Desk', act: () => seen.push('desk') }]);
    const remove = keys.add([{ key: '1', words: '10 %', act: () => seen.push('ten') }]);
    pressed(keys, document.createElement('div'), '1');
    remove();
    pressed(keys, document.createElement('div'), '1');
    expect(seen).toEqual(['ten', 'desk']);
  });

  it('can be switched off', async () => {
    const keys = TestBed.inject(Keys);
    keys.add([{ key: 'u', words: 'undo', act: () => fail('it was switched off') }]);
    await TestBed.inject(Definitions).change('household', 'household', { singleKeys: false });
    await until(setup.store, (h) => h.household?.singleKeys === false);
    expect(pressed(keys, document.createElement('div'))).toBe(false);
  });
});
