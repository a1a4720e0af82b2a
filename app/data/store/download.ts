import { MINUTE_MS } from '../../../core/base/time';
/** Hands bytes to the person through the browser's own download. */
export function download(bytes: Uint8Array, name: string, mime: string): void {
  downloadBlob(new Blob([bytes.slice()], { type: mime }), name);
}

/** The same for what is not held in memory as one piece. */
export function downloadBlob(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The browser reads the address after this turn; a minute is ample for any file here.
  setTimeout(() => {
    URL.revokeObjectURL(address);
  }, MINUTE_MS);
}
