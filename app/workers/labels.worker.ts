import { expose } from 'comlink';
import pdfmake from 'pdfmake/build/pdfmake.js';
import type { Column, Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { LabelContent } from '../../core/index';
import type { LabelSheet } from './label-sheets';

const MM = 72 / 25.4;

interface PdfMake {
  addFonts(fonts: Record<string, Record<string, string>>): void;
  addVirtualFileSystem(files: Record<string, string>): void;
  createPdf(definition: TDocumentDefinitions): { getBuffer(): Promise<Uint8Array> };
}

type Answer =
  { readonly ok: true; readonly value: Uint8Array } | { readonly ok: false; readonly message: string };

const api = {
  /** @param fonts addresses of the regular and bold .woff of this app */
  async draw(
    labels: readonly LabelContent[],
    sheet: LabelSheet,
    byHand: boolean,
    fonts: { regular: string; bold: string },
  ): Promise<Answer> {
    try {
      const pdf = pdfmake as unknown as PdfMake;
      pdf.addFonts({ Hyperlegible: { normal: fonts.regular, bold: fonts.bold } });
      const buffer = await pdf.createPdf(definition(labels, sheet, byHand)).getBuffer();
      return { ok: true, value: new Uint8Array(buffer) };
    } catch (error) {
      return { ok: false, message: error instanceof Error ? error.message : String(error) };
    }
  },
};

export type LabelsApi = typeof api;
expose(api);

function definition(
  labels: readonly LabelContent[],
  sheet: LabelSheet,
  byHand: boolean,
): TDocumentDefinitions {
  const cells = labels.map((label) => cell(label, sheet, byHand));
  const rows: TableCell[][] = [];
  for (let i = 0; i < cells.length; i += sheet.columns) {
    const row: TableCell[] = cells.slice(i, i + sheet.columns);
    while (row.length < sheet.columns) {
      row.push('');
    }
    rows.push(row);
  }
  return {
    pageSize: { width: sheet.pageMm[0] * MM, height: sheet.pageMm[1] * MM },
    pageMargins: [sheet.marginMm[0] * MM, sheet.marginMm[1] * MM, sheet.marginMm[0] * MM, 0],
    defaultStyle: { font: 'Hyperlegible', fontSize: 8.5, color: '#17324D' },
    info: { title: 'Nailwort labels' },
    content: {
      table: {
        widths: Array.from({ length: sheet.columns }, () => sheet.labelMm[0] * MM),
        heights: sheet.labelMm[1] * MM,
        body: rows,
        dontBreakRows: true,
      },
      layout: {
        defaultBorder: false,
        paddingLeft: () => 0,
        paddingRight: () => 0,
        paddingTop: () => 0,
        paddingBottom: () => 0,
      },
    },
  };
}

/** Text goes in as text: the PDF library has no markup that a name could break out into. */
function cell(label: LabelContent, sheet: LabelSheet, byHand: boolean): Content {
  const height = sheet.labelMm[1] * MM;
  const qrSize = Math.min(height - 14, 24 * MM);
  const lines: Content[] = byHand
    ? [
        { text: label.code, bold: true, fontSize: 17 },
        ...['what', 'date', 'from'].map((word): Content => ({
          text: `${word} ______________________`,
          margin: [0, 3, 0, 0],
        })),
      ]
    : [
        { text: label.code, bold: true, fontSize: 17 },
        { text: cut(label.species), bold: true },
        { text: cut(`${label.stage}, ${label.date}`) },
        { text: cut(`from ${label.source}`) },
        { text: cut(label.formula), color: '#4A6072' },
      ];
  const text: Column = { stack: lines, width: '*' };
  return {
    margin: [8, 6, 6, 0],
    columnGap: 6,
    columns: byHand ? [text] : [text, { qr: label.link, fit: qrSize, width: qrSize, foreground: '#17324D' }],
  };
}

/** A label has room for a line; a longer name ends in an ellipsis here and is whole in the app. */
function cut(text: string): string {
  return text.length > 34 ? `${text.slice(0, 33)}…` : text;
}
