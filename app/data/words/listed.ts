/** "chestnut, black poplar and king oyster", or with "or" before the last; empty for none. */
export function listed(names: readonly string[], joinedBy: 'and' | 'or' = 'and'): string {
  const last = names[names.length - 1] ?? '';
  return names.length < 2 ? last : `${names.slice(0, -1).join(', ')} ${joinedBy} ${last}`;
}
