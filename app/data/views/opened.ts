import type { BatchId, BatchView, House, VesselId, VesselView } from '../../../core/index';

/** What an address opens: a batch, or one vessel of it. */
export interface Opened {
  readonly batch: BatchView;
  readonly vessel?: VesselView;
}

/** Finds what an address names: by its id, as links and labels say it, or by its code, as people type it. */
export function openedIn(house: House | undefined, name: string | undefined): Opened | undefined {
  if (house === undefined || name === undefined || name === '') {
    return undefined;
  }
  const byId = house.vesselById.get(name as VesselId);
  if (byId !== undefined) {
    return ofVessel(house, byId);
  }
  const batch = house.batchById.get(name as BatchId);
  if (batch !== undefined) {
    return { batch };
  }
  const typed = name.trim().toUpperCase();
  for (const view of house.batches) {
    if (view.code.toUpperCase() === typed) {
      return { batch: view };
    }
    const vessel = view.vessels.find((v) => v.code.toUpperCase() === typed);
    if (vessel !== undefined) {
      return { batch: view, vessel };
    }
  }
  return undefined;
}

/** The same for a hand in a hurry: a whole name, or the end of one code that is still here and of no other. */
export function openedByTail(house: House | undefined, name: string): Opened | undefined {
  const whole = openedIn(house, name);
  if (house === undefined || whole !== undefined) {
    return whole;
  }
  const tail = name.trim().toUpperCase();
  const ending = house.inHand
    .flatMap((b) => b.vessels)
    .filter((v) => v.state.phase !== 'gone' && v.code.toUpperCase().endsWith(tail));
  const [only, another] = ending;
  return only !== undefined && another === undefined ? ofVessel(house, only) : undefined;
}

/** Everything that a code on an older label may mean, where two devices gave one number. */
export function namesakesOf(house: House, code: string): readonly Opened[] {
  const [batchCode, number] = code.trim().toUpperCase().split('-');
  return house.batches.flatMap((batch): Opened[] => {
    if (batch.code.replace(/[a-z]+$/, '') !== batchCode) {
      return [];
    }
    const vessel = batch.vessels.find((v) => String(v.vessel.number) === number);
    return number === undefined ? [{ batch }] : vessel === undefined ? [] : [{ batch, vessel }];
  });
}

function ofVessel(house: House, vessel: VesselView): Opened | undefined {
  const batch = house.batchById.get(vessel.batch.id);
  return batch && { batch, vessel };
}
