/** Rows and columns of the matrices here, kept row by row. */
export const SIZE = 3;

export function determinant(a: Float64Array): number {
  return (
    a[0]! * (a[4]! * a[8]! - a[5]! * a[7]!) -
    a[1]! * (a[3]! * a[8]! - a[5]! * a[6]!) +
    a[2]! * (a[3]! * a[7]! - a[4]! * a[6]!)
  );
}

/** By cofactors. */
export function inverse(a: Float64Array): Float64Array {
  const all = determinant(a);
  const minor = (i: number, j: number) => {
    const [r, s] = [((i + 1) % SIZE) * SIZE, ((i + 2) % SIZE) * SIZE];
    const [c, d] = [(j + 1) % SIZE, (j + 2) % SIZE];
    return a[r + c]! * a[s + d]! - a[r + d]! * a[s + c]!;
  };
  // Rows and columns taken in turn carry their own sign.
  return a.map((_, n) => minor(n % SIZE, Math.floor(n / SIZE)) / all);
}

/** x of (A + damping · diagonal of A) x = b. */
export function solved(a: Float64Array, b: Float64Array, damping: number): Float64Array {
  const inverted = inverse(a.map((value, i) => (i % (SIZE + 1) === 0 ? value * (1 + damping) : value)));
  return b.map((_, i) => b.reduce((sum, value, j) => sum + inverted[i * SIZE + j]! * value, 0));
}
