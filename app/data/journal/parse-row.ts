import { CoreError, readRow, type Records, type TableName } from '../../../core/index';

/**
 * The one door of the database: nothing is written that its schema would not read again.
 *
 * @throws CoreError that names the field
 */
export function parseRow<K extends TableName>(table: K, row: unknown): Records[K][number] {
  const read = readRow(table, row);
  if (read.ok) {
    return read.value;
  }
  const issue = read.issues[0];
  throw new CoreError('bad-row', {
    path: issue?.path.map(String).join('.') ?? '',
    issue: issue?.message ?? 'cannot be kept',
  });
}
