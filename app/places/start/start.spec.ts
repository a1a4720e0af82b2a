import { TestBed } from '@angular/core/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { provideRouter } from '@angular/router';
import { HOUSE_DB } from '../../data/store/database';
import { HouseDb } from '../../data/store/house-db';
import { render, type Rendered } from '../../testing/render';
import { Start } from './start';

describe('the first start', () => {
  const name = 'nailwort-spec-start';
  let db: HouseDb;
  let start: Rendered<Start>;

  beforeEach(async () => {
    db = new HouseDb(name);
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([{ path: '**', children: [] }]),
        { provide: HOUSE_DB, useValue: db },
      ],
    });
    start = await render(Start);
  });
  afterEach(async () => {
    TestBed.resetTestingModule();
    await db.delete();
  });

  const blank = (label: string) => `input[aria-label="${label}"]`;

  it('gives a plan at once, from defaults that can be kept', () => {
    expect(start.text()).toContain('Four things the numbers need');
    expect(start.text()).toContain('so hold 90 min');
    expect(start.text()).toMatch(/1 980g/);
  });

  it('answers the altitude: cooler, longer', async () => {
    await start.type(blank('Altitude'), '640');
    expect(start.text()).toMatch(/119\.8 ?°C at 15 psi/);
    expect(start.text()).toMatch(/so hold 100 min, the trade's 90, stretched/);
  });

  it('takes a barometer instead of the altitude', async () => {
    await start.press('I have a barometer in the room');
    await start.type(blank('Barometer'), '939');
    expect(start.text()).toMatch(/119\.8 ?°C/);
    await start.type(blank('Barometer'), '5');
    expect(start.text()).toContain('Barometer must be between 500 and 1100 hPa');
  });

  it('names what is out of range, keeps the plan and does not let it be kept', async () => {
    for (const [field, text, words] of [
      ['Altitude', '9000', 'Altitude must be between -430 and 5100 m'],
      ['Volume', '0', 'Volume must be between 2 and 200 liters'],
      ['Pressure', '60', 'Pressure must be between 2.9 and 33.4 psi'],
      ['How many', '0', 'How many must be a whole number between 1 and 500'],
    ] as const) {
      const box = start.host.querySelector<HTMLInputElement>(blank(field))!;
      const good = box.value;
      await start.type(blank(field), text);
      expect(start.text()).withContext(field).toContain(words);
      expect(start.text()).toMatch(/1 980g/);
      expect((start.button('Keep this') as HTMLButtonElement).disabled).toBe(true);
      await start.type(blank(field), good);
    }
  });

  it('asks what “29 psi” is, and lets nothing be kept until that is said', async () => {
    await start.type(blank('Pressure'), '29');
    expect(start.text()).toContain('29 psi can be meant in two ways: say which.');
    expect((start.button('Keep this') as HTMLButtonElement).disabled).toBe(true);
    await start.press('From nothing (absolute)');
    expect(start.text()).toMatch(/14\.3 psi on a gauge, 120\.\d °C inside/);
    expect((start.button('Keep this') as HTMLButtonElement).disabled).toBe(false);
    expect(start.text()).toContain('at 14.3 psi');
    await start.type(blank('Pressure'), '28');
    expect((start.button('Keep this') as HTMLButtonElement).disabled).toBe(true);
  });

  it('furnishes the house with what stands there', async () => {
    await start.type(blank('Altitude'), '640');
    await start.type(blank('How many'), '4');
    await start.press('Keep this, open the Desk');
    const [household] = await db.rows('household').toArray();
    expect(household).toEqual(jasmine.objectContaining({ altitudeM: 640, usualCount: 4, madeUp: false }));
    expect(await db.rows('formulas').count()).toBeGreaterThan(30);
    expect(await db.rows('entries').count()).toBe(0);
  });
});
