import * as z from 'zod';
import { BrothLook, CultureUnit, CultureWarning, Holds, Mishap, Origin, Radius, Sector } from './culture.js';
import { CookerCare, VesselType } from './definitions.js';
import { BatchId, CookId, EntryId, Instant, Key, Line, PhotoId, Remark, VesselId, written } from './ids.js';

/**
 * A log entry is a fact with a time. It is appended and never edited; a correction is a later entry that names
 * the earlier one. `at` is when it happened, `notedAt` when it was written down.
 */
const fact = {
  id: EntryId,
  schemaVersion: z.literal(1),
  at: Instant,
  notedAt: Instant,
  ...written,
  /** Entries that one press wrote together share this: they are taken back together. */
  deedId: EntryId.optional(),
};
const vesselIds = z.array(VesselId).min(1).max(500);

export const HydrationStep = z.enum([
  'soak',
  'simmer',
  'hotRest',
  'drain',
  'dryEnough',
  'mix',
  'dissolve',
  'extract',
  'strain',
  'pasteurize',
  'cooled',
  'fill',
]);
export type HydrationStep = z.infer<typeof HydrationStep>;

/** Water goes by this name among the materials of a batch. */
export const WATER = 'water';

export const CookStep = z.enum([
  'lidOn',
  'steamSteady',
  'weightOn',
  'atPressure',
  'pressureLost',
  'heatOff',
  'open',
  'boiledDry',
  'stop',
]);
export type CookStep = z.infer<typeof CookStep>;

/** What an instrument or a person reads of a cook: kPa above the air outside, or °C. */
export const CookChannel = z.enum(['gaugeKPa', 'chamberC', 'coreC', 'agarC']);
export type CookChannel = z.infer<typeof CookChannel>;

/** Everything that is read over time: of a cook, and of a vessel or a place. */
export const Channel = z.enum([
  ...CookChannel.options,
  'airC',
  'humidityPercent',
  'co2Ppm',
  'lightLux',
  'massG',
  'ph',
]);
export type Channel = z.infer<typeof Channel>;

/** What is read of the air where things fruit, beside its warmth. */
export const AirChannel = Channel.extract(['humidityPercent', 'co2Ppm']);
export type AirChannel = z.infer<typeof AirChannel>;

/** What was put in to see whether the heat arrived. Strips change with exposure and prove nothing about the middle. */
export const Proof = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('strip'), changed: z.boolean() }),
  z.strictObject({ kind: z.literal('maximum'), celsius: z.number().min(20).max(150) }),
  z.strictObject({
    kind: z.literal('indicator'),
    form: z.enum(['ampoule', 'paper']),
    /** Spores in it, as a power of ten, and the minutes at 121.1 °C that kill nine in ten: printed on it. */
    logPopulation: z.number().min(3).max(8),
    dMinutes: z.number().min(0.5).max(5),
    result: z.enum(['clear', 'turned']),
    /** One that was not cooked must turn, or the result says nothing. */
    control: z.enum(['turned', 'clear', 'none']),
    hours: z.number().min(1).max(400),
    incubatedC: z.number().min(20).max(70),
  }),
]);
export type Proof = z.infer<typeof Proof>;

/** What a look can suspect; the word is always shown beside the letter. */
export const Contaminant = z.enum([
  'greenMold',
  'darkMold',
  'pinMold',
  'orangeMold',
  'cobweb',
  'wetRot',
  'yeast',
  'pinkPowder',
  'blotch',
  'mites',
  'gnats',
  'unsure',
]);
export type Contaminant = z.infer<typeof Contaminant>;

/** Where in a vessel trouble was first seen. */
export const SuspectAt = z.enum(['top', 'middle', 'bottom', 'point', 'lid', 'all']);
export type SuspectAt = z.infer<typeof SuspectAt>;

/** How growth looks, where that is worth a word. None of these is trouble. */
export const GrowthLook = z.enum(['even', 'ropy', 'fluffy', 'thin', 'patchy', 'drops', 'bruised']);
export type GrowthLook = z.infer<typeof GrowthLook>;

/** How wet it looks through the glass. */
export const Wetness = z.enum(['dry', 'right', 'beaded', 'pooled']);
export type Wetness = z.infer<typeof Wetness>;

/** How a block or tub was opened so that it fruits; `shut`: it is left shut, and fruits in there. */
export const Opening = z.enum(['slit', 'cross', 'top', 'side', 'lid', 'holes', 'shut']);
export type Opening = z.infer<typeof Opening>;

/** What is done for the air of a place where things fruit. */
export const Tending = z.enum(['misted', 'fanned']);
export type Tending = z.infer<typeof Tending>;

/** How good a flush was when it was cut. */
export const FlushQuality = z.enum(['prime', 'fair', 'late']);
export type FlushQuality = z.infer<typeof FlushQuality>;

/** What a flush went to. */
export const FlushUse = z.enum(['eaten', 'dried', 'given', 'sold', 'spawn']);
export type FlushUse = z.infer<typeof FlushUse>;

/** Where something went that was taken out: what is spent, or, shut or cooked once more, what is contaminated. */
export const OutTo = z.enum(['compost', 'bed', 'outdoors', 'recooked']);
export type OutTo = z.infer<typeof OutTo>;

/** How what has run was moved into another vessel: in one piece, broken up by hand, or chopped small. */
export const RepotHow = z.enum(['whole', 'broken', 'chopped']);
export type RepotHow = z.infer<typeof RepotHow>;

/** How spawn lies in bulk: broken up and mixed through, in layers, on top, or in clumps that did not fall apart. */
export const SpawnLies = z.enum(['mixed', 'layered', 'onTop', 'clumps']);
export type SpawnLies = z.infer<typeof SpawnLies>;

/** What a layer in a tub, tray or bucket is of. */
export const LayerOf = z.enum(['perlite', 'spawn', 'substrate', 'mix', 'casing']);
export type LayerOf = z.infer<typeof LayerOf>;

/** Deeper than any tub. Our choice. */
export const MOST_DEPTH_MM = 400;
/** One layer; `name` says of what the casing is made. */
export const Layer = z.strictObject({
  of: LayerOf,
  depthMm: z.number().min(1).max(MOST_DEPTH_MM),
  name: Line.optional(),
});
export type Layer = z.infer<typeof Layer>;

/** Set where a correction was made by walking back or forward, and not by pointing at an entry. */
const undo = z.literal(true).optional();

/** As many as the tallest pot could hold. Our judgement. */
export const MOST_LAYERS = 6;
/** As many bottles as a batch may have. */
const MOST_BOTTLES = 500;
/** In what kept agar is melted again. */
export const MeltedIn = z.enum(['water', 'steam']);
export type MeltedIn = z.infer<typeof MeltedIn>;

/** Empty glass and metal that dry heat makes sterile. */
export const GlassKind = z.enum(['dishes', 'jars', 'bottles', 'pipettes', 'tools']);
export type GlassKind = z.infer<typeof GlassKind>;
/** The glass itself is at its heat; it is out, and cool; it was given up. */
export const GlassStep = z.enum(['hot', 'out', 'stop']);
export type GlassStep = z.infer<typeof GlassStep>;

/** How it is known what a cook burned: a meter before and after, a cylinder weighed, or power times minutes. */
export const FuelBy = z.enum(['meter', 'cylinder', 'power']);
export type FuelBy = z.infer<typeof FuelBy>;

/** Whether bags in the pot leave room for steam between them. */
export const Between = z.enum(['apart', 'touching']);
export type Between = z.infer<typeof Between>;

/** What goes into a cook and is of no batch: jars of water, tools in foil or paper. */
export const Beside = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('water'), vessel: VesselType, count: z.number().int().min(1).max(50) }),
  z.strictObject({ what: z.literal('tools'), count: z.number().int().min(1).max(50) }),
]);
export type Beside = z.infer<typeof Beside>;

/** What became of a vessel, in any phase of its life. */
export const Fate = z.enum([
  'contaminated',
  'cracked',
  'split',
  'spilt',
  'dropped',
  'moldyBeforeUse',
  'driedOut',
  'givenAway',
  'eatenByMice',
  'spent',
  'repotted',
  'notFilled',
  'notSet',
  'other',
]);
export type Fate = z.infer<typeof Fate>;

/** A caution or prompt that was shown and confirmed. Its words belong to the interface and may change. */
export const CautionId = z.enum([
  'lidChecklist',
  'openedOnPressure',
  'cleanWorkSpawn',
  'cleanWorkCulture',
  'airSettled',
  'alcoholAndFlame',
  'surfacesDry',
  'bleachMixes',
  'needles',
  'dustMask',
  'neverSmell',
  'warmWater',
  'wildClone',
  'other',
]);
export type CautionId = z.infer<typeof CautionId>;

export const Entry = z.discriminatedUnion('kind', [
  z.strictObject({ ...fact, kind: z.literal('batchMade'), batchId: BatchId, vesselIds }),
  /** All of a batch went into other vessels than before: these are all of them now. */
  z.strictObject({
    ...fact,
    kind: z.literal('filledInto'),
    batchId: BatchId,
    vessel: VesselType,
    vesselIds,
  }),
  z.strictObject({ ...fact, kind: z.literal('stepDone'), batchId: BatchId, step: HydrationStep }),
  z.strictObject({
    ...fact,
    kind: z.literal('tissueTested'),
    batchId: BatchId,
    result: z.enum(['dry', 'right', 'wet']),
  }),
  z.strictObject({
    ...fact,
    kind: z.literal('weighed'),
    batchId: BatchId,
    massG: z.number().positive().max(1_000_000),
  }),
  z.strictObject({
    ...fact,
    kind: z.literal('squeezed'),
    batchId: BatchId,
    result: z.enum(['dry', 'right', 'wet']),
  }),
  /** One ingredient, put in: what the scale really showed. */
  z.strictObject({
    ...fact,
    kind: z.literal('weighedOut'),
    batchId: BatchId,
    materialId: Key,
    massG: z.number().nonnegative().max(1_000_000),
  }),
  /** Something added afterwards, to make a mix wetter or drier. */
  z.strictObject({
    ...fact,
    kind: z.literal('adjusted'),
    batchId: BatchId,
    materialId: Key,
    name: Line,
    massG: z.number().positive().max(1_000_000),
    moisture: z.number().min(0).max(1),
  }),
  /** How much liquid is left after boiling. */
  z.strictObject({
    ...fact,
    kind: z.literal('volumeMeasured'),
    batchId: BatchId,
    volumeMl: z.number().positive().max(100_000),
  }),
  /** A pH, after so many drops more than at the reading before. */
  z.strictObject({
    ...fact,
    kind: z.literal('phRead'),
    batchId: BatchId,
    ph: z.number().min(0).max(14),
    drops: z.number().int().min(0).max(1000),
  }),
  z.strictObject({
    ...fact,
    kind: z.literal('cookLoaded'),
    cookId: CookId,
    vesselIds,
    /** Of bags: how they stand in the pot. Left out: each for itself. */
    layers: z.number().int().min(1).max(MOST_LAYERS).optional(),
    between: Between.optional(),
    beside: z.array(Beside).min(1).max(12).optional(),
  }),
  z.strictObject({
    ...fact,
    kind: z.literal('cookStep'),
    cookId: CookId,
    step: CookStep,
    carryOn: z.boolean().optional(),
  }),
  z.strictObject({ ...fact, kind: z.literal('cautionRead'), caution: CautionId }),
  /** A reading that was typed: seconds after `at`, and the value. Earlier versions kept whole logs so. */
  z.strictObject({
    ...fact,
    kind: z.literal('logged'),
    cookId: CookId,
    channel: CookChannel,
    source: Line,
    readings: z
      .array(z.tuple([z.number().min(0).max(200_000), z.number().min(-50).max(400)]))
      .min(1)
      .max(2000),
  }),
  /** Agar of a cook, poured into its plates: as earlier versions told it, all at once. */
  z.strictObject({ ...fact, kind: z.literal('poured'), cookId: CookId }),
  /** Plates of one batch were poured: these, from so many of its bottles; what they left over. */
  z.strictObject({
    ...fact,
    kind: z.literal('agarPoured'),
    cookId: CookId,
    batchId: BatchId,
    vesselIds,
    /** Emptied by it; 0 where the last one still holds some. */
    bottles: z.number().int().min(0).max(MOST_BOTTLES),
    leftOverMl: z.number().min(0).max(100_000).optional(),
    /** Into glass that dry heat had made sterile. */
    inGlass: z.literal(true).optional(),
  }),
  /** Empty glass went into the oven; its time counts once it is hot itself. */
  z.strictObject({
    ...fact,
    kind: z.literal('glassIn'),
    runId: Key,
    what: GlassKind,
    count: z.number().int().min(1).max(500),
    celsius: z.number().min(100).max(300),
    minutes: z.number().min(1).max(600),
    wrapped: z.boolean(),
  }),
  z.strictObject({ ...fact, kind: z.literal('glassStep'), runId: Key, step: GlassStep }),
  /** What a cook really burned: gas by mass, or power by energy. */
  z.strictObject({
    ...fact,
    kind: z.literal('fuelUsed'),
    cookId: CookId,
    amount: z.number().positive().max(100_000),
    unit: z.enum(['g', 'kWh']),
    by: FuelBy,
  }),
  z.strictObject({ ...fact, kind: z.literal('cookerCared'), applianceId: Key, what: CookerCare }),
  /** Bottles of agar put away shut, to be melted and poured another day. */
  z.strictObject({
    ...fact,
    kind: z.literal('bottlesKept'),
    cookId: CookId,
    batchId: BatchId,
    bottles: z.number().int().min(1).max(MOST_BOTTLES),
  }),
  z.strictObject({
    ...fact,
    kind: z.literal('bottlesMelted'),
    cookId: CookId,
    batchId: BatchId,
    bottles: z.number().int().min(1).max(MOST_BOTTLES),
    how: MeltedIn,
  }),
  /** Water that was left in the cooker, for the next budget. */
  z.strictObject({
    ...fact,
    kind: z.literal('waterLeft'),
    cookId: CookId,
    leftMl: z.number().min(0).max(50_000),
  }),
  z.strictObject({
    ...fact,
    kind: z.literal('proofRead'),
    cookId: CookId,
    vesselId: VesselId.optional(),
    proof: Proof,
  }),
  z.strictObject({
    ...fact,
    kind: z.literal('coreRead'),
    cookId: CookId,
    celsius: z.number().min(-20).max(150),
  }),
  z.strictObject({
    ...fact,
    kind: z.literal('inoculated'),
    vesselIds,
    sourceVesselIds: vesselIds,
    doseEach: z.number().positive().max(100_000),
    doseUnit: CultureUnit,
    /** What each source gave of it all, in their order; equal parts where it is not told. */
    shares: z.array(z.number().min(0).max(1)).max(500).optional(),
    /** Each vessel was meant to get of every source: two isolates side by side. */
    together: z.literal(true).optional(),
    /** Where on the source plate it was cut. */
    sector: Sector.optional(),
    /** Which part of a dish in parts was sown, from 1. */
    compartment: z.number().int().min(1).max(8).optional(),
    /** Broth or spores went into empty syringes: the same culture, not a new generation. */
    drawn: z.literal(true).optional(),
    /** All that was in the sources went in: the same culture, run as far as it had. */
    repotted: z.strictObject({ how: RepotHow, fraction: z.number().min(0).max(1) }).optional(),
    flamed: z.boolean().optional(),
    /** Spawn into bulk. */
    spawnLies: SpawnLies.optional(),
  }),
  z.strictObject({
    ...fact,
    kind: z.literal('inspected'),
    vesselIds,
    fraction: z.number().min(0).max(1).optional(),
    suspect: Contaminant.optional(),
    suspectAt: SuspectAt.optional(),
    /** Nothing that can be named yet, but it is looked at every day. */
    watched: z.literal(true).optional(),
    /** It was no trouble after all: what was suspected or watched before is taken off it. */
    cleared: z.literal(true).optional(),
    look: GrowthLook.optional(),
    wetness: Wetness.optional(),
    note: Remark.optional(),
    photoId: PhotoId.optional(),
    /** Plates: how far growth has come, by sector. */
    radii: z.array(Radius).min(1).max(16).optional(),
    broth: BrothLook.optional(),
  }),
  /** Broth, moved so that it breathes. */
  z.strictObject({ ...fact, kind: z.literal('swirled'), vesselIds }),
  /** Plates and slants, sealed against drying out. */
  z.strictObject({ ...fact, kind: z.literal('wrapped'), vesselIds }),
  /** Something went wrong while a vessel was open. */
  z.strictObject({ ...fact, kind: z.literal('mishap'), vesselIds, what: Mishap }),
  /** What was held against a transfer, and it was made all the same. */
  z.strictObject({
    ...fact,
    kind: z.literal('warnedOf'),
    vesselIds,
    sourceVesselIds: vesselIds,
    warnings: z.array(CultureWarning).min(1).max(20),
  }),
  z.strictObject({ ...fact, kind: z.literal('shaken'), vesselIds }),
  z.strictObject({ ...fact, kind: z.literal('moved'), vesselIds, place: Key }),
  /** Cooked, and kept without a culture, to be watched beside those that have one. */
  z.strictObject({ ...fact, kind: z.literal('keptAsControl'), vesselIds }),
  /** Opened to fruit. Left out, it then stands in the first tent; earlier versions knew one only. */
  z.strictObject({
    ...fact,
    kind: z.literal('opened'),
    vesselIds,
    how: Opening.optional(),
    place: Key.optional(),
  }),
  /** What a thermometer at a place showed, read and typed; or, by a logger, the middle of a day, or too much at once. */
  z.strictObject({
    ...fact,
    kind: z.literal('placeRead'),
    placeId: Key,
    celsius: z.number().min(-40).max(70),
    /** The logger's name. */
    source: Line.optional(),
  }),
  /** How moist or how stale the air of a place was, read and typed, or by a logger when it left or came back to its band. */
  z.strictObject({
    ...fact,
    kind: z.literal('airRead'),
    placeId: Key,
    channel: AirChannel,
    value: z.number().min(0).max(100_000),
    source: Line.optional(),
  }),
  z.strictObject({ ...fact, kind: z.literal('tended'), placeId: Key, how: Tending }),
  /** What was laid into it, on top of what lies there, from the bottom up. */
  z.strictObject({
    ...fact,
    kind: z.literal('layered'),
    vesselIds,
    layers: z.array(Layer).min(1).max(20),
  }),
  /** What a place is kept at from now on; left out, it is as warm as the room. */
  z.strictObject({
    ...fact,
    kind: z.literal('placeSet'),
    placeId: Key,
    celsius: z.number().min(-40).max(70).optional(),
  }),
  z.strictObject({ ...fact, kind: z.literal('pinned'), vesselIds }),
  z.strictObject({
    ...fact,
    kind: z.literal('harvested'),
    vesselIds,
    massG: z.number().positive().max(20_000),
    quality: FlushQuality.optional(),
    use: FlushUse.optional(),
    /** What it weighed once it was dry. */
    dryG: z.number().positive().max(20_000).optional(),
  }),
  /** Between flushes: laid in water, and what it took up of it. */
  z.strictObject({
    ...fact,
    kind: z.literal('soaked'),
    vesselIds,
    takenUpG: z.number().nonnegative().max(20_000).optional(),
  }),
  /** Stood cold for a while, so that it sets pins. */
  z.strictObject({
    ...fact,
    kind: z.literal('chilled'),
    vesselIds,
    hours: z.number().positive().max(1000),
    celsius: z.number().min(-10).max(25).optional(),
  }),
  z.strictObject({
    ...fact,
    kind: z.literal('discarded'),
    vesselIds,
    reason: Fate,
    to: OutTo.optional(),
  }),
  /** A whole batch that is not to be worked on: made by mistake, or given up. Its vessels go with it. */
  z.strictObject({ ...fact, kind: z.literal('putAway'), batchId: BatchId }),
  z.strictObject({ ...fact, kind: z.literal('batchNoted'), batchId: BatchId, note: Remark }),
  /** What came into the house was told wrongly; given anew, as a whole. */
  z.strictObject({
    ...fact,
    kind: z.literal('cultureTold'),
    batchId: BatchId,
    holds: Holds,
    origin: Origin,
  }),
  z.strictObject({ ...fact, kind: z.literal('cookNoted'), cookId: CookId, note: Remark }),
  z.strictObject({ ...fact, kind: z.literal('cultureNoted'), isolateId: Key, note: Remark }),
  z.strictObject({ ...fact, kind: z.literal('dayNoted'), day: z.iso.date(), note: Remark }),
  z.strictObject({ ...fact, kind: z.literal('takenBack'), entryId: EntryId, undo }),
  z.strictObject({ ...fact, kind: z.literal('putBack'), entryId: EntryId, undo }),
  z.strictObject({ ...fact, kind: z.literal('retimed'), entryId: EntryId, actualAt: Instant }),
  /** Other values for some fields of an earlier entry, by the names of its fields. */
  z.strictObject({
    ...fact,
    kind: z.literal('revalued'),
    entryId: EntryId,
    fields: z.record(z.string().max(40), z.json()).refine((f) => Object.keys(f).length <= 20, {
      error: 'at most 20 fields',
    }),
  }),
]);
export type Entry = z.infer<typeof Entry>;
export type EntryKind = Entry['kind'];
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>;

/** What an entry says, without its time and identity. */
export type Said = Entry extends infer E
  ? E extends Entry
    ? Omit<E, 'id' | 'schemaVersion' | 'at' | 'notedAt'>
    : never
  : never;

/** Entries that speak of other entries instead of the world. */
export type CorrectionKind = 'takenBack' | 'putBack' | 'retimed' | 'revalued';
export type CorrectionEntry = EntryOf<CorrectionKind>;

export function isCorrection(entry: Entry): entry is CorrectionEntry {
  return (
    entry.kind === 'takenBack' ||
    entry.kind === 'putBack' ||
    entry.kind === 'retimed' ||
    entry.kind === 'revalued'
  );
}

/** Whether an instrument said so, and no person. */
export function isByInstrument(entry: Entry): boolean {
  return (
    entry.kind === 'logged' ||
    ((entry.kind === 'placeRead' || entry.kind === 'airRead') && entry.source !== undefined)
  );
}
