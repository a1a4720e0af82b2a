import {
  USUAL_WEEK,
  buildHouse,
  defaultHousehold,
  hollinRow,
  seededRandom,
  shippedDefinitions,
  type Household,
  type Random,
  type Records,
  type Supper,
  type SuppersPlan,
  type WeekPattern,
} from '../index.js';
import { orderFaultsOf, takenTooMuch } from './plan-faults.js';
import { PLANNED_AT, plannedIn, wantedSupper } from './planned-house.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** Every so manieth house is planned once more, to ask for the same. */
const AGAIN_EVERY = 4;
const UPDATED = '2026-01-01T00:00:00.000Z';

export interface PlannedHouses {
  readonly wishes: number;
  readonly inTime: number;
  readonly broken: readonly string[];
}

/** Plans any wishes in any houses, each by its seed, and asks what was taken twice, too much, too soon or in the wrong order. */
export function plannedHouses(count: number, firstSeed: number): PlannedHouses {
  const full = hollinRow(PLANNED_AT, PLANNED_AT);
  const broken: string[] = [];
  let [wishes, inTime] = [0, 0];
  for (let seed = firstSeed; seed < firstSeed + count; seed++) {
    const random = seededRandom(seed);
    const [records, suppers, week] = [anyRecords(full, random), anySuppers(random), anyWeek(random)];
    const plan = plannedIn(buildHouse(records), suppers, week);
    wishes += suppers.length;
    inTime += plan.suppers.filter((s) => s.lateDays === 0).length;
    const faults = [...plan.suppers.flatMap(orderFaultsOf), ...takenTooMuch(plan)];
    if (seed % AGAIN_EVERY === 0) {
      const again = plannedIn(buildHouse(turnedRound(records)), [...suppers].reverse(), week);
      faults.push(
        ...(slotsOf(again) === slotsOf(plan) ? [] : ['the same rows in another order make another plan']),
      );
    }
    broken.push(...faults.map((fault) => `seed ${seed}: ${fault}`));
  }
  return { wishes, inTime, broken };
}

/** The same house, as another tab may have read it. */
function turnedRound(records: Records): Records {
  const turned = Object.entries(records).map(([name, rows]) => [name, [...(rows as unknown[])].reverse()]);
  return Object.fromEntries(turned) as Records;
}

function slotsOf({ schedule }: SuppersPlan): string {
  return JSON.stringify([...schedule.slots].sort(([a], [b]) => (a < b ? -1 : 1)));
}

/** From 0 to `most`, whole. */
const upTo = (most: number, random: Random) => Math.floor(random() * (most + 1));
const isSo = (share: number, random: Random) => random() < share;

function anyRecords(full: Records, random: Random): Records {
  const shipped = shippedDefinitions();
  const base: Records = isSo(0.4, random)
    ? full
    : {
        ...shipped,
        household: [{ ...defaultHousehold(UPDATED), altitudeM: upTo(3000, random), ...anyPower(random) }],
      };
  return {
    ...base,
    appliances: base.appliances
      .filter(() => isSo(0.8, random))
      .map((appliance) => {
        const fromMs = PLANNED_AT + upTo(120, random) * DAY;
        const out = {
          from: new Date(fromMs).toISOString(),
          until: new Date(fromMs + (1 + upTo(20, random)) * DAY).toISOString(),
        };
        return isSo(0.3, random) ? { ...appliance, outOfOrder: out } : appliance;
      }),
    places: base.places.map((place) =>
      isSo(0.5, random) ? { ...place, roomFor: {}, holds: 1 + upTo(20, random) } : place,
    ),
  };
}

function anyPower(random: Random): Pick<Household, 'freeTime'> {
  return isSo(0.3, random) ? { freeTime: { ...USUAL_WEEK, oneCooker: true } } : {};
}

function anySuppers(random: Random): readonly Supper[] {
  const { species } = shippedDefinitions();
  return Array.from({ length: 1 + upTo(3, random) }, (_, i) =>
    wantedSupper({
      key: `wish${i}`,
      speciesId: species[upTo(species.length - 1, random)]!.id,
      massG: 100 + upTo(1400, random),
      byMs: PLANNED_AT + (1 + upTo(179, random)) * DAY + 17 * HOUR,
      coldDays: 1 + upTo(9, random),
      certainty: isSo(0.3, random) ? 0.8 : 0.5,
    }),
  );
}

function anyWeek(random: Random): WeekPattern {
  const hours = [[], USUAL_WEEK.weekdays[0]!, USUAL_WEEK.weekdays[6]!];
  return {
    ...USUAL_WEEK,
    weekdays: USUAL_WEEK.weekdays.map(() => hours[upTo(2, random)]!),
    daysOff: [upTo(6, random)],
  };
}
