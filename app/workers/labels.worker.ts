import { expose } from 'comlink';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { LabelContent } from '../../core/index';
import type { LabelSheet } from './label-sheets';
import { INK, PT_PER_MM, SOFT_INK, drawPdf, type PdfAnswer, type PdfFonts } from './pdf-kit';

const PAD = 7;
/** Larger is no easier to scan at arm's length. */
const MOST_QR_MM = 24;
const QR_SHARE = 0.32;
/** Below this a line of text is set smaller. */
const NARROW_PT = 105;
/** Mean width of a letter of this face, in its own size; measured on these labels. */
const LETTER_EM = 0.5;

const api = {
  draw(
    labels: readonly LabelContent[],
    sheet: LabelSheet,
    byHand: boolean,
    fonts: PdfFonts,
  ): Promise<PdfAnswer> {
    return drawPdf(definition(labels, sheet, byHand), fonts);
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
    const x = (sheet.marginMm[0] + (onPage % sheet.columns) * sheet.labelMm[0]) * PT_PER_MM;
    const y = (sheet.marginMm[1] + Math.floor(onPage / sheet.columns) * sheet.labelMm[1]) * PT_PER_MM;
    const page: Content[] = onPage === 0 && index > 0 ? [{ text: '', pageBreak: 'before' }] : [];
    return [...page, ...cell(label, sheet, byHand, x, y)];
  });
  return {
    pageSize: { width: sheet.pageMm[0] * PT_PER_MM, height: sheet.pageMm[1] * PT_PER_MM },
    pageMargins: 0,
    defaultStyle: { fontSize: 8.5 },
    info: { title: 'Nailwort labels' },
    content,
  };
}

/** Text goes in as text: the PDF library has no markup that a name could break out into. */
function cell(label: LabelContent, sheet: LabelSheet, byHand: boolean, x: number, y: number): Content[] {
  const [width, height] = [sheet.labelMm[0] * PT_PER_MM, sheet.labelMm[1] * PT_PER_MM];
  const qrSize = byHand ? 0 : Math.min(height - 2 * PAD, MOST_QR_MM * PT_PER_MM, width * QR_SHARE);
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
