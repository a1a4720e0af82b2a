/** A line that the spec speaks into. */
export class FakeSource {
  static opened: FakeSource[] = [];
  onmessage: ((event: { data: string }) => void) | null = null;
  onerror: (() => void) | null = null;
  closed = false;
  constructor(readonly url: string) {
    FakeSource.opened.push(this);
  }
  close(): void {
    this.closed = true;
  }
  say(data: unknown): void {
    this.onmessage?.({ data: typeof data === 'string' ? data : JSON.stringify(data) });
  }
}
