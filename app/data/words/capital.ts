/** Words as they begin a sentence. */
export function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** The same words within a sentence. */
export function uncapital(words: string): string {
  return words.charAt(0).toLowerCase() + words.slice(1);
}
