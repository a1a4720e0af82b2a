import type { DBCore, DBCoreMutateRequest, DBCoreTable } from 'dexie';
import type { ReadingChunk } from '../../../core/index';
import { digestOf } from '../../../core/readings/digest';

/**
 * Keeps the digest of every chunk beside it, in the same transaction, whoever writes the chunk: none can be forgotten or grow
 * stale.
 */
export function withDigests(core: DBCore): Partial<DBCore> {
  // An upgrade begins on the tables of its older version.
  if (!core.schema.tables.some((table) => table.name === 'digests')) {
    return {};
  }
  return {
    transaction: (stores, mode, ...rest) =>
      core.transaction(
        mode === 'readwrite' && stores.includes('readings') ? [...new Set([...stores, 'digests'])] : stores,
        mode,
        ...rest,
      ),
    table: (name) =>
      name === 'readings' ? digested(core.table('readings'), core.table('digests')) : core.table(name),
  };
}

function digested(readings: DBCoreTable, digests: DBCoreTable): DBCoreTable {
  return {
    ...readings,
    mutate: (request) =>
      readings.mutate(request).then((response) => digests.mutate(ofDigests(request)).then(() => response)),
  };
}

function ofDigests(request: DBCoreMutateRequest): DBCoreMutateRequest {
  switch (request.type) {
    case 'add':
    case 'put':
      return {
        type: 'put',
        trans: request.trans,
        values: (request.values as readonly unknown[]).filter(isWholeChunk).map(digestOf),
      };
    case 'delete':
      return { type: 'delete', trans: request.trans, keys: request.keys };
    case 'deleteRange':
      return { type: 'deleteRange', trans: request.trans, range: request.range };
  }
}

/**
 * Whether a row holds what a chunk must: it was parsed when it was written, and to parse millions of numbers again at each
 * drawing would be felt.
 */
export function isWholeChunk(row: unknown): row is ReadingChunk {
  const { at, seconds, values, count } = row as Partial<ReadingChunk>;
  return (
    typeof at === 'string' &&
    !Number.isNaN(Date.parse(at)) &&
    Array.isArray(seconds) &&
    Array.isArray(values) &&
    seconds.length === count &&
    values.length === count
  );
}
