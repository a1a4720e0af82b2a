import { expose } from 'comlink';
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { BatchSheet } from '../../core/index';
import { SOFT_INK, drawPdf, type PdfAnswer, type PdfFonts } from './pdf-kit';

const MARGIN_PT = 38;
const BOX_PT = 11;
const LINE_PT = 0.6;
const RIM_PT = 2;
/** These are missing from the face that the PDF carries. */
const REPLACED: Readonly<Record<string, string>> = {
  '⅛': '1/8',
  '¼': '1/4',
  '⅜': '3/8',
  '½': '1/2',
  '⅝': '5/8',
  '¾': '3/4',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
  '≥': 'at least',
  '≤': 'at most',
  '→': 'to',
  '\u2009': ' ',
};

const api = {
  draw(sheet: BatchSheet, paper: 'A4' | 'LETTER', fonts: PdfFonts): Promise<PdfAnswer> {
    return drawPdf(definition(sheet, paper), fonts);
  },
};

export type SheetApi = typeof api;
expose(api);

function definition(sheet: BatchSheet, paper: 'A4' | 'LETTER'): TDocumentDefinitions {
  return {
    pageSize: paper,
    pageMargins: MARGIN_PT,
    defaultStyle: { fontSize: 10, lineHeight: 1.15 },
    info: { title: plain(`Nailwort sheet ${sheet.code}`) },
    content: [
      {
        columns: [
          { text: plain(sheet.code), bold: true, fontSize: 30, width: 'auto' },
          { text: plain(sheet.title), bold: true, fontSize: 17, margin: [14, 11, 0, 0] },
          { text: plain(sheet.made), alignment: 'right', margin: [0, 15, 0, 0] },
        ],
      },
      rim(),
      ...sheet.facts.map((fact): Content => ({
        text: [{ text: plain(`${fact.what}  `), color: SOFT_INK }, plain(fact.value)],
        margin: [0, 2, 0, 0],
      })),
      heading('Weigh'),
      table(
        ['*', 'auto', 'auto', 76],
        sheet.amounts.map((a) => [
          { text: [plain(a.what), { text: a.note ? plain(`  ${a.note}`) : '', color: SOFT_INK }] },
          { text: plain(a.mass), bold: true, alignment: 'right' },
          { text: plain(a.kitchen), color: SOFT_INK, alignment: 'right' },
          { text: 'was', color: SOFT_INK, fontSize: 8 },
        ]),
      ),
      heading('Do'),
      table(
        [112, 52, '*', 58],
        sheet.steps.map((s) => [
          { text: plain(s.deed), bold: true },
          { text: plain(s.time) },
          { text: plain(s.hint), color: SOFT_INK },
          { text: 'at', color: SOFT_INK, fontSize: 8 },
        ]),
      ),
      heading('Write down'),
      { columns: [halfOf(sheet.measure, 0), halfOf(sheet.measure, 1)], columnGap: 24 },
      heading('Mind'),
      ...sheet.cautions.map((words): Content => ({
        text: plain(words),
        margin: [0, 0, 0, 3],
        fontSize: 9,
      })),
    ],
  };
}

function heading(words: string): Content {
  return { text: words, bold: true, fontSize: 13, margin: [0, 9, 0, 3] };
}

function rim(): Content {
  return {
    canvas: [{ type: 'line', x1: 0, y1: 4, x2: 519, y2: 4, lineWidth: RIM_PT }],
    margin: [0, 0, 0, 4],
  };
}

/** Rows with a box to tick in front and hairlines between. */
function table(widths: (string | number)[], rows: readonly TableCell[][]): Content {
  return {
    table: {
      widths: [BOX_PT + 4, ...widths],
      body: rows.map((row) => [tick(), ...row]),
      dontBreakRows: true,
    },
    layout: {
      hLineWidth: () => LINE_PT,
      vLineWidth: () => 0,
      hLineColor: () => SOFT_INK,
      paddingTop: () => 3,
      paddingBottom: () => 1,
    },
  };
}

function tick(): TableCell {
  return { canvas: [{ type: 'rect', x: 0, y: 1, w: BOX_PT, h: BOX_PT, lineWidth: 1 }] };
}

function halfOf(lines: readonly string[], half: 0 | 1): Content {
  const middle = Math.ceil(lines.length / 2);
  const own = half === 0 ? lines.slice(0, middle) : lines.slice(middle);
  return {
    stack: own.map((line): Content => ({
      text: `${plain(line)}  ____________________`,
      margin: [0, 0, 0, 6],
    })),
  };
}

function plain(text: string): string {
  return text.replace(/[⅛¼⅜½⅝¾⅞⅓⅔≥≤→\u2009]/g, (c) => REPLACED[c] ?? c).replace(/(\d)(\d\/\d)/g, '$1 $2');
}
