/** One check against something outside the project, for the table in docs/checks.md. */
export interface Check {
  readonly subject: string;
  readonly what: string;
  readonly source: string;
  readonly expected: number;
  readonly computed: number;
  /** Largest difference that counts as agreement, in the unit of the value. */
  readonly within: number;
  readonly unit: string;
}

/** Agreement in the way that the specs and the table both use. */
export function agrees(check: Check): boolean {
  return Math.abs(check.computed - check.expected) <= check.within;
}
