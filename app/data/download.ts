/** Hands a file to the person through the browser's own download. */
export function download(bytes: Uint8Array, name: string, mime: string): void {
  const address = URL.createObjectURL(new Blob([bytes.slice()], { type: mime }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The browser reads the address after this turn; a minute is ample for any file here.
  setTimeout(() => {
    URL.revokeObjectURL(address);
  }, 60_000);
}
