import Papa from 'papaparse';
import * as z from 'zod';
import { TABLES, type TableName } from '../record/tables.js';

/** Columns of a table as CSV: every field that any of its rows may have, the ones that all have first. */
export function csvColumns(table: TableName): readonly string[] {
  const schema: z.ZodType = TABLES[table];
  const shapes = schema instanceof z.ZodDiscriminatedUnion ? schema.options : [schema];
  const columns = new Set<string>();
  for (const shape of shapes) {
    if (shape instanceof z.ZodObject) {
      Object.keys(shape.shape).forEach((field) => columns.add(field));
    }
  }
  columns.delete('bytes');
  return [...columns];
}

/** What a spreadsheet takes for a formula. The packer's own test overlooks texts of several lines. */
const FORMULA = /^[=+\-@\t\r]/;

/**
 * Rows as CSV (RFC 4180: CRLF, quotes doubled). What is no plain value stands as JSON. A text that a spreadsheet would
 * take for a formula gets an apostrophe before it.
 *
 * @param withHeading the first line names the columns
 */
export function csvOf(table: TableName, rows: readonly object[], withHeading: boolean): string {
  const columns = csvColumns(table);
  const data = rows.map((row) => columns.map((column) => cell((row as Record<string, unknown>)[column])));
  return linesCsv(withHeading ? [[...columns], ...data] : data);
}

/** Lines of cells as the CSV that everything here is written in. */
export function linesCsv(lines: readonly (readonly (string | number | boolean | null)[])[]): string {
  const text = Papa.unparse(
    lines.map((line) => [...line]),
    { newline: '\r\n', escapeFormulae: FORMULA },
  );
  return text === '' ? '' : `${text}\r\n`;
}

function cell(value: unknown): string | number | boolean | null {
  if (value === undefined || value === null) {
    return null;
  }
  return typeof value === 'object' ? JSON.stringify(value) : (value as string | number | boolean);
}
