import { Injectable, inject } from '@angular/core';
import type { Photo, PhotoId } from '../../../core/index';
import { HouseReads } from './reads';

/** A photo that can be shown; whoever asked for it revokes the address. */
export interface PhotoAddress {
  readonly id: PhotoId;
  readonly address: string;
  readonly takenAtMs: number;
}

/** A photo as a picture that the browser shows. */
export function pictureOf({ bytes, mime }: Pick<Photo, 'bytes' | 'mime'>): Blob {
  return new Blob([bytes.slice()], { type: mime });
}

/** Photos are read only when something that has them is shown; they never ride along with the house. */
@Injectable({ providedIn: 'root' })
export class PhotoStore {
  private readonly reads = inject(HouseReads);

  /** Object addresses of these photos, in this order. What is missing or cannot be read is left out. */
  async addressesOf(ids: readonly PhotoId[]): Promise<readonly PhotoAddress[]> {
    const photos = await this.reads.photos(ids);
    return photos.map((photo) => ({
      id: photo.id,
      address: URL.createObjectURL(pictureOf(photo)),
      takenAtMs: Date.parse(photo.takenAt),
    }));
  }
}
