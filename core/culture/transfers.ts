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

/** What one vessel is given, in the unit of what gives; from `low` to `high` is common. */
export interface UsualDose {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

interface Transfer {
  readonly work: KindOfWork;
  readonly dose: (medium: Medium) => UsualDose;
}

const exactly = (value: number, low: number, high: number) => (): UsualDose => ({ value, low, high });
/** So much to a liter of a jar, or to a kilogram in a bag, where capacity says little. */
const perLiterOrKg =
  (jar: readonly [number, number, number], bag: readonly [number, number, number]) =>
  ({ vessel, plan }: Medium): UsualDose => {
    const [[value, low, high], times] =
      vessel.kind === 'bag' ? [bag, wetG(vessel, plan) / 1000] : [jar, vessel.capacityMl / 1000];
    return { value: sensible(value * times), low: sensible(low * times), high: sensible(high * times) };
  };
const perMl =
  (value: number, low: number, high: number) =>
  ({ vessel, plan }: Medium): UsualDose => {
    const ml = plan?.vesselMl ?? vessel.usualMl ?? vessel.capacityMl * vessel.usualFill;
    return { value: sensible(value * ml), low: sensible(low * ml), high: sensible(high * ml) };
  };
/** A share of what the vessel weighs with it. */
const shareOf =
  (value: number, low: number, high: number) =>
  ({ vessel, plan }: Medium): UsualDose => {
    const massG = wetG(vessel, plan);
    const toTens = (share: number) => Math.max(1, Math.round((massG * share) / 10) * 10);
    return { value: toTens(value), low: toTens(low), high: toTens(high) };
  };

/** Every transfer of the trade, by what gives and what takes. Doses are common practice without a source, unless said. */
const TRANSFERS: Readonly<Record<CultureForm, Readonly<Partial<Record<CultureForm, Transfer>>>>> = {
  print: {
    plate: { work: 'loop', dose: exactly(1, 1, 2) },
    // One scrape to a syringe of ten milliliters.
    spores: { work: 'loop', dose: exactly(1, 1, 3) },
  },
  spores: {
    // A drop or two. From memory.
    plate: { work: 'needle', dose: exactly(0.2, 0.1, 1) },
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
    // From memory; spawn is faster.
    bulk: { work: 'scalpel', dose: exactly(10, 5, 20) },
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
    // Into the block, or into a channel through it. From memory.
    bulk: { work: 'needle', dose: perLiterOrKg([4, 2, 8], [4.4, 2, 9]) },
  },
  grain: {
    // A kernel or two, to see whether it is clean. From memory.
    plate: { work: 'loop', dose: exactly(0.2, 0.1, 1) },
    slant: { work: 'loop', dose: exactly(0.2, 0.1, 1) },
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
  const dose = transfer?.dose(medium);
  return dose && (unitOf(from) === 'wedge' || unitOf(from) === 'scrape' ? whole(dose) : dose);
}

function whole({ value, low, high }: UsualDose): UsualDose {
  const up = (n: number) => Math.max(1, Math.round(n));
  return { value: up(value), low: up(low), high: up(high) };
}

function wetG(vessel: VesselType, plan: Medium['plan']): number {
  return plan?.vesselWetG ?? vessel.finishedG ?? vessel.capacityMl * vessel.usualFill;
}

/** As a syringe is read: whole milliliters from one on, tenths below. */
function sensible(ml: number): number {
  return ml >= 1 ? Math.round(ml) : Math.max(0.1, Math.round(ml * 10) / 10);
}
