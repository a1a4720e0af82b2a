import { requireWithin } from '../../base/errors.js';
import { shippedMaterials } from '../../material/shipped-materials.js';
import type { Treatment } from '../../record/batch.js';
import { isDissolved, type Material, type Stage, type VesselType } from '../../record/definitions.js';
import { blendOf, type Blend, type BlendPart } from '../blend.js';
import { findingsFor, type Finding } from '../findings.js';
import { adviseTreatment, type TreatmentAdvice } from '../treatment.js';
import { partOf, type AuditLine } from './audit-line.js';
import { QUART_AT_TWO_THIRDS_ML, settledGPerL } from './settled.js';
import { usualLiquidMl } from '../vessel-size.js';
import { stageOf } from './stage-of.js';
import { weighedLines } from './weighed-lines.js';

export interface AuditOptions {
  /** The shelf that names are looked up on; the shipped table when left out. */
  readonly materials?: readonly Material[];
  /** Earlier answers to "what is this?": words → id of a material, or "water". */
  readonly answers?: Readonly<Record<string, string>>;
  readonly vessel?: VesselType;
  readonly count?: number;
  /** How it is meant to be made safe; decides about supplements. */
  readonly treatment?: Treatment;
  /** Whether "parts" weigh or fill. */
  readonly partsAre?: 'mass' | 'volume';
}

export interface Audit {
  readonly lines: readonly AuditLine[];
  readonly parts: readonly BlendPart[];
  readonly stage: Stage;
  /** Total mass, g. */
  readonly grams: number;
  /** Fraction, wet basis; absent for nothing. */
  readonly moisture?: number;
  /** Dissolved solids, % w/v; absent without liquid to dissolve in. */
  readonly solidsPercent?: number;
  readonly sugarPercent?: number;
  /** Bran, hulls and the like in the dry matter, %. */
  readonly supplementPercent: number;
  readonly carbonToNitrogen?: number;
  readonly finishedMl?: number;
  readonly makes: string;
  readonly treatment: TreatmentAdvice;
  readonly blend: Blend;
  readonly findings: readonly Finding[];
  /** What it comes to in the vessels that it is meant for. */
  readonly filling?: Filling;
  /** Every line is read and weighed. Of half a recipe the amounts are true, and nothing else that is said here. */
  readonly isWhole: boolean;
}

/**
 * What a recipe really is, from lines of text as people write them or from parts with their masses.
 *
 * @throws CoreError for more than 60 lines, a mass below 0 or a vessel count that is no count; a line that cannot
 *   be read is no error: it says so itself
 */
export function auditFormula(
  input: string | readonly string[] | readonly BlendPart[],
  options: AuditOptions = {},
): Audit {
  if (typeof input === 'string' || typeof input[0] === 'string') {
    const lines = weighedLines(input as string | readonly string[], {
      ...options,
      materials: options.materials ?? shipped(),
    });
    return judge(lines, lines.flatMap(partOf), options);
  }
  const given = input as readonly BlendPart[];
  return judge(partLines(given), given, options);
}

function judge(lines: readonly AuditLine[], parts: readonly BlendPart[], options: AuditOptions): Audit {
  const blend = blendOf(parts);
  const stage = stageOf(blend);
  const finishedMl = finishedVolume(stage, blend, parts);
  const treatment = adviseTreatment(stage, parts, blend);
  const isWhole = parts.length > 0 && lines.every((line) => line.problem === undefined);
  const { vessel } = options;
  const count =
    options.count === undefined
      ? undefined
      : requireWithin(options.count, { field: 'count', min: 1, max: 500, whole: true });
  const perVolume = (massG: number) => (massG / blend.liquidMl) * 100;
  return {
    lines,
    parts,
    stage,
    grams: blend.grams,
    ...(blend.moisture !== undefined && { moisture: blend.moisture }),
    ...(isDissolved(stage) &&
      blend.liquidMl > 0 && {
        solidsPercent: perVolume(blend.solidsG),
        sugarPercent: perVolume(blend.sugarG),
      }),
    supplementPercent:
      ((blend.families.supplement ?? 0) + (stage === 'bulk' ? (blend.families.grain ?? 0) : 0)) * 100,
    ...(blend.carbonToNitrogen !== undefined && { carbonToNitrogen: blend.carbonToNitrogen }),
    ...(finishedMl !== undefined && { finishedMl }),
    makes: makes(stage, blend, finishedMl ?? 0),
    ...(vessel &&
      finishedMl !== undefined && { filling: fillingOf(vessel, count, { stage, blend, finishedMl }) }),
    treatment,
    blend,
    isWhole,
    findings: !isWhole
      ? []
      : findingsFor({ stage, parts, blend, finishedMl, vessel, count, treatment: options.treatment }),
  };
}

function partLines(input: readonly BlendPart[]): AuditLine[] {
  return input.map(({ material, massG }): AuditLine => ({
    text: material?.name ?? 'Water',
    what: material?.name ?? 'Water',
    amount: { kind: 'unit', value: massG, unit: 'g' },
    massG: requireWithin(massG, {
      field: material === undefined ? 'water' : { field: 'mass', of: material.name },
      min: 0,
      max: 1e7,
      unit: ' g',
    }),
    match: material === undefined ? { kind: 'water' } : { kind: 'material', material },
  }));
}

const BLOCK_G = 2268;
const PLATE_ML = 20;
const PLATE_SPARE = 1.1;

function finishedVolume(stage: Stage, blend: Blend, parts: readonly BlendPart[]): number | undefined {
  if (blend.grams <= 0) {
    return undefined;
  }
  return isDissolved(stage) ? blend.liquidMl : (blend.grams / settledGPerL(stage, parts)) * 1000;
}

/** How a mix fills vessels: how many of them as usual, or, where that is said, what each gets. */
export interface Filling {
  readonly vessel: VesselType;
  /** So many are filled as usual. */
  readonly fills: number;
  readonly each?: {
    readonly count: number;
    readonly massG: number;
    readonly volumeMl: number;
    /** Of what it holds to the brim. */
    readonly share: number;
  };
}

function fillingOf(
  vessel: VesselType,
  count: number | undefined,
  { stage, blend, finishedMl }: { stage: Stage; blend: Blend; finishedMl: number },
): Filling {
  const fills = isDissolved(stage)
    ? finishedMl / usualLiquidMl(vessel)
    : vessel.finishedG !== undefined
      ? blend.grams / vessel.finishedG
      : finishedMl / (vessel.capacityMl * vessel.usualFill);
  return {
    vessel,
    fills,
    ...(count !== undefined && {
      each: {
        count,
        massG: blend.grams / count,
        volumeMl: finishedMl / count,
        share: finishedMl / count / vessel.capacityMl,
      },
    }),
  };
}

function makes(stage: Stage, blend: Blend, finishedMl: number): string {
  const several = (n: number, one: string, many: string) => {
    const shown = n >= 10 ? Math.round(n) : Math.round(n * 10) / 10;
    return `about ${shown} ${shown === 1 ? one : many}`;
  };
  switch (stage) {
    case 'agar':
      return several(Math.floor(finishedMl / (PLATE_ML * PLATE_SPARE)), 'plate of 20 ml', 'plates of 20 ml');
    case 'liquid':
      return several(finishedMl / 600, 'quart jar of 600 ml', 'quart jars of 600 ml');
    case 'grain':
      return several(finishedMl / QUART_AT_TWO_THIRDS_ML, 'quart jar', 'quart jars');
    case 'bulk':
      return several(blend.grams / BLOCK_G, 'block of 2.3 kg', 'blocks of 2.3 kg');
  }
}

let shippedOnce: readonly Material[] | undefined;
function shipped(): readonly Material[] {
  return (shippedOnce ??= shippedMaterials('2026-01-01T00:00:00.000Z'));
}
