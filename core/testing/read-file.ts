import Papa from 'papaparse';
import { ReadingsCsv, type Channel, type FileReading } from '../index.js';

/** A logger's file that is in memory, read whole. */
export function readFile(
  text: string,
  channel: Channel | 'by heading' = 'chamberC',
): { readonly file: ReadingsCsv; readonly readings: readonly FileReading[] } {
  const file = new ReadingsCsv(channel === 'by heading' ? undefined : channel);
  const readings = file.take(Papa.parse<string[]>(text.trim(), { skipEmptyLines: true }).data);
  file.end();
  return { file, readings };
}
