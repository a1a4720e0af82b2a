import { DemoBuilder } from '../core/demo/demo-builder.js';
import {
  buildHouse,
  defaultHousehold,
  familyIds,
  familyOf,
  familyPicture,
  generationOf,
  parentsIn,
  placeFamily,
  seededRandom,
  shippedDefinitions,
  type House,
  type VesselId,
} from '../core/index.js';

const START = Date.parse('2024-01-01T08:00:00.000Z');
const DAY_MS = 86_400_000;
const IN_A_BATCH = 10;

/** So many plates, ten a batch, each batch cut from one of the earlier: every one of them from the first. */
export function oneFamily(vessels: number): { readonly house: House; readonly first: VesselId } {
  const at = new Date(START).toISOString();
  const household = { ...defaultHousehold(at), madeUp: true };
  const isolate = { id: 'one', schemaVersion: 1 as const, updatedAt: at, speciesId: 'shiitake', name: 'One' };
  const demo = new DemoBuilder(
    { ...shippedDefinitions(at), household: [household], isolates: [isolate] },
    household,
    false,
  );
  const random = seededRandom(3);
  const all: VesselId[] = [];
  for (let n = 0; all.length < vessels; n++) {
    const more = n === 0 ? { count: IN_A_BATCH, isolateId: 'one' } : { count: IN_A_BATCH };
    const ids = demo.culture(START + n * DAY_MS, n + 1, 'culture-dish', { amount: 40, unit: 'wedge' }, more);
    if (n > 0) {
      demo.inoculate(START + n * DAY_MS + 1000, ids, all[Math.floor(random() * all.length)]!, 1, 'wedge');
    }
    all.push(...ids);
  }
  return { house: buildHouse(demo.records), first: all[0]! };
}

/** What a press on a vessel asks: all that it came from and that came from it, folded, with kin and generation. */
export function askFamily(house: House, first: VesselId): number {
  const ids = familyIds([first], house);
  const { nodes } = familyPicture(ids, house, new Set());
  const view = house.vesselById.get(first)!;
  const { siblings } = familyOf(view, house, (iso) => iso.slice(0, 10));
  return nodes.length + siblings.place.views.length + generationOf(view, house).transfers;
}

/** The same with every batch unfolded, laid out. */
export function layFamily(house: House, first: VesselId): number {
  const ids = familyIds([first], house);
  const all = new Set(house.batches.map((b): string => b.batch.id));
  const picture = familyPicture(ids, house, all);
  const parents = parentsIn(picture);
  const toPlace = picture.nodes.map(({ id, atMs }) => ({ id, atMs, parents: parents.get(id) ?? [] }));
  return placeFamily(toPlace, { width: 900, gap: 190 }).rowCount;
}
