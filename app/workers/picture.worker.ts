import { expose } from 'comlink';
import {
  estimateColonization,
  proposeOutline,
  type ColonizationEstimate,
  type Outline,
  type PhotoMedium,
  type Picture,
} from '../../core/index';

const LONGEST_PX = 1600;
const QUALITY = 0.85;
/** Longer is not looked at: the estimate takes a few thousand places of it. */
const LOOKED_AT_PX = 480;

/** A refusal is told in words: errors lose theirs on the way. */
export type PictureAnswer<T> = { readonly ok: true; readonly value: T } | { readonly ok: false };

let opened: Picture | undefined;

/** Drawn anew at most so long, the right way up, without what cameras write beside a picture. */
async function drawn(file: Blob, longestPx: number): Promise<OffscreenCanvas> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const shrink = Math.min(1, longestPx / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(bitmap.width * shrink)),
    Math.max(1, Math.round(bitmap.height * shrink)),
  );
  canvas.getContext('2d', { willReadFrequently: true })?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return canvas;
}

async function told<T>(work: () => Promise<T>): Promise<PictureAnswer<T>> {
  try {
    return { ok: true, value: await work() };
  } catch {
    return { ok: false };
  }
}

const api = {
  /** The picture as a JPEG that is kept. */
  shrink(file: Blob): Promise<PictureAnswer<Uint8Array<ArrayBuffer>>> {
    return told(async () => {
      const canvas = await drawn(file, LONGEST_PX);
      const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
      return new Uint8Array(await blob.arrayBuffer());
    });
  },
  /** Takes a picture to be looked at. @returns where the vessel is likely to be */
  open(file: Blob): Promise<PictureAnswer<Outline>> {
    return told(async () => {
      const canvas = await drawn(file, LOOKED_AT_PX);
      opened = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height);
      if (opened === undefined) {
        throw new Error('no picture');
      }
      return proposeOutline(opened);
    });
  },
  /** How far what is inside an outline of the opened picture has run. */
  estimate(outline: Outline, medium: PhotoMedium): ColonizationEstimate | undefined {
    return opened && estimateColonization(opened, outline, medium);
  },
};

export type PictureApi = typeof api;
expose(api);
