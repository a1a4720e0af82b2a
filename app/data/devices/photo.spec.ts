import { TestBed } from '@angular/core/testing';
import type { VesselId } from '../../../core/index';
import { pictureFile, turnedFile } from '../../testing/picture';
import { PictureWorker } from '../../workers/picture-client';
import { download } from '../store/download';
import { photoFrom } from './photo';

const VESSEL = '018f0000-0000-7000-8000-000000000001' as VesselId;

describe('a photo', () => {
  const take = (file: File) =>
    photoFrom(file, VESSEL, (picture) => TestBed.inject(PictureWorker).shrink(picture));

  it('is drawn anew, no longer than 1 600 pixels', async () => {
    const photo = await take(await pictureFile(3200, 800));
    expect(photo.mime).toBe('image/jpeg');
    const bitmap = await createImageBitmap(new Blob([photo.bytes.slice()], { type: photo.mime }));
    expect([bitmap.width, bitmap.height]).toEqual([1600, 400]);
  });

  it('keeps nothing of what a camera writes beside it, and stands the right way up', async () => {
    const photo = await take(await turnedFile());
    const text = new TextDecoder('latin1').decode(photo.bytes);
    expect(text).not.toContain('Exif');
    expect(text).not.toContain('secret place');
    const bitmap = await createImageBitmap(new Blob([photo.bytes.slice()], { type: photo.mime }));
    expect([bitmap.width, bitmap.height]).withContext('lay on its side').toEqual([20, 40]);
  });

  it('is not made larger', async () => {
    const photo = await take(await pictureFile(40, 30));
    const bitmap = await createImageBitmap(new Blob([photo.bytes.slice()], { type: photo.mime }));
    expect([bitmap.width, bitmap.height]).toEqual([40, 30]);
  });

  it('that is none is refused in words', async () => {
    const letter = new File(['dear all'], 'letter.png', { type: 'image/png' });
    await expectAsync(take(letter)).toBeRejectedWithError(
      'That file is no picture that this browser can read.',
    );
  });
});

describe('a download', () => {
  it('goes out under its name', () => {
    let name = '';
    spyOn(HTMLAnchorElement.prototype, 'click').and.callFake(function (this: HTMLAnchorElement) {
      name = this.download;
    });
    download(new Uint8Array([1]), 'nailwort.zip', 'application/zip');
    expect(name).toBe('nailwort.zip');
  });
});
