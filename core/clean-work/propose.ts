import { formOf } from '../culture/form.js';
import { unitOf } from '../culture/amounts.js';
import { usualDose, type UsualDose } from '../culture/transfers.js';
import type { VesselView } from '../house/derive/house.js';
import type { CultureUnit } from '../record/culture.js';
import { givesOn } from './givers.js';

/** What each of some vessels might get, so that it agrees with what is there. */
export interface Proposal {
  readonly each: number;
  readonly unit: CultureUnit;
  /** What is usual for such a vessel. */
  readonly usual: UsualDose;
  /** So many vessels can have that; fewer than were asked for where the sources do not reach. */
  readonly vessels: number;
  /** Less than usual, since there is no more. */
  readonly isShort: boolean;
  /** Another source of the same isolate that would make it enough. */
  readonly more?: VesselView;
}

/**
 * The trade's dose where the sources hold that; where they do not, what they hold in equal parts as long as that is
 * enough to take, and fewer vessels else. Undefined where such a source is never given to such a medium.
 *
 * @param parts how many doses are asked for: vessels, or parts of dishes
 * @param others further sources that might be taken along
 */
export function proposeDose(
  target: VesselView,
  parts: number,
  sources: readonly VesselView[],
  others: readonly VesselView[] = [],
): Proposal | undefined {
  const [first] = sources;
  if (first === undefined || parts < 1) {
    return undefined;
  }
  const from = formOf(first.batch);
  const unit = unitOf(from);
  const usual = usualDose(from, {
    form: formOf(target.batch),
    vessel: target.batch.vessel,
    plan: target.batch.plan,
  });
  if (usual === undefined || sources.some((s) => s.remainingUnit !== unit)) {
    return undefined;
  }
  const have = sources.reduce((sum, s) => sum + s.remaining, 0);
  if (have >= usual.value * parts) {
    return { each: usual.value, unit, usual, vessels: parts, isShort: false };
  }
  const chosen = new Set(sources.map((s) => s.vessel.id));
  const more = others.find(
    (o) =>
      !chosen.has(o.vessel.id) &&
      o.remainingUnit === unit &&
      formOf(o.batch) === from &&
      o.isolate?.id === first.isolate?.id &&
      o.state.suspect === undefined &&
      givesOn(o),
  );
  const vessels = Math.min(parts, Math.max(1, Math.floor(have / usual.low + SLACK)));
  const each = Math.min(usual.value, measured(have / vessels, unit));
  return { each, unit, usual, vessels, isShort: true, ...(more !== undefined && { more }) };
}

const SLACK = 1e-9;

/** So that it can be measured, and never more than there is: tenths of a milliliter or gram below ten, whole wedges. */
function measured(amount: number, unit: CultureUnit): number {
  const step = unit === 'ml' || unit === 'g' ? (amount < 10 ? 0.1 : 1) : 1;
  const down = Math.floor(amount / step + SLACK) * step;
  return Math.round(down * 10) / 10;
}

/** What each source gives of an amount, so that the first is emptied first. Shares in the order of the sources. */
export function sharesInTurn(
  sources: readonly { readonly remaining: number }[],
  amount: number,
): readonly number[] {
  let wanted = amount;
  return sources.map(({ remaining }) => {
    const taken = Math.min(remaining, wanted);
    wanted -= taken;
    return taken / amount;
  });
}
