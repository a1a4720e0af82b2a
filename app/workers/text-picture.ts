/** What the Latin part of our face holds; everything else the PDF would show as empty boxes. */
const IN_OUR_FACE = /^[\u0020-\u00FF\u0131\u0152\u0153\u2010-\u2026\u20AC\u2122\u2212]*$/u;
/** Dots to the height of a line: sharp at the size of a label. */
const LINE_PX = 64;
const LINE_HEIGHT = 1.25;
/** Longer lines are shrunk to nothing anyway. */
const MOST_PX = 2400;

/** A line of text as a picture. */
export interface TextPicture {
  /** Of a PNG, with all of it inside. */
  readonly url: string;
}

/**
 * Lines that our face cannot write (other scripts, right to left, emoji), drawn with the faces of the machine. What can be
 * written is left out.
 */
export async function picturesOf(lines: Iterable<string>): Promise<ReadonlyMap<string, TextPicture>> {
  const strange = [...new Set(lines)].filter((line) => !IN_OUR_FACE.test(line));
  const pictures = await Promise.all(strange.map(async (line) => [line, await pictureOf(line)] as const));
  return new Map(pictures);
}

async function pictureOf(line: string): Promise<TextPicture> {
  const font = `${LINE_PX}px "Atkinson Hyperlegible Next", sans-serif`;
  const probe = new OffscreenCanvas(1, 1).getContext('2d')!;
  probe.font = font;
  const width = Math.max(1, Math.min(MOST_PX, Math.ceil(probe.measureText(line).width)));
  const canvas = new OffscreenCanvas(width, Math.ceil(LINE_PX * LINE_HEIGHT));
  const pen = canvas.getContext('2d')!;
  pen.font = font;
  pen.textBaseline = 'middle';
  pen.fillText(line, 0, canvas.height / 2, width);
  const blob = await canvas.convertToBlob({ type: 'image/png' });
  return { url: await urlOf(blob) };
}

async function urlOf(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  const binary = Array.from(bytes, (byte) => String.fromCharCode(byte)).join('');
  return `data:${blob.type};base64,${btoa(binary)}`;
}
