import { closesBy } from '../cook/pot.js';
import type { CookPlan } from '../cook/programme.js';
import { USUAL_TARGET_F0 } from '../cook/verdict.js';
import type { ScaledFormula } from '../formula/scaled-formula.js';
import type { Batch, BatchPlan, Cook, Vessel } from '../record/batch.js';
import type { Holds, Origin } from '../record/culture.js';
import type { Appliance, BatchStage, ResolvedFormula, VesselType } from '../record/definitions.js';
import type { EntryOf } from '../record/entry.js';
import type { BatchId, CookId, EntryId, VesselId } from '../record/ids.js';
import { newId, type Random } from '../record/new-id.js';

/** Time and randomness, passed in. */
export interface MakeContext {
  readonly nowMs: number;
  readonly random: Random;
}

export interface NewBatch {
  readonly batch: Batch;
  readonly vessels: readonly Vessel[];
  readonly entry: EntryOf<'batchMade'>;
}

/** The records of a planned medium: the batch with its formula and plan copied in, its vessels, its first entry. */
export function makeBatch(
  formula: ResolvedFormula,
  scaled: ScaledFormula,
  number: number,
  context: MakeContext,
  choices: Pick<BatchPlan, 'treatment' | 'stepMinutes' | 'leftOut'> = {},
): NewBatch {
  const plan: BatchPlan = {
    fill: scaled.fill,
    targetMoisture: scaled.moisture,
    spare: scaled.spare,
    parts: scaled.parts.map((p) => ({ materialId: p.material.id, name: p.material.name, massG: p.roundedG })),
    waterG: scaled.waterRoundedG,
    dryMatterG: plannedDryMatterG(scaled),
    wetG: scaled.wetG,
    vesselWetG: scaled.vesselWetG,
    ...(scaled.dissolved && { vesselMl: scaled.dissolved.eachMl, volumeMl: scaled.dissolved.volumeMl }),
    ...(scaled.dissolved?.cookedIn && { cookedIn: scaled.dissolved.cookedIn }),
    ...choices,
  };
  return assemble(
    { stage: formula.stage, vessel: scaled.vessel, formula, plan },
    number,
    scaled.count,
    context,
  );
}

/** Dry matter of what is really weighed out; a batch smaller than the scale's step keeps what was reckoned. */
function plannedDryMatterG(scaled: ScaledFormula): number {
  const weighedG = scaled.parts
    .filter((p) => p.inSoak !== true)
    .reduce(
      (sum, p) =>
        sum + p.roundedG * (p.strained ? (p.material.solids?.value ?? 0) : 1 - p.material.moisture.value),
      0,
    );
  return weighedG > 0 ? weighedG : scaled.dryMatterG;
}

/** What came into the house, or stands ready to be drawn into. */
export interface NewCulture {
  readonly stage: BatchStage;
  readonly vessel: VesselType;
  readonly holds: Holds;
  readonly count: number;
  /** Absent where it is drawn from what is here. */
  readonly isolateId?: string;
  readonly origin?: Origin;
  /** Of what was planned and made here before. */
  readonly plan?: BatchPlan;
}

/** The records of a culture: like vessels with what each of them holds. */
export function receiveCulture(culture: NewCulture, number: number, context: MakeContext): NewBatch {
  const { count, ...content } = culture;
  return assemble(content, number, count, context);
}

function assemble(
  content: Pick<Batch, 'stage' | 'vessel' | 'formula' | 'plan' | 'isolateId' | 'holds' | 'origin'>,
  number: number,
  count: number,
  { nowMs, random }: MakeContext,
): NewBatch {
  const at = new Date(nowMs).toISOString();
  const id = newId(nowMs, random) as BatchId;
  const batch: Batch = { id, schemaVersion: 1, number, madeAt: at, ...content };
  const vessels = Array.from({ length: count }, (_, i): Vessel => {
    return { id: newId(nowMs, random) as VesselId, schemaVersion: 1, batchId: id, number: i + 1 };
  });
  const vesselIds = vessels.map((v) => v.id);
  const entry = {
    id: newId(nowMs, random) as EntryId,
    schemaVersion: 1 as const,
    at,
    notedAt: at,
    kind: 'batchMade' as const,
    batchId: id,
    vesselIds,
  };
  return { batch, vessels, entry };
}

/** The records of a cook that is about to begin. */
export function makeCook(
  appliance: Appliance,
  plan: CookPlan,
  roomC: number,
  vesselIds: readonly VesselId[],
  number: number,
  { nowMs, random }: MakeContext,
): { readonly cook: Cook; readonly entry: EntryOf<'cookLoaded'> } {
  const at = new Date(nowMs).toISOString();
  const id = newId(nowMs, random) as CookId;
  const cook: Cook = {
    id,
    schemaVersion: 1,
    number,
    applianceId: appliance.id,
    applianceName: appliance.name,
    plannedAt: at,
    gaugeKPa: plan.gaugeKPa,
    ...(appliance.gaugeReadsOverKPa !== undefined && { gaugeReadsOverKPa: appliance.gaugeReadsOverKPa }),
    atmosphereKPa: plan.atmosphereKPa,
    chamberC: plan.chamberC,
    holdMinutes: plan.holdMinutes,
    ventMinutes: plan.ventMinutes,
    comeUpMinutes: plan.comeUpMinutes,
    openAfterMinutes: plan.openAfterMinutes,
    comeUpEstimateMinutes: plan.comeUpEstimateMinutes,
    waterMl: plan.water.startMl,
    waterLoss: plan.waterLoss,
    closes: closesBy(appliance),
    roomC,
    startC: plan.startC,
    targetF0: USUAL_TARGET_F0,
    schoolMinutes: plan.schoolMinutes,
    basis: plan.basis,
  };
  const entry = {
    id: newId(nowMs, random) as EntryId,
    schemaVersion: 1 as const,
    at,
    notedAt: at,
    kind: 'cookLoaded' as const,
    cookId: id,
    vesselIds: [...vesselIds],
  };
  return { cook, entry };
}
