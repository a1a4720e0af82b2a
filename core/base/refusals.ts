/** Everything that core asks a figure of. What each is called is for whoever words a refusal to say. */
export type Field =
  | 'absolutePressure'
  | 'addedMoisture'
  | 'airShare'
  | 'altitude'
  | 'amount'
  | 'amountThere'
  | 'barometer'
  | 'bath'
  | 'biotNumber'
  | 'bucket'
  | 'carbonDioxide'
  | 'chamberTemperature'
  | 'chamberTimeStep'
  | 'colonization'
  | 'comeUp'
  | 'count'
  | 'day'
  | 'diameter'
  | 'diffusivity'
  | 'dish'
  | 'drainedMass'
  | 'driedMalt'
  | 'dryBasisMoisture'
  | 'dryMass'
  | 'dryMatter'
  | 'drySubstrate'
  | 'exponent'
  | 'fill'
  | 'freshMass'
  | 'gaugePressure'
  | 'harvest'
  | 'height'
  | 'held'
  | 'hold'
  | 'humidity'
  | 'inEach'
  | 'k1'
  | 'k2'
  | 'length'
  | 'layers'
  | 'leadEach'
  | 'longestHold'
  | 'mass'
  | 'mixMass'
  | 'mixMoisture'
  | 'moisture'
  | 'number'
  | 'oven'
  | 'partTotal'
  | 'parts'
  | 'ph'
  | 'platesLost'
  | 'platesPoured'
  | 'pressure'
  | 'price'
  | 'radius'
  | 'readingAboveRoom'
  | 'room'
  | 'runLength'
  | 'spare'
  | 'startTemperature'
  | 'step'
  | 'strength'
  | 'substrate'
  | 'targetAboveRoom'
  | 'targetF0'
  | 'temperature'
  | 'time'
  | 'timeInBath'
  | 'timeStep'
  | 'venting'
  | 'volume'
  | 'wantedMoisture'
  | 'wantedPh'
  | 'water'
  | 'wetEach'
  | 'wetMass'
  | 'wetTotal'
  | 'width'
  | 'zValue';

/**
 * What a figure is of: one of core's own; one of several, with which; or whatever the asker calls it.
 */
export type FieldRef =
  Field | { readonly field: Field; readonly of: string | number } | { readonly label: string };

/** What a figure must be. */
export interface RangeRule {
  readonly field: FieldRef;
  readonly min: number;
  readonly max: number;
  /** Shown after the limits, with a space of its own if it wants one: " °C", " %". */
  readonly unit?: string;
  /** Limits and value are multiplied by this for the words only: 100 for a fraction shown as per cent. */
  readonly shownTimes?: number;
  readonly whole?: boolean;
  /** Told in this unit to everybody: what a syringe holds, the pressure printed on a pot. */
  readonly unitStays?: boolean;
}

/** A bare number taken in another unit of its kind, and what that is in the field's own. */
export interface MeantIn {
  readonly unit: string;
  readonly value: number;
}

/** Why an archive is refused, and in which of its files. Sizes in bytes. */
export type ArchiveFault =
  | { readonly fault: 'not-whole' | 'not-ours' }
  | { readonly fault: 'newer-format'; readonly format: number; readonly most: number }
  | { readonly fault: 'bad-manifest'; readonly issue: string }
  | { readonly fault: 'lacks' | 'damaged' | 'swollen' | 'unknown-packing' | 'twice'; readonly file: string }
  | { readonly fault: 'overlap'; readonly file: string; readonly other: string }
  | { readonly fault: 'too-large'; readonly bytes: number; readonly most: number }
  | { readonly fault: 'too-many-files'; readonly count: number; readonly most: number }
  | { readonly fault: 'too-much-inside'; readonly file?: string; readonly most: number }
  | { readonly fault: 'file-too-large'; readonly file: string; readonly bytes: number; readonly most: number }
  | { readonly fault: 'too-dense'; readonly file: string; readonly mostTimes: number }
  | { readonly fault: 'too-many-rows' | 'row-too-long'; readonly file: string; readonly most: number }
  | {
      readonly fault: 'rows-missing';
      readonly file: string;
      readonly counted: number;
      readonly held: number;
    };

/** What a vessel must be for something to be done with it. */
export type WantedOfVessel = 'uncooked' | 'cooked' | 'running' | 'inoculated' | 'opened' | 'filled' | 'here';

/** Every refusal by its code, and what is told with it. Moments in ms, masses in g, temperatures in °C. */
export interface Refusals {
  /** With what the number would be if it was meant in the unit that others use for this, and fits so. */
  'out-of-range': RangeRule & { readonly value: number; readonly perhaps?: MeantIn };
  /** A bare number that is allowed, but lies where such a figure usually does only in another unit. */
  'which-unit': {
    readonly field: FieldRef;
    readonly unit: string;
    readonly value: number;
    readonly perhaps: MeantIn;
  };
  'not-a-number': { readonly field: FieldRef; readonly typed: string };
  /** A text that is too short or too long, in characters. */
  'bad-text': {
    readonly field: FieldRef;
    readonly least: number;
    readonly most: number;
    readonly length: number;
  };
  /** A row that its schema would not read again; the path of what is wrong in it, and the schema's word for that. */
  'bad-row': { readonly path: string; readonly issue: string };
  'unknown-unit': { readonly unit: string; readonly known: readonly string[] };
  'other-kind-of-unit': {
    readonly field?: FieldRef;
    readonly unit: string;
    readonly kind: string;
    readonly like: string;
  };
  'not-finite': { readonly field: FieldRef };
  'density-needed': { readonly densityGPerMl?: number; readonly below: number };
  'too-few': { readonly of: 'readings' | 'dryMasses' | 'chamberPoints'; readonly least: number };
  'too-many-lines': { readonly count: number; readonly most: number };
  'not-falling': { readonly celsius: readonly number[] };
  'bad-prior': { readonly low: number; readonly high: number };
  'not-found': {
    readonly what: 'material' | 'cook' | 'vessel' | 'batch' | 'plan' | 'entry' | 'definition' | 'place';
    readonly id: string;
  };
  'no-ingredient': object;
  'no-water': object;
  /** What is added must be drier, or wetter, than what is wanted; moistures as fractions. */
  'cannot-correct': {
    readonly wants: 'drier' | 'wetter';
    readonly target: number;
    readonly added: number;
  };
  /** What it holds outlives boiling. */
  'not-in-steam': { readonly appliance: string };
  /** The hold is infinite where none would do. */
  'hold-too-long': {
    readonly appliance: string;
    readonly chamberC: number;
    readonly holdMinutes: number;
    readonly mostMinutes: number;
    readonly longestMinutes: number;
  };
  'f0-out-of-reach': { readonly targetF0: number; readonly mostF0: number; readonly mostMinutes: number };
  /** A moment that lies beyond what a fact allows; NaN where the text was no moment. */
  'bad-moment': {
    readonly atMs: number;
    readonly limit: 'mostAge' | 'batchMade' | 'stepBefore' | 'now' | 'stepAfter';
    readonly limitMs: number;
  };
  'put-away': object;
  'wrong-phase': { readonly code: string; readonly phase: string; readonly wanted: WantedOfVessel };
  'feeds-itself': { readonly code: string };
  /** A part of a dish that is not there, or was sown before. */
  'part-sown': { readonly code: string; readonly part: number; readonly parts: number };
  'wrong-glass-step': { readonly step: string; readonly allowed: readonly string[] };
  'wrong-step': { readonly step: string; readonly allowed: readonly string[] };
  'wrong-dose-unit': { readonly unit: string; readonly wanted: string };
  'bad-dose': {
    readonly each: number;
    readonly most: number;
    readonly unit: 'ml' | 'g' | 'wedge' | 'scrape' | 'piece';
    readonly sources: readonly string[];
    readonly remaining: number;
    readonly vessels: number;
  };
  /** Later entries that a correction would make impossible, as the asker calls them; and why the first would be. */
  'later-impossible': { readonly named: readonly string[]; readonly more: number; readonly cause: unknown };
  'no-readings': object;
  'bad-archive': ArchiveFault;
}

export type RefusalCode = keyof Refusals;
