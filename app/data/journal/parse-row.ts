import { CoreError, readRow, type Records, type TableName } from '../../../core/index';

/** Words for fields, where the schema's name is not a person's. */
const FIELD_WORDS: Readonly<Record<string, string>> = {
  altitudeM: 'Altitude (m)',
  barometerKPa: 'Barometer (kPa)',
  roomC: 'Room (°C)',
  volumeL: 'Volume (l)',
  ratedGaugeKPa: 'Rated pressure (kPa)',
  netKW: 'Heat (kW)',
  usualCount: 'How many',
  name: 'Name',
  pricePerKg: 'Price (a kg)',
  'densityGPerL.value': 'Density (g/l)',
  'moisture.value': 'Moisture',
  'stock.massG': 'On the shelf (g)',
  lot: 'Lot',
  currency: 'Money',
  cookPrice: 'Price of a cook',
  capacityMl: 'Capacity (ml)',
  finishedG: 'Finished mass (g)',
  usualMl: 'Usual fill (ml)',
  emptyG: 'Empty mass (g)',
  parts: 'Ingredients',
  massG: 'Mass (g)',
  note: 'Note',
  celsius: 'Temperature (°C)',
  readings: 'Readings',
  doseEach: 'Dose',
  people: 'People',
};

/**
 * The one door of the database: nothing is written that its schema would not read again.
 *
 * @throws CoreError that names the field
 */
export function parseRow<K extends TableName>(table: K, row: unknown): Records[K][number] {
  const read = readRow(table, row);
  if (read.ok) {
    return read.value;
  }
  const issue = read.issues[0];
  const path = issue?.path.map(String).join('.') ?? '';
  const message = issue?.message ?? 'cannot be kept';
  throw new CoreError('out-of-range', path, undefined, message, `${FIELD_WORDS[path] ?? path}: ${message}.`);
}
