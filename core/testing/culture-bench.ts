import { DemoBuilder } from '../demo/demo-builder.js';
import {
  buildHouse,
  defaultHousehold,
  shippedDefinitions,
  type House,
  type Place,
  type Repotting,
  type VesselId,
  type VesselView,
} from '../index.js';
import type { CultureUnit } from '../record/culture.js';
import { DAY_MS, START_MS } from './sample-house.js';

/** A house in which cultures are moved on day by day, every step checked as the app checks it. */
export class CultureBench {
  private readonly demo: DemoBuilder;
  private next = 1;

  constructor() {
    const at = new Date(START_MS).toISOString();
    const household = defaultHousehold(at);
    const isolates = ['bp', 'ko'].map((id) => ({
      id,
      schemaVersion: 1 as const,
      updatedAt: at,
      speciesId: id === 'bp' ? 'black-poplar' : 'king-oyster',
      name: id.toUpperCase(),
    }));
    this.demo = new DemoBuilder(
      { ...shippedDefinitions(at), household: [household], isolates },
      household,
      true,
    );
  }

  get house(): House {
    return buildHouse(this.demo.records);
  }

  /** Adds a place of the house's own. */
  place(place: Place): void {
    this.demo.records.places.push(place);
  }

  view(id: VesselId | undefined): VesselView {
    return this.house.vesselById.get(id!)!;
  }

  day(day: number): number {
    return START_MS + day * DAY_MS;
  }

  received(
    day: number,
    vesselTypeId: string,
    amount: number,
    unit: CultureUnit,
    more: Parameters<DemoBuilder['culture']>[4] = { isolateId: 'bp' },
  ): readonly VesselId[] {
    return this.demo.culture(this.day(day), this.next++, vesselTypeId, { amount, unit }, more);
  }

  /** A medium that is made, cooked and cool on the day after. */
  cooked(day: number, formulaId: string, vesselTypeId: string, count: number): readonly VesselId[] {
    const ids = this.demo.medium(this.day(day), this.next++, formulaId, vesselTypeId, count);
    this.demo.cook(this.day(day) + DAY_MS / 3, this.next++, ids);
    return ids;
  }

  /** Vessels that were cooked before go in once more. */
  cookedAgain(day: number, ids: readonly VesselId[]): void {
    this.demo.cook(this.day(day), this.next++, ids);
  }

  /** What has run, emptied into other vessels that stand where things fruit. */
  repotted(day: number, repotting: Repotting): readonly VesselId[] {
    return this.demo.repot(this.day(day), this.next++, repotting, 'tent');
  }

  give(
    day: number,
    targets: readonly VesselId[],
    source: VesselId | undefined,
    each: number,
    unit: CultureUnit,
    more: Parameters<DemoBuilder['inoculate']>[5] = {},
  ): void {
    this.demo.inoculate(this.day(day), targets, source!, each, unit, more);
  }

  say(day: number, said: Parameters<DemoBuilder['say']>[1]): void {
    this.demo.say(this.day(day), said);
  }

  /** Blocks that stand opened in the tent from day 30 on. */
  openedBlocks(count: number, isolateId: 'bp' | 'ko' = 'bp'): readonly VesselId[] {
    const [syringe] = this.received(0, 'culture-syringe', 60, 'ml', { isolateId });
    const jars = this.cooked(0, 'wheat-spawn', 'quart-jar', 1);
    this.give(1, jars, syringe, 2, 'ml');
    this.looked(1.5, jars, 1);
    const blocks = this.cooked(1, 'hardwood-hull', 'block-bag', count);
    this.give(2, blocks, jars[0], 50, 'g');
    this.looked(28, blocks, 1);
    this.say(30, { kind: 'opened', vesselIds: [...blocks], place: 'tent' });
    return blocks;
  }

  looked(day: number, ids: readonly VesselId[], fraction?: number): void {
    this.say(day, { kind: 'inspected', vesselIds: [...ids], ...(fraction !== undefined && { fraction }) });
  }
}
