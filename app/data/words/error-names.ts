/** The names of an error and of what it was caused by, the outermost first. */
export function errorNames(error: unknown): readonly string[] {
  const names: string[] = [];
  let one: unknown = error;
  for (let depth = 0; depth < 5 && typeof one === 'object' && one !== null; depth++) {
    const { name, inner, cause } = one as { name?: unknown; inner?: unknown; cause?: unknown };
    names.push(String(name));
    one = inner ?? cause;
  }
  return names;
}
