import { format } from 'date-fns';
import {
  DAY_MS,
  blocksOf,
  placesTooSmall,
  type Broken,
  type House,
  type Supper,
  type SupperPlan,
  type SupperRefused,
  type StepInPlan,
  type WhyNotSooner,
} from '../../../core/index';
import { amountWords, heavyWords } from '../words/measure-words';
import { messageOf } from '../words/message-of';
import { vesselCount, vesselWords } from '../words/words';

/** "Sat 14 Feb" */
export function dayOf(ms: number): string {
  return format(ms, 'EEE d MMM');
}

/** "Sat 3 Aug, 19:30" */
export function momentOf(ms: number): string {
  return `${dayOf(ms)}, ${format(ms, 'HH:mm')}`;
}

/** "another step", "3 other steps" */
export function otherSteps(count: number): string {
  return count === 1 ? 'another step' : `${count} other steps`;
}

/** "800 g", "2 kg" */
export function massWords(massG: number): string {
  return massG < G_PER_KG
    ? amountWords(Math.round(massG))
    : heavyWords(massG)
        .replace(/(\.\d*?)0+(?=\D)/, '$1')
        .replace(/\.(?=\D)/, '');
}
const G_PER_KG = 1000;

/** "2 kg of black poplar" */
function wantedWords({ massG }: { readonly massG: number }, speciesName: string): string {
  return `${massWords(massG)} of ${speciesName.toLowerCase()}`;
}

/** "2 kg of black poplar, Sat 14 Feb" */
export function titleOf(supper: Supper, house: House): string {
  const species = house.records.species.find((s) => s.id === supper.speciesId);
  return `${wantedWords(supper, species?.name ?? supper.speciesId)}, ${dayOf(supper.byMs)}`;
}

/** What a step does, as one says it. */
export function stepWords(step: StepInPlan, plan: SupperPlan, house: House): string {
  const { kind, count } = step;
  const { recipe } = plan;
  const blocks = vesselCount(count, recipe.bulk.vessel);
  const jars = vesselCount(count, recipe.grain.vessel);
  const bottle = vesselCount(count, recipe.broth.vessel);
  const from = sourceWords(step, house);
  const cooker = step.load?.appliance.name.toLowerCase() ?? 'cooker';
  const shared = step.with === undefined ? '' : ', in one cook with those of another day';
  switch (kind) {
    case 'getCulture':
      return `Order a culture of ${plan.species.name.toLowerCase()}: none is here`;
    case 'mixBroth':
      return `Mix broth for ${bottle}`;
    case 'cookBroth':
      return `Cook ${bottle} of broth in the ${cooker}${shared}`;
    case 'sowBroth':
      return `Start the broth${from}`;
    case 'soak':
      return `Start the soak for ${jars}`;
    case 'fillGrain':
      return `Get the grain ready and fill ${jars}`;
    case 'cookGrain':
      return `Cook ${jars} in the ${cooker}${shared}`;
    case 'sowGrain':
      return `Inoculate ${jars}${from}`;
    case 'mixBlocks':
      return `Mix and fill ${blocks}`;
    case 'cookBlocks':
      return `Cook ${blocks} in the ${cooker}${shared}`;
    case 'pasteurizeBlocks':
      return `Mix, warm through and fill ${blocks}; cool by morning`;
    case 'spawnBlocks':
      return `Spawn ${blocks}${from}`;
    case 'open':
      return `Open ${blocks}${from}`;
    case 'cut':
      return `Cut the last of ${blocks}: what ripens from ${dayOf(keepsFromMs(plan))} on keeps cold until then`;
  }
}

/** Vessels of the house that a step takes, where it takes some: those that it fills, and what it fills them from. */
function sourceWords({ from }: StepInPlan, house: House): string {
  const [filled, sources] = [from.filter((f) => isToFill(f.view)), from.filter((f) => !isToFill(f.view))];
  const names = (all: StepInPlan['from']) =>
    vesselWords(
      all.map((f) => f.view.vessel.id),
      house,
    );
  return [
    ...(filled.length > 0 ? [` (${names(filled)})`] : []),
    ...(sources.length > 0 ? [` from ${names(sources)}`] : []),
  ].join('');
}

/** What waits for its culture. */
function isToFill({ state }: StepInPlan['from'][number]['view']): boolean {
  return state.phase === 'planned' || state.phase === 'cooking' || state.phase === 'cooked';
}

/** From when on what was cut keeps until the day. */
function keepsFromMs({ supper, lateDays }: SupperPlan): number {
  return supper.byMs + (lateDays - supper.coldDays) * DAY_MS;
}

/** What goes by the day that is wanted, and what belongs to a step that says it already. */
const WITHOUT_MARGIN: ReadonlySet<StepInPlan['kind']> = new Set([
  'cut',
  'open',
  'soak',
  'mixBroth',
  'fillGrain',
  'mixBlocks',
]);

/** By when it may be at the soonest and the latest, where that is more than the day itself. */
export function marginWords({ earliestMs, latestMs, slot, kind }: StepInPlan): string {
  const [soonest, latest] = [dayOf(earliestMs), dayOf(Math.max(latestMs, slot.startMs))];
  return WITHOUT_MARGIN.has(kind)
    ? ''
    : latest === dayOf(slot.startMs)
      ? 'no day later'
      : `from ${soonest} at best, by ${latest} at the latest`;
}

/** With what a step may come on the same days, as what they wait for grows; empty where there is nothing. */
export function meetWords(
  others: readonly StepInPlan[],
  suppers: readonly SupperPlan[],
  house: House,
): string {
  const [first, ...more] = others;
  const plan = suppers.find((s) => first !== undefined && s.steps.includes(first));
  if (first === undefined || plan === undefined) {
    return '';
  }
  const rest = more.length === 0 ? '' : more.length === 1 ? ', and another' : `, and ${more.length} others`;
  return `may be ready on the same days as “${stepWords(first, plan, house)}”, ${dayOf(first.slot.startMs)}, for ${titleOf(plan.supper, house)}${rest}`;
}

/** Whether and how surely it is there: one sentence, the same wherever the wish is told. */
export function verdictOf({ supper, openings, lateDays, recipe, steps }: SupperPlan): string {
  if (lateDays === Infinity) {
    return 'No time was found for it in the half year ahead.';
  }
  const blocks = blocksOf(openings);
  const bags = vesselCount(blocks, recipe.bulk.vessel);
  // Where nothing is there more often than once in five times, there is no such mass to tell.
  const likely = openings.likelyG < 1 ? '' : `${massWords(openings.likelyG)} or more 8 times in 10.`;
  const enough =
    openings.chance >= supper.certainty
      ? `${bags}: ${supper.certainty > 0.5 ? 'likely' : 'as likely as not'} enough${likely === '' ? '.' : `, ${likely}`}`
      : `Even ${bags} are likely not enough${likely === '' ? '.' : `: ${likely}`}`;
  return lateDays === 0 ? enough : `${capital(lateWords({ supper, lateDays, steps }))}. ${enough}`;
}

/** "in time", "26 days late: Thu 28 Jan is the soonest" */
export function lateWords({
  supper,
  lateDays,
  steps,
}: Pick<SupperPlan, 'supper' | 'lateDays' | 'steps'>): string {
  if (lateDays === 0) {
    return 'in time';
  }
  if (lateDays === Infinity) {
    return 'not to be had in the half year ahead';
  }
  const day = dayOf(supper.byMs + lateDays * DAY_MS);
  // What was put on its time by hand may be what makes it late.
  const isSoonest = steps.every((s) => s.isByHand !== true);
  return `${lateDays === 1 ? 'a day' : `${lateDays} days`} late: ${day}${isSoonest ? ' is the soonest' : ''}`;
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** What a wish that is late waits for; empty for one that is in time. */
export function bindingWords({ binding, lateDays, supper }: SupperPlan, house: House): string {
  switch (binding?.kind) {
    case undefined:
      return '';
    case 'itself':
      return 'Its own steps take so long, even with everything free.';
    case 'several':
      return 'Cookers, places and hands together leave no sooner day.';
    case 'taken': {
      const soonerMs = supper.byMs + lateDays * DAY_MS - binding.gainMs;
      const sooner =
        binding.gainMs === Infinity
          ? 'it could be had at all'
          : soonerMs <= supper.byMs
            ? 'it would be in time'
            : `it would be ${dayOf(soonerMs)}`;
      return `${limitWords(binding.of, house)} is what it waits for: with more of that ${sooner}.`;
    }
  }
}

/** Places that do not hold what a plan puts there, a sentence each. */
export function tooSmallWords(plan: SupperPlan, house: House): readonly string[] {
  return placesTooSmall(plan, house).map(({ place, vessel, count, share }) => {
    const most = Math.floor(count / share + 1e-6);
    return `${vesselCount(count, vessel)} do not go into the ${place.name.toLowerCase()}, which holds ${most}: it is planned full, and the others stand elsewhere.`;
  });
}

/** A step of any plan, by its key. */
function stepOf(key: string, plans: readonly SupperPlan[]) {
  const plan = plans.find((p) => p.steps.some((s) => s.key === key));
  const step = plan?.steps.find((s) => s.key === key);
  return plan === undefined || step === undefined ? undefined : { plan, step };
}

function wordsOfKey(key: string, plans: readonly SupperPlan[], house: House): string | undefined {
  const found = stepOf(key, plans);
  return found && stepWords(found.step, found.plan, house);
}

/** What a move leaves undone, in a line; each sort once. */
export function brokenWords(
  broken: readonly Broken[],
  plans: readonly SupperPlan[],
  house: House,
): readonly string[] {
  const words = (key: string) => wordsOfKey(key, plans, house) ?? '';
  const lines = broken.flatMap((b) => {
    switch (b.kind) {
      case 'order':
        return `Too soon or too long after \u201c${words(b.before)}\u201d: ${words(b.after)}.`;
      case 'room':
        return `Something is taken twice: ${words(b.key)}, ${dayOf(stepOf(b.key, plans)?.step.slot.startMs ?? 0)}.`;
      case 'late':
        // The wish says that it is late.
        return [];
    }
  });
  return [...new Set(lines)];
}

/** Why a step lies when it lies, in a line. */
export function whyWords(why: WhyNotSooner, plans: readonly SupperPlan[], house: House): string {
  const nameOf = (key: string) => wordsOfKey(key, plans, house) ?? key;
  switch (why.kind) {
    case 'now':
      return 'As soon as there is time.';
    case 'from':
      return `What it needs is ready on ${dayOf(why.fromMs)}.`;
    case 'waits':
      return `Waits for \u201c${nameOf(why.for)}\u201d: ready by ${dayOf(why.readyMs)}.`;
    case 'stale':
      return `Sooner it would be stale for \u201c${nameOf(why.after)}\u201d.`;
    case 'due':
      return 'It is wanted then, and no sooner.';
    case 'nobody':
      return 'Nobody has time for it before.';
    case 'taken': {
      const [by] = why.by;
      const who = by === undefined ? '' : nameOf(by);
      return `${limitWords(why.of, house)} is taken before${who === '' ? '' : `: ${who}`}.`;
    }
    case 'none':
      return `As late as its date allows, so that nothing waits; it could be done from ${dayOf(why.soonestMs)} on.`;
  }
}

/** What a plan runs short of, by its name. */
export function limitWords(of: string, house: House): string {
  const id = of.slice(of.indexOf(' ') + 1);
  const place = house.placeById.get(id)?.name;
  const cooker = house.records.appliances.find((a) => a.id === id)?.name;
  const named = { hands: 'Time to work', box: 'The box', bath: 'The bath', power: 'Power for one cooker' }[
    of
  ];
  return (
    named ??
    (of.startsWith('place ')
      ? `Room in the ${(place ?? id).toLowerCase()}`
      : `The ${(cooker ?? id).toLowerCase()}`)
  );
}

export function refusedWords({ why }: Pick<SupperRefused, 'why'>): string {
  return why.kind === 'refused'
    ? messageOf(why.error)
    : `No cooker here takes ${MEDIUM_WORDS[why.stage]}: add one that does in the Ledger, under Settings.`;
}

const MEDIUM_WORDS = {
  grain: 'the jars of grain',
  bulk: 'the blocks',
  liquid: 'the broth',
} as const;
