import {
  drawJar,
  newId,
  seededRandom,
  type Entry,
  type Photo,
  type PhotoId,
  type Records,
  type VesselId,
} from '../../../core/index';

/** Photos are drawn of the first vessels of these batches of the made-up household, at every look with a level. */
const OF: readonly (readonly [stage: string, number: number, count: number])[] = [
  ['grain', 26, 2],
  ['bulk', 29, 1],
];
/** Drawn small, and shown so many times as large. */
const SCALE = 4;
const SEED = 20_260_703;

/** The made-up household with photos, drawn by code: nothing of a real kitchen is in them. */
export async function withDrawnPhotos(records: Records): Promise<Records> {
  const wanted = new Map(vesselsOf(records));
  const random = seededRandom(SEED);
  const photos: Photo[] = [];
  const entries: Entry[] = [];
  for (const entry of records.entries) {
    const [vesselId] = 'vesselIds' in entry ? entry.vesselIds : [];
    const medium = vesselId && wanted.get(vesselId);
    if (entry.kind !== 'inspected' || entry.fraction === undefined || !vesselId || !medium) {
      entries.push(entry);
      continue;
    }
    const look = { medium, coverage: entry.fraction, hasLabel: true, hasGlare: photos.length % 2 === 1 };
    const bytes = await jpegOf(look, SEED + [...wanted.keys()].indexOf(vesselId));
    const id = newId(Date.parse(entry.at), random) as PhotoId;
    photos.push({ id, schemaVersion: 1, vesselId, takenAt: entry.at, mime: 'image/jpeg', bytes });
    entries.push({ ...entry, photoId: id });
  }
  return { ...records, entries, photos: [...records.photos, ...photos] };
}

function vesselsOf({ batches, vessels }: Records): readonly (readonly [VesselId, 'grain' | 'straw'])[] {
  return OF.flatMap(([stage, number, count]) => {
    const batch = batches.find((b) => b.stage === stage && b.number === number);
    return vessels
      .filter((v) => v.batchId === batch?.id && v.number <= count)
      .map((v) => [v.id, stage === 'grain' ? 'grain' : 'straw'] as const);
  });
}

async function jpegOf(look: Parameters<typeof drawJar>[0], seed: number): Promise<Photo['bytes']> {
  const { picture } = drawJar(look, seed);
  const { width, height } = picture;
  const small = new OffscreenCanvas(width, height);
  small.getContext('2d')?.putImageData(new ImageData(picture.data.slice(), width, height), 0, 0);
  const large = new OffscreenCanvas(width * SCALE, height * SCALE);
  large.getContext('2d')?.drawImage(small, 0, 0, large.width, large.height);
  const blob = await large.convertToBlob({ type: 'image/jpeg', quality: 0.85 });
  return new Uint8Array(await blob.arrayBuffer());
}
