import { scaledFor, shippedDefinitions, shoppingByDay, type Material, type SupperPlan } from '../index.js';
import { PLANNED_AT, emptyHouse, plannedIn, wantedSupper } from '../testing/planned-house.js';

const DAY = 86_400_000;
const UPDATED = new Date(PLANNED_AT - DAY).toISOString();
/** Every Saturday; the plan begins on a Monday. */
const saturdayBefore = (ms: number) => {
  const days = Math.floor((ms - PLANNED_AT) / DAY);
  return PLANNED_AT + (days - ((((days - 5) % 7) + 7) % 7)) * DAY;
};
const stocked = (change: Partial<Material>) =>
  emptyHouse({
    materials: shippedDefinitions().materials.map((m) => (m.id === 'wheat' ? { ...m, ...change } : m)),
  });
/** Of the jars that are filled, one by one. */
const wheatOf = (plans: readonly SupperPlan[]) =>
  plans
    .flatMap((p) => p.steps.filter((s) => s.kind === 'fillGrain'))
    .flatMap((s) => scaledFor(s.medium!, s.count).parts.filter((part) => part.material.id === 'wheat'))
    .reduce((sum, part) => sum + part.roundedG, 0);
const suppers = [0, 1].map((i) => wantedSupper({ key: `s${i}`, byMs: PLANNED_AT + (140 + 30 * i) * DAY }));

describe('shopping for plans', () => {
  it('is done on shop days before each need, and buys all that is missing', () => {
    const house = emptyHouse();
    const { suppers: plans } = plannedIn(house, suppers);
    const days = shoppingByDay(plans, house, saturdayBefore);
    expect(days.every((d) => ((d.dayMs - PLANNED_AT) / DAY) % 7 === 5)).toBeTrue();
    const wheat = days.flatMap((d) => d.purchases.filter((p) => p.materialId === 'wheat'));
    const fillMs = plans[0]!.steps.find((s) => s.kind === 'fillGrain')!.slot.startMs;
    expect(wheat.length).toBe(2);
    expect(wheat.reduce((sum, p) => sum + p.massG, 0)).toBeCloseTo(wheatOf(plans), 6);
    expect(days[0]!.dayMs).toBeLessThanOrEqual(fillMs - DAY);
    expect(wheat.every((p) => p.isUncounted && p.packages === undefined && p.leftG === 0)).toBeTrue();
  });

  it('buys whole packages, and takes what is left of one for the next need', () => {
    const house = stocked({ bought: { massG: 5000, price: 7, on: '2026-11-01' } });
    const { suppers: plans } = plannedIn(house, suppers);
    const wheat = shoppingByDay(plans, house, saturdayBefore).flatMap((d) =>
      d.purchases.filter((p) => p.materialId === 'wheat'),
    );
    const needG = wheatOf(plans);
    const packages = wheat.reduce((sum, p) => sum + p.packages!.count, 0);
    expect(packages).toBe(Math.ceil(needG / 5000));
    expect(wheat[0]!.packages!.price).toBe(7 * wheat[0]!.packages!.count);
    // What is left after a purchase serves later needs, which buy nothing.
    expect(wheat.at(-1)!.leftG).toBeGreaterThanOrEqual(packages * 5000 - needG);
    expect(wheat.every((p) => p.leftG < 5000)).toBeTrue();
  });

  it('takes what is on the shelf first', () => {
    const house = stocked({ stock: { massG: 1_000_000, countedAt: UPDATED } });
    const { suppers: plans } = plannedIn(house, suppers);
    const bought = shoppingByDay(plans, house, saturdayBefore).flatMap((d) =>
      d.purchases.map((p) => p.materialId),
    );
    expect(bought).not.toContain('wheat');
    expect(bought.length).toBeGreaterThan(0);
  });
});
