import type { Photo, PhotoId, VesselId } from '../../../core/index';
import { newId } from '../../../core/index';

const LONGEST_PX = 1600;
const QUALITY = 0.85;
const MOST_FILE_BYTES = 60_000_000;

/**
 * A picture file as a photo record: drawn anew and smaller, which also leaves out what cameras write beside the
 * picture, like the place.
 * @throws Error with words for the person
 */
export async function photoFrom(file: File, vesselId: VesselId): Promise<Photo> {
  if (file.size > MOST_FILE_BYTES) {
    throw new Error(
      `The photo must be at most ${MOST_FILE_BYTES / 1e6} MB. This one has ${Math.round(file.size / 1e6)} MB.`,
    );
  }
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new Error('That file is no picture that this browser can read.');
  });
  const shrink = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(bitmap.width * shrink)),
    Math.max(1, Math.round(bitmap.height * shrink)),
  );
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
  const bytes = new Uint8Array(await blob.arrayBuffer());
  return {
    id: newId(Date.now(), Math.random) as PhotoId,
    schemaVersion: 1,
    vesselId,
    takenAt: new Date().toISOString(),
    mime: 'image/jpeg',
    bytes,
  };
}
