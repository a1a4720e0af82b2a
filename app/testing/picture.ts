/** A picture of this size, as a camera gives it, half of it black. */
export async function pictureFile(width: number, height: number): Promise<File> {
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')!.fillRect(0, 0, width / 2, height);
  return new File([await canvas.convertToBlob({ type: 'image/png' })], 'photo.png', { type: 'image/png' });
}

/** A jar of wheat before a grey wall, white down to a share of its height. */
export async function jarFile(share: number): Promise<File> {
  const canvas = new OffscreenCanvas(200, 260);
  const pen = canvas.getContext('2d')!;
  const paint = (color: string, left: number, top: number, width: number, height: number) => {
    pen.fillStyle = color;
    pen.fillRect(left, top, width, height);
  };
  paint('#6f7a80', 0, 0, 200, 260);
  paint('#a0744a', 40, 40, 120, 200);
  paint('#deded2', 40, 40, 120, 200 * share);
  return new File([await canvas.convertToBlob({ type: 'image/png' })], 'jar.png', { type: 'image/png' });
}

/** A JPEG of 40 × 20 that says in its Exif part that it lies on its side, and where it was taken. */
export async function turnedFile(): Promise<File> {
  const canvas = new OffscreenCanvas(40, 20);
  canvas.getContext('2d')!.fillRect(0, 0, 20, 20);
  const jpeg = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg' })).arrayBuffer());
  const place = new TextEncoder().encode('secret place\0');
  const tiff = [
    ...new TextEncoder().encode('MM\0*'),
    ...[0, 0, 0, 8],
    ...[0, 2],
    // ImageDescription, text, so many letters, behind the two fields.
    ...[0x01, 0x0e, 0, 2, 0, 0, 0, place.length, 0, 0, 0, 38],
    // Orientation, short, one of them: 6, a quarter turn.
    ...[0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, 6, 0, 0],
    ...[0, 0, 0, 0],
    ...place,
  ];
  const exif = [...new TextEncoder().encode('Exif\0\0'), ...tiff];
  const length = exif.length + 2;
  const app1 = [0xff, 0xe1, length >> 8, length & 255, ...exif];
  const bytes = new Uint8Array([...jpeg.subarray(0, 2), ...app1, ...jpeg.subarray(2)]);
  return new File([bytes], 'photo.jpg', { type: 'image/jpeg' });
}
