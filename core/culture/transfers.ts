import type { BatchPlan } from '../record/batch.js';
import type { VesselType } from '../record/definitions.js';
import { unitOf } from './amounts.js';
import type { CultureForm } from './form.js';

/** With what the hands work: a needle is flamed and cooled, grain is shaken loose and poured. */
export type KindOfWork = 'needle' | 'scalpel' | 'loop' | 'pour';

/** A medium that waits for a culture. */
export interface Medium {
  readonly form: CultureForm;
  readonly vessel: VesselType;
  readonly plan?: Pick<BatchPlan, 'vesselWetG' | 'vesselMl'> | undefined;
}

/** By what a dose is measured: the vessel as it is, so much of its content, or a share of its weight. */
export type DoseRule =
  | { readonly per: 'vessel' }
  | { readonly per: 'liter' | 'kilogram' | 'milliliter'; readonly dose: number; readonly of: number }
  | { readonly per: 'share'; readonly share: number; readonly ofG: number };

/** What one vessel is given, in the unit of what gives; from `low` to `high` is common. */
export interface UsualDose {
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly rule: DoseRule;
  readonly source: 'practice' | 'memory';
}

type Amounts = Omit<UsualDose, 'source'>;

interface Transfer {
  readonly work: KindOfWork;
  readonly dose: (medium: Medium) => Amounts;
  /** Where the dose is not what the trade does without saying whence. */
  readonly source?: 'memory';
}

const exactly = (value: number, low: number, high: number) => (): Amounts => ({
  value,
  low,
  high,
  rule: { per: 'vessel' },
});
/** So much to a liter of a jar, or to a kilogram in a bag, where capacity says little. */
const perLiterOrKg =
  (jar: readonly [number, number, number], bag: readonly [number, number, number]) =>
  ({ vessel, plan }: Medium): Amounts => {
    const isBag = vessel.kind === 'bag';
    const [value, low, high] = isBag ? bag : jar;
    const of = (isBag ? wetG(vessel, plan) : vessel.capacityMl) / 1000;
    return {
      value: sensible(value * of),
      low: sensible(low * of),
      high: sensible(high * of),
      rule: { per: isBag ? 'kilogram' : 'liter', dose: value, of },
    };
  };
const perMl =
  (value: number, low: number, high: number) =>
  ({ vessel, plan }: Medium): Amounts => {
    const of = plan?.vesselMl ?? vessel.usualMl ?? vessel.capacityMl * vessel.usualFill;
    return {
      value: sensible(value * of),
      low: sensible(low * of),
      high: sensible(high * of),
      rule: { per: 'milliliter', dose: value, of },
    };
  };
/** A share of what the vessel weighs with it. */
const shareOf =
  (value: number, low: number, high: number) =>
  ({ vessel, plan }: Medium): Amounts => {
    const ofG = wetG(vessel, plan);
    const toTens = (share: number) => Math.max(1, Math.round((ofG * share) / 10) * 10);
    return {
      value: toTens(value),
      low: toTens(low),
      high: toTens(high),
      rule: { per: 'share', share: value, ofG },
    };
  };

/** Every transfer of the trade, by what gives and what takes. Doses are common practice without a source, unless said. */
const TRANSFERS: Readonly<Record<CultureForm, Readonly<Partial<Record<CultureForm, Transfer>>>>> = {
  print: {
    plate: { work: 'loop', dose: exactly(1, 1, 2) },
    // One scrape to a syringe of ten milliliters.
    spores: { work: 'loop', dose: exactly(1, 1, 3) },
  },
  spores: {
    // A drop or two.
    plate: { work: 'needle', dose: exactly(0.2, 0.1, 1), source: 'memory' },
    // Ten milliliters to three hundred.
    broth: { work: 'needle', dose: perMl(1 / 30, 1 / 60, 1 / 15) },
    // A syringe of ten milliliters does some six jars.
    grain: { work: 'needle', dose: exactly(1.5, 1, 3) },
  },
  tissue: {
    plate: { work: 'scalpel', dose: exactly(1, 1, 2) },
    broth: { work: 'scalpel', dose: exactly(1, 1, 2) },
  },
  plate: {
    plate: { work: 'scalpel', dose: exactly(1, 1, 3) },
    slant: { work: 'scalpel', dose: exactly(1, 1, 2) },
    broth: { work: 'scalpel', dose: exactly(1, 1, 4) },
    // One dish of forty wedges does four to ten quart jars.
    grain: { work: 'scalpel', dose: perLiterOrKg([6.5, 4, 10.5], [6.5, 4, 10.5]) },
    // Spawn is faster.
    bulk: { work: 'scalpel', dose: exactly(10, 5, 20), source: 'memory' },
  },
  slant: {
    plate: { work: 'loop', dose: exactly(1, 1, 2) },
    broth: { work: 'loop', dose: exactly(1, 1, 2) },
  },
  broth: {
    plate: { work: 'needle', dose: exactly(0.5, 0.2, 1) },
    // One to two milliliters to five hundred.
    broth: { work: 'needle', dose: perMl(1.5 / 500, 1 / 500, 2 / 500) },
    // Two milliliters to a quart, two to four to a bag of 1.4 kg.
    grain: { work: 'needle', dose: perLiterOrKg([2.1, 1.05, 4.2], [2.2, 1.4, 2.9]) },
    // Into the block, or into a channel through it.
    bulk: { work: 'needle', dose: perLiterOrKg([4, 2, 8], [4.4, 2, 9]), source: 'memory' },
  },
  grain: {
    // A kernel or two, to see whether it is clean.
    plate: { work: 'loop', dose: exactly(0.2, 0.1, 1), source: 'memory' },
    slant: { work: 'loop', dose: exactly(0.2, 0.1, 1), source: 'memory' },
    // One to five up to one to ten.
    grain: { work: 'pour', dose: shareOf(1 / 8, 1 / 10, 1 / 5) },
    bulk: { work: 'pour', dose: shareOf(0.15, 0.05, 0.2) },
  },
  bulk: {
    // Run wood or straw, broken up: into more of it, or between wet cardboard.
    bulk: { work: 'pour', dose: shareOf(0.15, 0.1, 0.2) },
  },
};

/** How one form is given to another; undefined where nobody does that. */
export function transferOf(from: CultureForm, to: CultureForm): Transfer | undefined {
  return TRANSFERS[from][to];
}

/** What can feed such a medium. */
export function formsThatFeed(to: CultureForm): readonly CultureForm[] {
  return (Object.keys(TRANSFERS) as CultureForm[]).filter((from) => TRANSFERS[from][to] !== undefined);
}

/** What such a culture can be given to. */
export function formsFedBy(from: CultureForm): readonly CultureForm[] {
  return Object.keys(TRANSFERS[from]) as CultureForm[];
}

/** What each vessel of a medium usually gets from such a source, in that source's unit. Undefined as `transferOf` is. */
export function usualDose(from: CultureForm, medium: Medium): UsualDose | undefined {
  const transfer = transferOf(from, medium.form);
  if (transfer === undefined) {
    return undefined;
  }
  const dose: UsualDose = { ...transfer.dose(medium), source: transfer.source ?? 'practice' };
  return unitOf(from) === 'wedge' || unitOf(from) === 'scrape' ? whole(dose) : dose;
}

function whole(dose: UsualDose): UsualDose {
  const up = (n: number) => Math.max(1, Math.round(n));
  return { ...dose, value: up(dose.value), low: up(dose.low), high: up(dose.high) };
}

function wetG(vessel: VesselType, plan: Medium['plan']): number {
  return plan?.vesselWetG ?? vessel.finishedG ?? vessel.capacityMl * vessel.usualFill;
}

/** As a syringe is read: whole milliliters from one on, tenths below. */
function sensible(ml: number): number {
  return ml >= 1 ? Math.round(ml) : Math.max(0.1, Math.round(ml * 10) / 10);
}
