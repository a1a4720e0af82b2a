import { Injectable, inject } from '@angular/core';
import type { PhotoId } from '../../../core/index';
import { HouseReads } from './reads';

/** A photo that can be shown; whoever asked for it revokes the address. */
export interface PhotoAddress {
  readonly id: PhotoId;
  readonly address: string;
  readonly takenAtMs: number;
}

/** Photos are read only when something that has them is shown; they never ride along with the house. */
@Injectable({ providedIn: 'root' })
export class PhotoStore {
  private readonly reads = inject(HouseReads);

  /** Object addresses of these photos, in this order. What is missing or cannot be read is left out. */
  async addressesOf(ids: readonly PhotoId[]): Promise<readonly PhotoAddress[]> {
    const photos = await this.reads.photos(ids);
    return photos.map(({ id, bytes, mime, takenAt }) => ({
      id,
      address: URL.createObjectURL(new Blob([bytes.slice()], { type: mime })),
      takenAtMs: Date.parse(takenAt),
    }));
  }
}
