/** What went wrong, in the words that it came with. */
export function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
