/** "chestnut, black poplar and king oyster"; empty for none. */
export function listed(names: readonly string[]): string {
  const last = names[names.length - 1] ?? '';
  return names.length < 2 ? last : `${names.slice(0, -1).join(', ')} and ${last}`;
}
