import { expose } from 'comlink';
import pdfmake from 'pdfmake/build/pdfmake.js';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { LabelContent } from '../../core/index';
import type { LabelSheet } from './label-sheets';

const MM = 72 / 25.4;
const PAD = 7;
/** Larger is no easier to scan at arm's length. */
const MOST_QR_MM = 24;
const QR_SHARE = 0.32;
/** Below this a line of text is set smaller. */
const NARROW_PT = 105;
/** Mean width of a letter of this face, in its own size; measured on these labels. */
const LETTER_EM = 0.5;
const INK = '#17324D';
const SOFT_INK = '#4A6072';

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

/** Every label stands at its own place on the page: die-cut sheets forgive no flow. */
function definition(
  labels: readonly LabelContent[],
  sheet: LabelSheet,
  byHand: boolean,
): TDocumentDefinitions {
  const rows = Math.floor((sheet.pageMm[1] - sheet.marginMm[1]) / sheet.labelMm[1]);
  const perPage = rows * sheet.columns;
  const content = labels.flatMap((label, index): Content[] => {
    const onPage = index % perPage;
    const x = (sheet.marginMm[0] + (onPage % sheet.columns) * sheet.labelMm[0]) * MM;
    const y = (sheet.marginMm[1] + Math.floor(onPage / sheet.columns) * sheet.labelMm[1]) * MM;
    const page: Content[] = onPage === 0 && index > 0 ? [{ text: '', pageBreak: 'before' }] : [];
    return [...page, ...cell(label, sheet, byHand, x, y)];
  });
  return {
    pageSize: { width: sheet.pageMm[0] * MM, height: sheet.pageMm[1] * MM },
    pageMargins: 0,
    defaultStyle: { font: 'Hyperlegible', fontSize: 8.5, color: INK },
    info: { title: 'Nailwort labels' },
    content,
  };
}

/** Text goes in as text: the PDF library has no markup that a name could break out into. */
function cell(label: LabelContent, sheet: LabelSheet, byHand: boolean, x: number, y: number): Content[] {
  const [width, height] = [sheet.labelMm[0] * MM, sheet.labelMm[1] * MM];
  const qrSize = byHand ? 0 : Math.min(height - 2 * PAD, MOST_QR_MM * MM, width * QR_SHARE);
  const textWidth = width - qrSize - 3 * PAD;
  const fontSize = textWidth < NARROW_PT ? 7.5 : 8.5;
  const shorten = (text: string) => cut(text, Math.floor(textWidth / (fontSize * LETTER_EM)));
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
        { text: shorten(label.species), bold: true },
        { text: shorten(`${label.stage}, ${label.date}`) },
        { text: shorten(`from ${label.source}`) },
        { text: shorten(label.formula), color: SOFT_INK },
      ];
  const text: Content = {
    columns: [{ stack: lines, width: textWidth, fontSize, noWrap: true }],
    absolutePosition: { x: x + PAD, y: y + PAD / 2 },
  };
  const qr: Content = {
    qr: label.link,
    fit: qrSize,
    foreground: INK,
    absolutePosition: { x: x + width - qrSize - PAD, y: y + PAD },
  };
  return byHand ? [text] : [text, qr];
}

/** A label has room for so much; a longer name ends in an ellipsis here and is whole in the app. */
function cut(text: string, letters: number): string {
  return text.length > letters ? `${text.slice(0, letters - 1)}…` : text;
}
