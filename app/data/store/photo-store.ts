import { Injectable, inject } from '@angular/core';
import type { VesselId } from '../../../core/index';
import { HouseReads } from './reads';

/** Photos are read only when a vessel is opened; they never ride along with the house. */
@Injectable({ providedIn: 'root' })
export class PhotoStore {
  private readonly reads = inject(HouseReads);

  /** Object addresses of a vessel's photos; the caller revokes them. */
  async addressesOf(vesselId: VesselId): Promise<readonly string[]> {
    const photos = await this.reads.photosOf(vesselId);
    return photos.map((p) => URL.createObjectURL(new Blob([p.bytes.slice()], { type: p.mime })));
  }
}
