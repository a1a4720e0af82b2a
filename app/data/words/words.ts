import { differenceInCalendarDays, format, isSameDay } from 'date-fns';
import type {
  Beside,
  BatchId,
  CautionId,
  Channel,
  Contaminant,
  Cook,
  CookStep,
  CookerCare,
  CorrectionEntry,
  Entry,
  EntryOf,
  Fate,
  GlassKind,
  GlassStep,
  House,
  Proof,
  Radius,
  SuspectAt,
  VesselId,
  VesselType,
  VesselPhase,
} from '../../../core/index';
import { DAY_MS } from '../../../core/base/time';
import { isOpenSteam } from '../../../core/cook/pot';
import { stepsOf } from '../../../core/formula/hydration';
import { dryHeatRunIn } from '../../../core/house/dry-heat';
import { lastReadC } from '../../../core/house/places';
import { formatNumber } from '../../../core/quantity/format';
import { inDegrees } from './in-degrees';
import {
  GROWTH_LOOK_WORDS,
  OPENING_WORDS,
  QUALITY_WORDS,
  REPOT_WORDS,
  OUT_TO_WORDS,
  SPAWN_LIES_WORDS,
  SUSPECT_AT_WORDS,
  USE_WORDS,
  WETNESS_WORDS,
  layerWords,
} from './look-words';
import { BROTH_WORDS, MISHAP_WORDS, WARNING_NAMES } from './culture-words';
import {
  amountWords,
  burnedWords,
  doseWords,
  figureIn,
  measureWords,
  shownUnit,
  temperatureWords,
  type Figure,
  volumeWords,
} from './measure-words';
import { shortened } from './shortened';
import { verdictWord } from './verdict-word';

/** Wording of what the records hold. Kitchen English, one place for each word. */
export const CONTAMINANT_WORDS: Readonly<
  Record<Contaminant, { readonly letter: string; readonly word: string; readonly caution?: string }>
> = {
  greenMold: { letter: 'G', word: 'green mold' },
  darkMold: { letter: 'D', word: 'dark powder mold' },
  pinMold: { letter: 'P', word: 'pin mold' },
  orangeMold: { letter: 'O', word: 'orange bread mold', caution: 'Never open it indoors.' },
  cobweb: { letter: 'C', word: 'cobweb' },
  wetRot: { letter: 'W', word: 'wet rot' },
  yeast: { letter: 'Y', word: 'yeast' },
  pinkPowder: { letter: 'R', word: 'rosy powder' },
  blotch: { letter: 'B', word: 'brown blotch' },
  mites: { letter: 'M', word: 'mites' },
  gnats: { letter: 'N', word: 'gnats' },
  unsure: { letter: '?', word: 'not sure' },
};

/** What was seen, and where in the vessel. */
export function suspectWords(kind: Contaminant, at?: SuspectAt): string {
  const { word } = CONTAMINANT_WORDS[kind];
  return at === undefined ? word : `${word} ${SUSPECT_AT_WORDS[at]}`;
}

/** What a thermometer of the house shows: to a tenth, and no further than it was written down. */
export function thermometerWords(celsius: number): string {
  return temperatureWords(celsius, 1).replace(/\.0(?!\d)/, '');
}

/** What the thermometer of a place showed last, and when; empty where none was read. */
export function readWords(placeId: string, house: House, nowMs: number): string {
  const read = lastReadC(house, placeId);
  return read === undefined ? '' : `${thermometerWords(read.celsius)} read ${shortTime(read.atMs, nowMs)}`;
}

/** What the household calls a place. */
export function placeWords(id: string, { placeById }: Pick<House, 'placeById'>): string {
  return placeById.get(id)?.name ?? 'a place that is not known here';
}

export const COOK_WORDS: Readonly<Record<CookStep, string>> = {
  lidOn: 'Lid on',
  steamSteady: 'Steam is steady',
  weightOn: 'Weight on',
  atPressure: 'At pressure',
  pressureLost: 'Pressure was lost',
  heatOff: 'Heat off',
  open: 'Open',
  boiledDry: 'It boiled dry',
  stop: 'Stop this cook',
};

/** Under a lid that lies loose there is no pressure to come or go. */
const OPEN_STEAM_WORDS: Readonly<Partial<Record<CookStep, string>>> = {
  atPressure: 'Steam is steady',
  pressureLost: 'Steam stopped',
};

/** The same of one cook: a cooker without a weight has a valve that is shut, and a pot neither. */
export function cookStepWords(step: CookStep, cook: Pick<Cook, 'closes'> | undefined): string {
  if (cook !== undefined && isOpenSteam(cook)) {
    return OPEN_STEAM_WORDS[step] ?? COOK_WORDS[step];
  }
  return step === 'weightOn' && cook?.closes === 'valve' ? 'Valve shut' : COOK_WORDS[step];
}

/** Where a vessel stands. */
export const PHASE_WORDS: Readonly<Record<VesselPhase, string>> = {
  planned: 'not cooked yet',
  cooking: 'in the cooker',
  cooked: 'cooked, waits',
  running: 'running',
  opened: 'opened',
  gone: 'gone',
};

/** What became of a vessel. */
export const FATE_WORDS: Readonly<Record<Fate, string>> = {
  contaminated: 'contaminated',
  cracked: 'cracked',
  split: 'split',
  spilt: 'spilt',
  dropped: 'dropped',
  moldyBeforeUse: 'moldy before use',
  driedOut: 'dried out',
  givenAway: 'given away',
  eatenByMice: 'eaten by mice',
  spent: 'spent',
  repotted: 'moved into another vessel',
  notFilled: 'stayed empty',
  notSet: 'did not set',
  other: 'taken out',
};

export const CAUTION_WORDS: Readonly<Record<CautionId, string>> = {
  lidChecklist: 'Checklist before the lid',
  openedOnPressure: 'Opened on pressure',
  cleanWorkSpawn: 'Clean work with spawn',
  cleanWorkCulture: 'Clean work: alcohol, flame, needles',
  airSettled: 'Box stocked, air settling',
  alcoholAndFlame: 'Alcohol and flame',
  surfacesDry: 'Gloves and surfaces dry',
  bleachMixes: 'What bleach must not meet',
  needles: 'Needles',
  dustMask: 'Dust and masks',
  neverSmell: 'Suspects stay shut',
  warmWater: 'Water for spores',
  wildClone: 'A clone from the wild',
  other: 'Caution',
};

/** What a channel reads: its name, what it is called within a sentence, its unit, and how finely it is told. */
interface ChannelWords {
  readonly name: string;
  readonly word: string;
  readonly unit: string;
  readonly digits: number;
}

export const CHANNEL_WORDS: Readonly<Record<Channel, ChannelWords>> = {
  gaugeKPa: { name: 'Gauge', word: 'gauge', unit: 'kPa', digits: 0 },
  chamberC: { name: 'Chamber', word: 'chamber', unit: '°C', digits: 1 },
  coreC: { name: 'Middle', word: 'middle of a vessel', unit: '°C', digits: 1 },
  agarC: { name: 'Agar', word: 'agar', unit: '°C', digits: 1 },
  airC: { name: 'Air', word: 'air', unit: '°C', digits: 1 },
  humidityPercent: { name: 'Humidity', word: 'humidity', unit: '%', digits: 0 },
  co2Ppm: { name: 'CO₂', word: 'CO₂', unit: 'ppm', digits: 0 },
  lightLux: { name: 'Light', word: 'light', unit: 'lux', digits: 0 },
  massG: { name: 'Mass', word: 'mass', unit: 'g', digits: 0 },
  ph: { name: 'pH', word: 'pH', unit: '', digits: 2 },
};

/** A reading in the unit that this household reads. */
export function channelFigure(channel: Channel, value: number): Figure {
  const { unit, digits } = CHANNEL_WORDS[channel];
  return figureIn(shownUnit(unit), value, digits);
}

export function channelWords(channel: Channel, value: number): string {
  const { figure, sign } = channelFigure(channel, value);
  return `${figure} ${sign}`;
}

const PROOF_WORDS: Readonly<Record<Proof['kind'], string>> = {
  strip: 'steam strip read',
  maximum: 'maximum thermometer read',
  indicator: 'biological indicator read',
};

/** "day 11", counted in days of the calendar: what was done yesterday evening is a day old this morning. */
export function dayWords(sinceMs: number, nowMs: number): string {
  return `day ${Math.max(0, differenceInCalendarDays(nowMs, sinceMs))}`;
}

/** "13:48" today, "Thu 09:00" this week, "3 Nov" else. */
export function shortTime(ms: number, nowMs: number): string {
  if (isSameDay(ms, nowMs)) {
    return format(ms, 'HH:mm');
  }
  return Math.abs(ms - nowMs) < 6 * DAY_MS ? format(ms, 'EEE HH:mm') : format(ms, 'd MMM');
}

/** A likely range of days in as few words as it takes: "26 to 29 Nov", "28 Nov to 2 Dec". */
export function rangeWords(fromMs: number, toMs: number): string {
  if (isSameDay(fromMs, toMs)) {
    return format(toMs, 'd MMM');
  }
  const sameMonth = format(fromMs, 'MMM yy') === format(toMs, 'MMM yy');
  return `${format(fromMs, sameMonth ? 'd' : 'd MMM')} to ${format(toMs, 'd MMM')}`;
}

/** Codes as a person writes them: "G27-3", "G27-1 to 14", "8 of G28", "5 vessels". */
export function vesselWords(ids: readonly VesselId[], house: House): string {
  const views = ids.flatMap((id) => house.vesselById.get(id) ?? []);
  const first = views[0];
  if (first === undefined) {
    return 'a vessel';
  }
  if (views.length === 1) {
    return first.code;
  }
  const codes = [...new Set(views.map((v) => v.batchCode))];
  return codes.length === 1 ? `${views.length} of ${codes[0]}` : `${views.length} of ${codes.join(', ')}`;
}

/** So many of a type of vessel. A count never runs into a size: "6 × 2.3 kg bags", but "6 quart jars". */
export function vesselCount(count: number, { name, plural }: Pick<VesselType, 'name' | 'plural'>): string {
  const word = count === 1 ? name : plural;
  return /^\d/.test(word) ? `${count} × ${word}` : `${count} ${word}`;
}

/** What goes into a cook and is of no batch. */
export function besideWords(beside: Beside): string {
  return beside.what === 'water'
    ? `${vesselCount(beside.count, beside.vessel)} of water`
    : `${beside.count} wrapped ${beside.count === 1 ? 'tool' : 'tools'}`;
}

/** Money with two decimals and the household's own sign. */
export function moneyWords(value: number, currency: string): string {
  return `${currency === '' ? '' : `${currency}\u2009`}${formatNumber(value, 2)}`;
}

function materialWords(id: string, batchId: BatchId, house: House): string {
  const part = house.batchById.get(batchId)?.batch.plan?.parts.find((p) => p.materialId === id);
  return (part?.name ?? id).toLowerCase();
}

/** The deed of a step in the words of the batch's own method: jars for grain, bags for bulk. */
function stepWords(entry: EntryOf<'stepDone'>, house: House): string {
  const batch = house.batchById.get(entry.batchId)?.batch;
  return inDegrees((batch && stepsOf(batch).find((s) => s.step === entry.step)?.deed) ?? entry.step);
}

/** An entry as the Today line and the records show it. Text from people is returned as text, never as markup. */
export function entryWords(entry: Entry, house: House): string {
  const code = 'batchId' in entry ? (house.batchById.get(entry.batchId)?.code ?? 'a batch') : '';
  const vessels = 'vesselIds' in entry ? vesselWords(entry.vesselIds, house) : '';
  const cook = 'cookId' in entry ? `cook ${house.cookById.get(entry.cookId)?.name ?? ''}`.trim() : '';
  switch (entry.kind) {
    case 'batchMade':
      return `${house.codes.get(entry.batchId) ?? 'A batch'} made`;
    case 'filledInto':
      return `${code} filled into ${vesselCount(entry.vesselIds.length, entry.vessel)}`;
    case 'stepDone':
      return `${code}: ${stepWords(entry, house)}`;
    case 'tissueTested':
      return `${code}: tissue ${{ dry: 'too dry', right: 'clean', wet: 'wet' }[entry.result]}`;
    case 'weighed':
      return `${code}: ${amountWords(entry.massG)} drained`;
    case 'squeezed':
      return `${code}: squeeze ${{ dry: 'too dry', right: 'right', wet: 'too wet' }[entry.result]}`;
    case 'weighedOut':
      return `${code}: ${amountWords(entry.massG)} ${materialWords(entry.materialId, entry.batchId, house)}`;
    case 'adjusted':
      return `${code}: ${amountWords(entry.massG)} ${entry.name.toLowerCase()} added`;
    case 'volumeMeasured':
      return `${code}: ${volumeWords(entry.volumeMl)} left`;
    case 'phRead':
      return `${code}: pH ${formatNumber(entry.ph, 1)}${entry.drops === 0 ? '' : `, ${entry.drops} drops`}`;
    case 'cookLoaded':
      return `${cook} loaded${entry.beside === undefined ? '' : `, with ${entry.beside.map(besideWords).join(' and ')}`}`;
    case 'cookStep':
      return `${cook}: ${cookStepWords(entry.step, house.cookById.get(entry.cookId)?.cook)}${entry.carryOn === true ? ', carried on' : ''}`;
    case 'coreRead':
      return `${cook} read ${temperatureWords(entry.celsius)}`;
    case 'cautionRead':
      return `${CAUTION_WORDS[entry.caution]}, read`;
    case 'inoculated':
      return inoculatedWords(entry, house);
    case 'inspected': {
      const seen = [
        entry.suspect === undefined ? '' : suspectWords(entry.suspect, entry.suspectAt),
        entry.watched === true ? 'to be watched' : '',
        entry.cleared === true ? 'no trouble after all' : '',
        entry.fraction === undefined ? '' : `${formatNumber(entry.fraction * 100)} %`,
        entry.radii === undefined ? '' : radiiWords(entry.radii),
        entry.broth === undefined ? '' : BROTH_WORDS[entry.broth],
        entry.look === undefined ? '' : GROWTH_LOOK_WORDS[entry.look],
        entry.wetness === undefined ? '' : `wetness: ${WETNESS_WORDS[entry.wetness]}`,
        entry.photoId === undefined ? '' : 'photo',
        entry.note === undefined ? '' : `“${excerpt(entry.note)}”`,
      ].filter(Boolean);
      return `${vessels}: ${seen.join(', ') || 'looked at'}`;
    }
    case 'swirled':
      return `${vessels} swirled`;
    case 'wrapped':
      return `${vessels} wrapped`;
    case 'mishap':
      return `${vessels}: ${MISHAP_WORDS[entry.what]}`;
    case 'warnedOf':
      return `${vessels}: gone on all the same, ${entry.warnings.map((held) => WARNING_NAMES[held]).join(', ')}`;
    case 'shaken':
      return `${vessels} shaken`;
    case 'moved':
      return `${vessels} to ${placeWords(entry.place, house)}`;
    case 'layered':
      return `${vessels}: ${entry.layers.map(layerWords).join(', ')}`;
    case 'keptAsControl':
      return `${vessels} kept as a control`;
    case 'placeRead':
      return `${placeWords(entry.placeId, house)} read ${thermometerWords(entry.celsius)}${entry.source === undefined ? '' : ` by ${entry.source}`}`;
    case 'placeSet': {
      const place = placeWords(entry.placeId, house);
      return entry.celsius === undefined
        ? `${place} as warm as the room`
        : `${place} set to ${thermometerWords(entry.celsius)}`;
    }
    case 'opened':
      return `${vessels} opened${entry.how === undefined ? '' : `, ${OPENING_WORDS[entry.how]}`}`;
    case 'pinned':
      return `${vessels}: pins`;
    case 'harvested':
      return [
        `${vessels} harvested`,
        amountWords(entry.massG),
        entry.quality === undefined ? '' : QUALITY_WORDS[entry.quality],
        entry.use === undefined ? '' : USE_WORDS[entry.use],
        entry.dryG === undefined ? '' : `${amountWords(entry.dryG)} dry`,
      ]
        .filter(Boolean)
        .join(', ');
    case 'airRead':
      return `${placeWords(entry.placeId, house)} read ${channelWords(entry.channel, entry.value)} ${CHANNEL_WORDS[entry.channel].word}${entry.source === undefined ? '' : ` by ${entry.source}`}`;
    case 'tended':
      return `${placeWords(entry.placeId, house)} ${entry.how}`;
    case 'chilled':
      return `${vessels} stood cold for ${formatNumber(entry.hours)} h${entry.celsius === undefined ? '' : ` at ${thermometerWords(entry.celsius)}`}`;
    case 'soaked':
      return `${vessels} soaked${entry.takenUpG === undefined ? '' : `, took up ${amountWords(entry.takenUpG)}`}`;
    case 'discarded':
      return `${vessels}: ${FATE_WORDS[entry.reason]}${entry.to === undefined ? '' : `, ${OUT_TO_WORDS[entry.to]}`}`;
    case 'putAway':
      return `${code} put away`;
    case 'batchNoted':
      return `${code}: “${excerpt(entry.note)}”`;
    case 'cultureTold':
      return `${code}: what came told anew, ${doseWords(entry.holds.amount, entry.holds.unit)} each`;
    case 'cookNoted':
      return `${cook}: “${excerpt(entry.note)}”`;
    case 'cultureNoted':
      return `${house.records.isolates.find((i) => i.id === entry.isolateId)?.name ?? 'A culture'}: “${excerpt(entry.note)}”`;
    case 'dayNoted':
      return `“${excerpt(entry.note)}”`;
    case 'logged':
      return `${cook}: ${entry.readings.length} readings, ${CHANNEL_WORDS[entry.channel].word}`;
    case 'poured':
      return `${cook} poured`;
    case 'agarPoured':
      return `${vessels} poured, cook ${house.cookById.get(entry.cookId)?.name ?? ''}${entry.leftOverMl === undefined ? '' : `, ${volumeWords(entry.leftOverMl)} left over`}`;
    case 'glassIn':
      return `${entry.count} ${GLASS_WORDS[entry.what]} into the oven, ${temperatureWords(entry.celsius)}`;
    case 'glassStep':
      return glassStepWords(entry, house);
    case 'fuelUsed':
      return `${cook} burned ${burnedWords(entry)}`;
    case 'cookerCared':
      return `${house.records.appliances.find((a) => a.id === entry.applianceId)?.name ?? 'A cooker'}: ${CARE_WORDS[entry.what]}`;
    case 'bottlesKept':
      return `${code}: ${bottleWords(entry.bottles)} kept shut`;
    case 'bottlesMelted':
      return `${code}: ${bottleWords(entry.bottles)} melted again in ${entry.how === 'water' ? 'boiling water' : 'steam'}`;
    case 'waterLeft':
      return `${cook}: ${volumeWords(entry.leftMl)} of water left`;
    case 'proofRead':
      return `${cook}: ${PROOF_WORDS[entry.proof.kind]}${worthWords(entry, house)}`;
    default:
      return correctionWords(entry, house);
  }
}

/** Empty glass that is made sterile by dry heat. */
export const GLASS_WORDS: Readonly<Record<GlassKind, string>> = {
  dishes: 'glass dishes',
  jars: 'empty jars',
  bottles: 'empty bottles',
  pipettes: 'pipettes',
  tools: 'metal tools',
};

export const GLASS_STEP_WORDS: Readonly<Record<GlassStep, string>> = {
  hot: 'Glass is hot',
  out: 'Out of the oven',
  stop: 'Given up',
};

function glassStepWords({ runId, step }: EntryOf<'glassStep'>, house: House): string {
  const run = dryHeatRunIn(house, runId);
  const of = run === undefined ? 'Glass' : `${run.count} ${GLASS_WORDS[run.what]}`;
  return `${of}: ${GLASS_STEP_WORDS[step].toLowerCase()}`;
}

export const CARE_WORDS: Readonly<Record<CookerCare, string>> = {
  cleaned: 'cleaned, vent clear',
  valves: 'valves and gasket looked over',
  gasket: 'gasket changed',
};

/** "1 bottle", "3 bottles". */
export function bottleWords(count: number): string {
  return `${count} ${count === 1 ? 'bottle' : 'bottles'}`;
}

/** What the cook is worth with what was read of it: a reading alone says little to one who passes by. */
function worthWords({ cookId }: EntryOf<'proofRead'>, house: House): string {
  const verdict = house.cookById.get(cookId)?.verdict;
  return verdict === undefined ? '' : `; ${verdictWord(verdict).word.toLowerCase()}`;
}

function inoculatedWords(entry: EntryOf<'inoculated'>, house: House): string {
  const vessels = vesselWords(entry.vesselIds, house);
  const dose = doseWords(entry.doseEach, entry.doseUnit);
  if (entry.drawn === true) {
    return `${vessels} drawn, ${dose} each`;
  }
  if (entry.repotted !== undefined) {
    const from = vesselWords(entry.sourceVesselIds, house);
    return `${from} moved into ${vessels}, ${REPOT_WORDS[entry.repotted.how]}`;
  }
  const part = entry.compartment === undefined ? '' : `, part ${entry.compartment}`;
  const sector = entry.sector === undefined ? '' : `, ${entry.sector} sector`;
  const lies = entry.spawnLies === undefined ? '' : `, ${SPAWN_LIES_WORDS[entry.spawnLies]}`;
  return `${vessels} inoculated${part}, ${dose} each${sector}${lies}`;
}

/** "north 12 mm, east 9 mm". */
export function radiiWords(radii: readonly Radius[]): string {
  return radii.map(({ sector, mm }) => `${sector} ${measureWords(mm, 'mm', 0)}`).join(', ');
}

const EXCERPT = 60;

/** The beginning of a long remark. */
function excerpt(text: string): string {
  return shortened(text, EXCERPT);
}

/** A correction, and the entry that it speaks of. */
function correctionWords(entry: CorrectionEntry, house: House): string {
  const named = house.entryById.get(entry.entryId);
  const of = named === undefined ? 'an entry' : entryWords(named, house);
  switch (entry.kind) {
    case 'takenBack':
      return `Struck: ${of}`;
    case 'putBack':
      return `Put back: ${of}`;
    case 'retimed':
      return `Another time: ${of}`;
    case 'revalued':
      return `Another value: ${of}`;
  }
}
