/** A logger that is listened to, and the place that it speaks of. */
export interface Feed {
  readonly placeId: string;
  readonly kind: 'logger' | 'pretended';
}

/** Known before anything else is loaded: a page that was left while it listened goes on. @param house its database */
export function feedOf(house: string): Feed | undefined {
  const [kind, placeId] = (localStorage.getItem(keyOf(house)) ?? '').split(' ');
  return (kind === 'logger' || kind === 'pretended') && placeId !== undefined ? { kind, placeId } : undefined;
}

export function keepFeed(house: string, { kind, placeId }: Feed): void {
  localStorage.setItem(keyOf(house), `${kind} ${placeId}`);
}

export function forgetFeed(house: string): void {
  localStorage.removeItem(keyOf(house));
}

function keyOf(house: string): string {
  return `${house}-climate`;
}
