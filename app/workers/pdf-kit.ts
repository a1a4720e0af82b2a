import pdfmake from 'pdfmake/build/pdfmake.js';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import { messageOf } from '../data/words/message-of';

/** Addresses of the regular and bold .woff of this app. */
export interface PdfFonts {
  readonly regular: string;
  readonly bold: string;
}

export type PdfAnswer =
  { readonly ok: true; readonly value: Uint8Array } | { readonly ok: false; readonly message: string };

interface PdfMake {
  addFonts(fonts: Record<string, Record<string, string>>): void;
  createPdf(definition: TDocumentDefinitions): { getBuffer(): Promise<Uint8Array> };
}

export const PT_PER_MM = 72 / 25.4;
export const INK = '#17324D';
export const SOFT_INK = '#4A6072';

/** Draws a document in our face and ink. Text goes in as text: the library has no markup to break out into. */
export async function drawPdf(definition: TDocumentDefinitions, fonts: PdfFonts): Promise<PdfAnswer> {
  try {
    const pdf = pdfmake as unknown as PdfMake;
    pdf.addFonts({ Hyperlegible: { normal: fonts.regular, bold: fonts.bold } });
    const buffer = await pdf
      .createPdf({
        ...definition,
        defaultStyle: { font: 'Hyperlegible', color: INK, ...definition.defaultStyle },
      })
      .getBuffer();
    return { ok: true, value: new Uint8Array(buffer) };
  } catch (error) {
    return { ok: false, message: messageOf(error) };
  }
}
