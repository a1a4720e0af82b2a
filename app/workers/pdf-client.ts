import { wrap, type Remote } from 'comlink';
import type { PdfAnswer, PdfFonts } from './pdf-kit';

/** Runs one drawing in a worker that ends with it. @throws Error with the worker's words */
export async function drawOnce<Api>(
  worker: Worker,
  draw: (api: Remote<Api>, fonts: PdfFonts) => Promise<PdfAnswer>,
): Promise<Uint8Array> {
  try {
    const font = (weight: number) =>
      new URL(`/fonts/atkinson-hyperlegible-next-latin-${weight}-normal.woff`, location.origin).href;
    const answer = await draw(wrap<Api>(worker), { regular: font(400), bold: font(700) });
    if (!answer.ok) {
      throw new Error(answer.message);
    }
    return answer.value;
  } finally {
    worker.terminate();
  }
}
