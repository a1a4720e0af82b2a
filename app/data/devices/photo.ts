import { newId, type Photo, type PhotoId, type VesselId } from '../../../core/index';

const MOST_FILE_BYTES = 60_000_000;

/**
 * A picture file as a photo record.
 * @param shrink draws it anew and smaller, which leaves out what cameras write beside the picture, like the place
 * @throws Error with words for the person
 */
export async function photoFrom(
  file: Blob,
  vesselId: VesselId,
  shrink: (file: Blob) => Promise<Photo['bytes']>,
): Promise<Photo> {
  if (file.size > MOST_FILE_BYTES) {
    throw new Error(
      `The photo must be at most ${MOST_FILE_BYTES / 1e6} MB. This one has ${Math.round(file.size / 1e6)} MB.`,
    );
  }
  const bytes = await shrink(file);
  return {
    id: newId(Date.now(), Math.random) as PhotoId,
    schemaVersion: 1,
    vesselId,
    takenAt: new Date().toISOString(),
    mime: 'image/jpeg',
    bytes,
  };
}
