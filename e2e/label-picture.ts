import { readFileSync } from 'node:fs';
import { inflateSync } from 'node:zlib';
import { prepareZXingModule, writeBarcode } from 'zxing-wasm/writer';

interface Rect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Picture of a camera, a byte a point, 0 black. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly gray: Uint8Array;
}

/**
 * The dark squares of a page of labels as a camera would see the first of its codes: everything else of the page is left
 * out, and so is the printer.
 */
export function firstCodeOf(pdf: Buffer, width = 640, height = 480): Picture {
  const squares = rectsOf(pdf);
  const [first] = squares;
  if (first === undefined) {
    throw new Error('the PDF holds no squares');
  }
  // Squares of one code lie near each other.
  const near = squares.filter((s) => Math.abs(s.x - first.x) < 75 && Math.abs(s.y - first.y) < 75);
  const left = Math.min(...near.map((s) => s.x));
  const top = Math.min(...near.map((s) => s.y));
  const right = Math.max(...near.map((s) => s.x + s.width));
  const bottom = Math.max(...near.map((s) => s.y + s.height));
  const scale = (height * 0.6) / Math.max(right - left, bottom - top);
  const [offX, offY] = [(width - (right - left) * scale) / 2, (height - (bottom - top) * scale) / 2];
  const gray = new Uint8Array(width * height).fill(235);
  for (const s of near) {
    const [x0, x1] = [offX + (s.x - left) * scale, offX + (s.x + s.width - left) * scale];
    const [y0, y1] = [offY + (s.y - top) * scale, offY + (s.y + s.height - top) * scale];
    for (let y = Math.round(y0); y < Math.round(y1); y++) {
      gray.fill(20, y * width + Math.round(x0), y * width + Math.round(x1));
    }
  }
  return { width, height, gray };
}

/** A QR that some other maker printed, large in the picture. */
export async function codeOf(text: string, width = 640, height = 480): Promise<Picture> {
  const wasm = readFileSync('node_modules/zxing-wasm/dist/writer/zxing_writer.wasm');
  prepareZXingModule({
    overrides: {
      wasmBinary: wasm.buffer.slice(wasm.byteOffset, wasm.byteOffset + wasm.length),
    },
  });
  const { symbol, error } = await writeBarcode(text, { format: 'QRCode' });
  if (error !== '') {
    throw new Error(error);
  }
  const dot = Math.floor((height * 0.6) / symbol.height);
  const [left, top] = [(width - symbol.width * dot) >> 1, (height - symbol.height * dot) >> 1];
  const gray = new Uint8Array(width * height).fill(235);
  for (let y = 0; y < symbol.height * dot; y++) {
    for (let x = 0; x < symbol.width * dot; x++) {
      const isDark = symbol.data[Math.floor(y / dot) * symbol.width + Math.floor(x / dot)] === 0;
      gray[(top + y) * width + left + x] = isDark ? 20 : 235;
    }
  }
  return { width, height, gray };
}

/** A film of one picture, as a browser takes it for what a camera sees (YUV4MPEG2, 4:2:0). */
export function filmOf({ width, height, gray }: Picture, frames = 10): Buffer {
  const color = Buffer.alloc((width * height) / 2, 128);
  const frame = Buffer.concat([Buffer.from('FRAME\n'), gray, color]);
  const head = Buffer.from(`YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420jpeg\n`);
  return Buffer.concat([head, ...Array.from({ length: frames }, () => frame)]);
}

/** Filled squares of all pages, in points from the upper left. */
function rectsOf(pdf: Buffer): readonly Rect[] {
  const text = pdf.toString('latin1');
  const rects: Rect[] = [];
  for (const match of text.matchAll(/stream\r?\n/g)) {
    const from = match.index + match[0].length;
    const end = text.indexOf('endstream', from);
    let content: string;
    try {
      content = inflateSync(pdf.subarray(from, end)).toString('latin1');
    } catch {
      continue;
    }
    for (const rect of content.matchAll(/(-?[\d.]+) (-?[\d.]+) (-?[\d.]+) (-?[\d.]+) re/g)) {
      const [x, y, width, height] = rect.slice(1).map(Number) as [number, number, number, number];
      // The ground of a code is one large square.
      if (width < 20 && height < 20) {
        rects.push({ x, y, width, height });
      }
    }
  }
  return rects;
}
