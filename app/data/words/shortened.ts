/** A text so far as there is room for it, in characters; what was left out is marked. */
export function shortened(text: string, most: number): string {
  return text.length > most ? `${text.slice(0, most)}…` : text;
}
