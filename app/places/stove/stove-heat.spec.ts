import { TestBed } from '@angular/core/testing';
import { planCook, type CookView } from '../../../core/index';
import { Journal } from '../../data/journal/journal';
import { demoHouse, furnishedHouse, until, type SpecHouse } from '../../testing/house';
import { render, type Rendered } from '../../testing/render';
import { CookRecord } from './cook/cook-record';
import { DayPlanView } from './cook/day-plan';
import { HoldChoice } from './cook/hold-choice';
import { LogImport } from './cook/log-import';
import { LogList } from './cook/log-list';
import { entryWords } from '../../data/words/words';
import { Pasteurize } from './hydrate/pasteurize';

describe('how long to hold', () => {
  let setup: SpecHouse;
  afterEach(() => setup.close());

  async function choice(over: Partial<Parameters<typeof planCook>[0]> = {}): Promise<Rendered<HoldChoice>> {
    const { appliances, vesselTypes, household } = setup.house().records;
    const vessel = vesselTypes.find((v) => v.id === 'quart-jar')!;
    const plan = planCook({
      appliance: appliances[0]!,
      house: household[0]!,
      vessel,
      count: 8,
      vesselWetG: 420,
      stage: 'grain',
      ...over,
    });
    return render(HoldChoice, { plan, roomC: 20, count: 8 });
  }

  it('shows the schools side by side, the middle at once and the band from the worker', async () => {
    setup = await furnishedHouse();
    const hold = await choice();
    expect([...hold.host.querySelectorAll('mat-button-toggle strong')].map((s) => s.textContent)).toEqual([
      '60 min',
      '90 min',
      '120 min',
    ]);
    expect(hold.button('90 min').getAttribute('aria-checked')).toBe('true');
    expect(hold.text()).toMatch(/Coldest point: F0 about 1\d min/);
    await hold.until(/Likely all 8 keep.*F0 likely .* to .* Overkill, F0 12: about . in 10/);
    expect(hold.text()).toMatch(/About 1 in \d+ of such vessels sours by the cook/);
    expect(hold.text()).toContain(
      'of 100 quarts held 90 min at 15 psi at the sea, 1 to 5 are lost to the cook',
    );
    expect(hold.text()).toContain('Nothing was measured in these vessels yet');
    expect(hold.text()).toContain('The trade’s hold governs');
    expect(hold.text()).toMatch(/2 % air stays in the vessels/);
  });

  it('marks no school while the hold is one’s own', async () => {
    setup = await furnishedHouse();
    const hold = await choice({ chosenHoldMinutes: 60 });
    expect(hold.button('60 min').getAttribute('aria-checked')).toBe('false');
    expect(hold.button('90 min').getAttribute('aria-checked')).toBe('false');
    expect(hold.text()).toContain('your own choice');
  });

  it('says which school and which hold was asked for', async () => {
    setup = await furnishedHouse();
    const hold = await choice();
    const asked: number[] = [];
    hold.fixture.componentInstance.schoolChosen.subscribe((s) => asked.push(s.minutes, s.hereMinutes!));
    hold.fixture.componentInstance.holdChosen.subscribe((m) => asked.push(m));
    await hold.press('120 min');
    await hold.type('input[type=range]', '140');
    expect(asked).toEqual([120, 120, 140]);
  });

  it('warns of browning where sugar shares a long run, and never for grain', async () => {
    setup = await furnishedHouse();
    const bottle = setup.house().records.vesselTypes.find((v) => v.id === 'bottle-500')!;
    const long = await choice({ vessel: bottle, stage: 'liquid', vesselWetG: 250, chosenHoldMinutes: 90 });
    expect(long.text()).toContain('better made anew');
    expect((await choice()).text()).not.toContain('browns like');
  });
});

describe('the record of a cook', () => {
  let setup: SpecHouse;
  let record: Rendered<CookRecord>;
  const cook = (): CookView => setup.house().cooks.find((c) => c.cook.number === 8)!;
  beforeEach(async () => {
    setup = await demoHouse();
    record = await render(CookRecord, { cook: '8' });
  });
  afterEach(() => setup.close());

  it('gives the verdict with its reason and what became of it', () => {
    expect(record.text()).toContain(
      'Done by time. Vented and held as planned. A clock is no proof of the middle.',
    );
    expect(record.text()).toMatch(/\d+ vessels: \d+ inoculated, \d+ turned bad\./);
  });

  it('never is calmer about its load than its verdict is', async () => {
    // Hardly vented; what its heat comes to is another matter, and neither is said in green.
    const short = await render(CookRecord, { cook: '11' });
    await short.until(/By its heat alone: likely all 14 keep/);
    expect(short.text()).toContain('Not as planned. Air stayed in');
    expect(short.host.querySelector('strong.done')).toBeNull();
  });

  it('an indicator with its control proves it, and narrows what is likely', async () => {
    await record.until(/Nothing was measured/);
    await record.press('Note it');
    // The water's own "Note it" stands first and asks for a number; the proof's is the form with the indicator.
    const form = [...record.host.querySelectorAll('form')].find((f) =>
      f.textContent.includes('What was in it'),
    )!;
    form.querySelector<HTMLButtonElement>('button')!.click();
    await until(setup.store, () => cook().proofs.length > 0);
    await record.settle();
    expect(cook().verdict.word).toBe('proved');
    expect(record.text()).toContain('Proved. The spores of the indicator died and its control turned.');
    // Whoever passes by reads it in the line of the day as well.
    const read = setup.house().facts.findLast((f) => f.kind === 'proofRead')!;
    expect(entryWords(read, setup.house())).toBe('cook 8: biological indicator read; proved');
    await record.until(/1 measurement in vessels like these/);
    // What was measured is weighed beside what the trade finds.
    expect(record.text()).toContain('what the trade finds');
  });

  it('keeps the water that was left, and refuses more than went in', async () => {
    await record.fill('Water left in it', '99999');
    await record.press('Note it');
    expect(record.text()).toMatch(/Water left in it must be between 0 and \d+ ml/);
    await record.fill('Water left in it', '900');
    await record.press('Note it');
    await until(setup.store, () => cook().waterLeftMl === 900);
    await record.settle();
    expect(record.text()).toContain('900 ml left');
  });

  it('brings in a logger’s file and credits what it saw', async () => {
    const part = await render(LogImport, { view: cook() });
    const lines = Array.from({ length: 120 }, (_, m) => `${m},${m < 40 ? 20 + 2.5 * m : 120}`).join('\n');
    await part.give(new File([`min,C\n${lines}`], 'log.csv'));
    await until(setup.store, () => (cook().probedF0 ?? 0) > 40);
    await part.until(/120 readings kept, 1 line held none\./);
    await part.give(new File(['nothing'], 'bad.csv'));
    await part.until(/No readings were found\./);
    // It can be left out, and counted again.
    const list = await render(LogList, { view: cook() });
    expect(list.text()).toContain('middle of a vessel, log.csv: 120 readings');
    await list.press('Leave it out');
    await until(setup.store, () => cook().probedF0 === undefined);
    await list.set('view', cook());
    expect(list.text()).toContain('nothing is drawn or counted by it');
    await list.press('Count it again');
    await until(setup.store, () => (cook().probedF0 ?? 0) > 40);
  });

  it('brings in the file of a logger that ran for days, all of it, so that it can be read again', async () => {
    const part = await render(LogImport, { view: cook() });
    const lines = Array.from({ length: 1152 }, (_, i) => `${i * 5},20`).join('\n');
    await part.give(new File([`min,C\n${lines}`], 'days.csv'));
    const house = await until(setup.store, () => cook().logs.length >= 2);
    expect(house.cookById.get(cook().cook.id)!.logs.flatMap((l) => l.values).length).toBe(1152);
    expect(setup.store.ready()!.unread).toEqual([]);
    await part.until(/1 152 readings kept/);
  });

  it('takes a note, and shows its own history', async () => {
    const area = record.host.querySelector<HTMLTextAreaElement>('nw-note-form textarea')!;
    area.value = 'the weight jiggled late';
    area.dispatchEvent(new Event('input', { bubbles: true }));
    await record.settle();
    await record.press('Save the note');
    expect(cook().notes.map((n) => n.note)).toEqual(['the weight jiggled late']);
    expect(record.text()).toMatch(/cook 8: “the weight jiggled late”.*cook 8: Lid on/);
  });

  it('says when there is no such cook', async () => {
    await record.set('cook', '999');
    expect(record.text()).toContain('There is no cook 999 here.');
  });
});

describe('ways to pasteurize', () => {
  let setup: SpecHouse;
  let part: Rendered<Pasteurize>;
  beforeEach(async () => {
    setup = await demoHouse();
    part = await render(Pasteurize, { view: setup.house().batches.find((b) => b.code === 'B26')! });
  });
  afterEach(() => setup.close());
  const fill = (name: string, text: string) => part.type(`input[aria-label="${name}"]`, text);

  it('a bucket: the temperature of the mix, and how long its coldest place stays above 60 °C', async () => {
    await part.press('Boiling water in a bucket');
    expect(part.text()).toMatch(/It begins at \d+ °C, and its middle .* above 60 °C at the wall/);
    await fill('Boiling water', '0.5');
    expect(part.text()).toContain('it wants 60 min');
    await fill('Boiling water', '0');
    expect(part.text()).toContain('Water must be between 0.1 and 500 kg');
  });

  it('a bath, steam and lime each say what lacks, with their cautions', async () => {
    await part.press('Hot bath');
    await fill('Minutes in it', '60');
    expect(part.text()).toContain('The middle is at 60 °C after');
    await part.choose('Lies', 'in a shut bag');
    expect(part.text()).toContain('The middle never reaches 60 °C');
    await part.press('Steam at no pressure');
    expect(part.text()).toContain('A drum is never clamped shut');
    await part.press('Cold lime bath');
    expect(part.text()).toContain('Long enough. Drain');
    await fill('pH', '11');
    expect(part.text()).toContain('too low');
    expect(part.text()).toContain('goggles and gloves');
  });
});

describe('the cooks of the day', () => {
  it('fits what waits, with times, water and fuel', async () => {
    const setup = await demoHouse();
    const view = setup.house().batches.find((b) => b.code === 'G28')!;
    const waiting = {
      ...view,
      vessels: view.vessels.map((v) => ({ ...v, state: { ...v.state, phase: 'planned' as const } })),
    };
    const day = await render(DayPlanView, { batches: [waiting] });
    // The canner is on, and the multi-cooker takes no quarts.
    expect(day.text()).toContain('no cooker has a place for quart jars');
    const cook14 = setup.house().cooks.find((c) => c.cook.number === 14)!;
    await TestBed.inject(Journal).say({ kind: 'cookStep', cookId: cook14.cook.id, step: 'stop' });
    await day.settle();
    expect(day.text()).toMatch(/1 cook, .* if you begin now/);
    expect(day.text()).toMatch(/8 of 8 places, 100 min at 15 psi, 2\.0 l of water, about \d+ g of gas/);
    expect(day.text()).toMatch(/Lid on \d\d:\d\d, heat off (\w{3} )?\d\d:\d\d, free (\w{3} )?\d\d:\d\d/);
    await setup.close();
  });
});
