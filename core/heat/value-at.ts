/** A curve of even steps at any minute: straight between them, and its ends beyond. */
export function valueAt(values: Float64Array, stepMinutes: number, minute: number): number {
  const place = Math.min(Math.max(minute / stepMinutes, 0), values.length - 1);
  const before = Math.min(Math.floor(place), values.length - 2);
  return values[before]! + (place - before) * (values[before + 1]! - values[before]!);
}
