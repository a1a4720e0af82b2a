/** Words as they begin a sentence. */
export function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** The same words within a sentence. */
export function uncapital(words: string): string {
  return words.charAt(0).toLowerCase() + words.slice(1);
}

/** The name of an ingredient inside a sentence, without what stands behind its comma: "rye", "hardwood pellets". */
export function leadWords(name: string): string {
  return (name.split(',')[0] ?? name).toLowerCase();
}
