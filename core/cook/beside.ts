import { equalLethalityHold } from '../heat/lethality.js';
import type { Beside } from '../record/entry.js';
import type { LoadMember } from './load-member.js';
import type { Stood } from './room-in-pot.js';

/** Wrapped instruments in gravity steam at 121 °C: CDC, Guideline for Disinfection and Sterilization, from memory. */
const WRAPPED_TOOL = { minutes: 30, celsius: 121 };

/** How long tools in foil or paper want in a chamber so hot. Minutes. */
export function toolsMinutes(chamberC: number): number {
  return equalLethalityHold(WRAPPED_TOOL.minutes, chamberC, WRAPPED_TOOL.celsius);
}

/** Jars of water as a part of the load: they take a place each, and heat with the rest. */
export function waterMembers(beside: readonly Beside[]): readonly LoadMember[] {
  return beside.flatMap((b): readonly LoadMember[] =>
    b.what === 'water'
      ? [
          {
            vessel: b.vessel,
            count: b.count,
            stage: 'liquid',
            // A milliliter of water weighs a gram.
            vesselWetG: b.vessel.capacityMl * b.vessel.usualFill,
          },
        ]
      : [],
  );
}

/** What takes a place: jars of water. A wrapped tool lies between. */
export function stoodBeside(beside: readonly Beside[]): readonly Stood[] {
  return waterMembers(beside).map(({ vessel, count }) => ({ vessel, count }));
}

export function hasTools(beside: readonly Beside[]): boolean {
  return beside.some((b) => b.what === 'tools');
}
