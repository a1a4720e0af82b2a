/** A picture of this size, as a camera gives it, half of it black. */
export async function pictureFile(width: number, height: number): Promise<File> {
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')!.fillRect(0, 0, width / 2, height);
  return new File([await canvas.convertToBlob({ type: 'image/png' })], 'photo.png', { type: 'image/png' });
}
