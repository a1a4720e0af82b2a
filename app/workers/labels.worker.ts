import { expose } from 'comlink';
import type { Content, ContentText, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { LabelContent } from '../../core/index';
import { labelsPerPage, type LabelSheet, type LabelsHow } from './label-sheets';
import { picturesOf, type TextPicture } from './text-picture';
import { INK, PT_PER_MM, SOFT_INK, drawPdf, type PdfAnswer, type PdfFonts } from './pdf-kit';

const PAD = 7;
/** Larger is no easier to scan at arm's length. */
const MOST_QR_MM = 24;
const QR_SHARE = 0.32;
/** Below this a line of text is set smaller. */
const NARROW_PT = 105;
/** Mean width of a letter of this face, in its own size; measured on these labels. */
const LETTER_EM = 0.5;

/** Of a line to its letters, as the PDF library sets them. */
const LINE_HEIGHT = 1.2;

/** Labels lower than this are flags. */
const FLAG_MM = 15;
const FLAG_PAD = 2;
/** The least that can be read at arm’s length held near. */
const FLAG_PT = 4.5;

const api = {
  async draw(
    labels: readonly LabelContent[],
    sheet: LabelSheet,
    how: LabelsHow,
    fonts: PdfFonts,
  ): Promise<PdfAnswer> {
    const lines = labels.flatMap(({ species, made, sown, formula }) => [species, made, sown, formula]);
    return drawPdf(definition(labels, { sheet, how, pictures: await picturesOf(lines) }), fonts);
  },
};

export type LabelsApi = typeof api;
expose(api);

interface Drawing {
  readonly sheet: LabelSheet;
  readonly how: LabelsHow;
  /** Lines that our face cannot write. */
  readonly pictures: ReadonlyMap<string, TextPicture>;
}

/** Every label stands at its own place on the page: die-cut sheets forgive no flow. */
function definition(labels: readonly LabelContent[], job: Drawing): TDocumentDefinitions {
  const { sheet } = job;
  const { first } = job.how;
  const perPage = labelsPerPage(sheet);
  const content = labels.flatMap((label, index): Content[] => {
    const place = index + first - 1;
    const onPage = place % perPage;
    const at: Corner = {
      x: (sheet.marginMm[0] + (onPage % sheet.columns) * sheet.labelMm[0]) * PT_PER_MM,
      y: (sheet.marginMm[1] + Math.floor(onPage / sheet.columns) * sheet.labelMm[1]) * PT_PER_MM,
    };
    const page: Content[] = onPage === 0 && index > 0 ? [{ text: '', pageBreak: 'before' }] : [];
    const isFlag = sheet.labelMm[1] < FLAG_MM;
    return [...page, ...(isFlag ? flag(label, job, at) : cell(label, job, at))];
  });
  return {
    pageSize: { width: sheet.pageMm[0] * PT_PER_MM, height: sheet.pageMm[1] * PT_PER_MM },
    pageMargins: 0,
    defaultStyle: { fontSize: 8.5 },
    info: { title: 'Nailwort labels' },
    content,
  };
}

interface Corner {
  readonly x: number;
  readonly y: number;
}

/** What is left to be written stands as a line. */
const RULE = '____________________';

/** Text goes in as text: the PDF library has no markup that a name could break out into. */
function cell(label: LabelContent, { sheet, how, pictures }: Drawing, { x, y }: Corner): Content[] {
  const { byHand } = how;
  const [width, height] = [sheet.labelMm[0] * PT_PER_MM, sheet.labelMm[1] * PT_PER_MM];
  const qrSize = byHand ? 0 : Math.min(height - 2 * PAD, MOST_QR_MM * PT_PER_MM, width * QR_SHARE);
  const textWidth = width - qrSize - 3 * PAD;
  const fontSize = textWidth < NARROW_PT ? 7.5 : 8.5;
  const line = lineIn(textWidth, fontSize, pictures);
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
        line(label.species || RULE, { bold: true }),
        line(label.made),
        line(label.sown || `inoc. ______ from ______`),
        line(label.formula, { color: SOFT_INK }),
      ];
  const text: Content = {
    columns: [{ stack: lines, width: textWidth, fontSize, noWrap: true }],
    absolutePosition: { x: x + PAD, y: y + PAD / 2 },
  };
  return byHand ? [text] : [text, qrAt(label.link, qrSize, { x: x + width - qrSize - PAD, y: y + PAD })];
}

/** A flag around a needle or on the rim of a dish: the code, what it is, the day, and a QR that can just be read. */
function flag(label: LabelContent, { sheet, how, pictures }: Drawing, { x, y }: Corner): Content[] {
  const { byHand } = how;
  const [width, height] = [sheet.labelMm[0] * PT_PER_MM, sheet.labelMm[1] * PT_PER_MM];
  const qrSize = byHand ? 0 : height - 2 * FLAG_PAD;
  const textWidth = width - qrSize - 3 * FLAG_PAD;
  const line = lineIn(textWidth, FLAG_PT, pictures);
  const text: Content = {
    columns: [
      {
        stack: [
          { text: label.code, bold: true, fontSize: 9 },
          line(label.species || '________', { fontSize: FLAG_PT }),
          line(label.sown || label.made, { fontSize: FLAG_PT, color: SOFT_INK }),
        ],
        width: textWidth,
        noWrap: true,
      },
    ],
    absolutePosition: { x: x + FLAG_PAD, y: y + FLAG_PAD / 2 },
  };
  return byHand
    ? [text]
    : [text, qrAt(label.link, qrSize, { x: x + width - qrSize - FLAG_PAD, y: y + FLAG_PAD })];
}

function qrAt(link: string, size: number, { x, y }: Corner): Content {
  return { qr: link, fit: size, foreground: INK, absolutePosition: { x, y } };
}

/** One line of a label, as far as there is room; what our face cannot write stands as a picture of it. */
function lineIn(width: number, fontSize: number, pictures: Drawing['pictures']) {
  return (text: string, style: Pick<ContentText, 'bold' | 'color' | 'fontSize'> = {}): Content => {
    const picture = pictures.get(text);
    return picture === undefined
      ? { text: cut(text, Math.floor(width / (fontSize * LETTER_EM))), ...style }
      : { image: picture.url, fit: [width, fontSize * LINE_HEIGHT] };
  };
}

/** A label has room for so much; a longer name ends in an ellipsis here and is whole in the app. */
function cut(text: string, letters: number): string {
  return text.length > letters ? `${text.slice(0, letters - 1)}…` : text;
}
