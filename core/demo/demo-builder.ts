import { receivedAs } from '../culture/received-as.js';
import { inCooker, placesNeeded, wishOf } from '../cook/in-cooker.js';
import { planCook } from '../cook/programme.js';
import { stepsOf } from '../formula/hydration.js';
import { resolveFormula } from '../formula/resolve.js';
import { scaleFormula } from '../formula/scale.js';
import { adviseTreatment } from '../formula/treatment.js';
import { withSchool } from '../formula/with-school.js';
import { buildHouse } from '../house/derive/build-house.js';
import { checkEntry } from '../house/check-entry.js';
import type { VesselView } from '../house/derive/house.js';
import { makeBatch, makeCook, receiveCulture, type NewBatch, type NewCulture } from '../house/make.js';
import type { Household } from '../record/definitions.js';
import type { Contaminant, CookStep, Entry, Said } from '../record/entry.js';
import type { CultureUnit, Holds } from '../record/culture.js';
import type { CookId, EntryId, VesselId } from '../record/ids.js';
import { repot, repotSaid, type Repotting } from '../bulk/repot.js';
import { newId, seededRandom } from '../record/new-id.js';
import type { Records } from '../record/tables.js';
import { MINUTE_MS } from '../base/time.js';

type Mutable<T> = { -readonly [K in keyof T]: T[K] extends readonly (infer R)[] ? R[] : T[K] };
/**
 * Writes a made-up history through the same functions that the app uses, each entry
 * checked at its own time when asked to.
 * All times are given by the caller; identifiers come from a seed, so the same day gives the same records.
 */
export class DemoBuilder {
  readonly records: Mutable<Records>;
  private readonly random = seededRandom(20_260_701);

  constructor(
    definitions: Records,
    private readonly house: Household,
    private readonly checked: boolean,
  ) {
    this.records = Object.fromEntries(
      Object.entries(definitions).map(([k, v]) => [k, [...v]]),
    ) as unknown as Mutable<Records>;
  }

  /** Adds one fact. @throws CoreError when it could not have been true */
  say(atMs: number, said: Said): void {
    const at = new Date(atMs).toISOString();
    const entry = {
      ...said,
      id: newId(atMs, this.random) as EntryId,
      schemaVersion: 1,
      at,
      notedAt: at,
    } as Entry;
    if (this.checked) {
      checkEntry(buildHouse(this.records), entry, atMs);
    }
    this.records.entries.push(entry);
  }

  /** A culture that comes in; without an isolate, what it is fed from names it. */
  culture(
    atMs: number,
    number: number,
    vesselTypeId: string,
    holds: Holds,
    more: Partial<Pick<NewCulture, 'isolateId' | 'count' | 'origin'>> = {},
  ): readonly VesselId[] {
    const vessel = this.records.vesselTypes.find((v) => v.id === vesselTypeId)!;
    const stage = receivedAs(vesselTypeId);
    return this.keep(receiveCulture({ stage, vessel, holds, count: 1, ...more }, number, this.context(atMs)));
  }

  /** A vessel as it is after what was told so far. */
  view(id: VesselId): VesselView {
    return buildHouse(this.records).vesselById.get(id)!;
  }

  /** What has run is moved into other vessels. */
  repot(atMs: number, number: number, repotting: Repotting, place: string): readonly VesselId[] {
    const repotted = repot(repotting, buildHouse(this.records));
    const ids = this.keep(receiveCulture(repotted.culture, number, this.context(atMs)));
    repotSaid(repotted, repotting, [...ids], place).forEach((said, i) => {
      this.say(atMs + 1 + i, said);
    });
    return ids;
  }

  /** Makes a batch and brings it through all its steps; the last is done `readyMs`. */
  medium(
    atMs: number,
    number: number,
    formulaId: string,
    vesselTypeId: string,
    count: number,
    weighedMoisture?: number,
  ): readonly VesselId[] {
    const formula = withSchool(
      resolveFormula(
        this.records.formulas.find((f) => f.id === formulaId)!,
        this.records.materials,
      ),
    );
    const vessel = this.records.vesselTypes.find((v) => v.id === vesselTypeId)!;
    const bottle = this.records.vesselTypes.find((v) => v.id === 'bottle-500');
    const scaled = scaleFormula(formula, { vessel, count, spare: 0.05, ...(bottle && { bottle }) });
    const { treatment } = adviseTreatment(formula.stage, scaled.parts);
    const made = makeBatch(formula, scaled, number, this.context(atMs), { treatment });
    const ids = this.keep(made);
    let ms = atMs + 10 * MINUTE_MS;
    for (const { step, minutes } of stepsOf(made.batch)) {
      this.say(ms, { kind: 'stepDone', batchId: made.batch.id, step });
      if (step === 'dryEnough' && weighedMoisture !== undefined) {
        this.say(ms + MINUTE_MS, {
          kind: 'tissueTested',
          batchId: made.batch.id,
          result: weighedMoisture > 0.515 ? 'wet' : 'right',
        });
        const massG = Math.round(made.batch.plan!.dryMatterG / (1 - weighedMoisture));
        this.say(ms + 2 * MINUTE_MS, { kind: 'weighed', batchId: made.batch.id, massG });
      }
      if (step === 'mix') {
        this.say(ms + MINUTE_MS, { kind: 'squeezed', batchId: made.batch.id, result: 'right' });
      }
      ms += ((minutes?.usual ?? 5) + 3) * MINUTE_MS;
    }
    return ids;
  }

  /** Fires a cook that ends as planned, unless `until` stops the telling early. Returns its id. */
  cook(
    lidOnMs: number,
    number: number,
    vesselIds: readonly VesselId[],
    options: { ventMinutes?: number; until?: CookStep } = {},
  ): CookId {
    const house = buildHouse(this.records);
    const first = house.vesselById.get(vesselIds[0]!)!;
    const appliance = this.records.appliances[0]!;
    const plan = planCook({
      appliance,
      house: this.house,
      ...wishOf(first.batch),
      count: placesNeeded(vesselIds.length, inCooker(first.batch).vesselsPerPlace),
    });
    const { cook, entry } = makeCook(
      appliance,
      plan,
      this.house.roomC,
      vesselIds,
      number,
      this.context(lidOnMs - 5 * MINUTE_MS),
    );
    this.records.cooks.push(cook);
    this.records.entries.push(entry);
    const gaps: readonly [CookStep, number][] = [
      ['lidOn', 0],
      ['steamSteady', Math.round(plan.comeUpMinutes * 0.75)],
      ['weightOn', options.ventMinutes ?? 10],
      ['atPressure', Math.round(plan.comeUpMinutes * 0.25)],
      ['heatOff', plan.holdMinutes],
      ['open', Math.ceil(plan.openAfterMinutes) + 5],
    ];
    let ms = lidOnMs;
    for (const [step, minutes] of gaps) {
      ms += minutes * MINUTE_MS;
      this.say(ms, { kind: 'cookStep', cookId: cook.id, step });
      if (step === options.until) {
        break;
      }
    }
    return cook.id;
  }

  inoculate(
    atMs: number,
    vesselIds: readonly VesselId[],
    source: VesselId,
    doseEach: number,
    doseUnit: CultureUnit = 'ml',
    more: { readonly sector?: string; readonly drawn?: true } = {},
  ): void {
    this.say(atMs, {
      kind: 'inoculated',
      vesselIds: [...vesselIds],
      sourceVesselIds: [source],
      doseEach,
      doseUnit,
      ...more,
    });
  }

  spawn(atMs: number, vesselIds: readonly VesselId[], sources: readonly VesselId[], doseG: number): void {
    this.say(atMs, {
      kind: 'inoculated',
      vesselIds: [...vesselIds],
      sourceVesselIds: [...sources],
      doseEach: doseG,
      doseUnit: 'g',
    });
  }

  /** One look at several vessels that run alike, each a little different. */
  look(atMs: number, vesselIds: readonly VesselId[], fraction: number, spread = 0.03): void {
    for (const [index, id] of vesselIds.entries()) {
      const own = Math.min(1, Math.max(0, fraction + (this.random() * 2 - 1) * spread));
      this.say(atMs + index * 5000, {
        kind: 'inspected',
        vesselIds: [id],
        fraction: Math.round(own * 100) / 100,
      });
    }
  }

  suspect(atMs: number, vesselIds: readonly VesselId[], what: Contaminant, note?: string): void {
    this.say(atMs, {
      kind: 'inspected',
      vesselIds: [...vesselIds],
      suspect: what,
      ...(note === undefined ? {} : { note }),
    });
  }

  private keep(made: NewBatch): readonly VesselId[] {
    this.records.batches.push(made.batch);
    this.records.vessels.push(...made.vessels);
    this.records.entries.push(made.entry);
    return made.vessels.map((v) => v.id);
  }

  private context(nowMs: number): { nowMs: number; random: () => number } {
    return { nowMs, random: this.random };
  }
}
