import { Injectable, inject } from '@angular/core';
import { TABLES, type VesselId } from '../../core/index';
import { HOUSE_DB } from './house-db';

/** Photos are read only when a vessel is opened; they never ride along with the house. */
@Injectable({ providedIn: 'root' })
export class PhotoStore {
  private readonly db = inject(HOUSE_DB);

  /** Object addresses of a vessel's photos; the caller revokes them. */
  async addressesOf(vesselId: VesselId): Promise<readonly string[]> {
    const rows: unknown[] = await this.db.rows('photos').where('vesselId').equals(vesselId).toArray();
    return rows.flatMap((row) => {
      const photo = TABLES.photos.safeParse(row);
      return photo.success
        ? [URL.createObjectURL(new Blob([photo.data.bytes.slice()], { type: photo.data.mime }))]
        : [];
    });
  }
}
