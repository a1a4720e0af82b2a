import type { Records, TableName } from '../../../core/index';
import type { HouseDb } from './house-db';

/** Rows of a table in the order of their ids, so many at a time: none is ever held whole, however large it is. */
export async function* rowsInPages<K extends TableName>(
  db: HouseDb,
  name: K,
  rowsAtOnce: number,
): AsyncGenerator<Records[K][number][]> {
  for (let after = ''; ;) {
    const rows = await db.rows(name).where('id').above(after).limit(rowsAtOnce).toArray();
    yield rows;
    const last = rows[rowsAtOnce - 1];
    if (last === undefined) {
      return;
    }
    after = last.id;
  }
}
