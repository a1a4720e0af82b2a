/** Whether this browser can show a camera in a page at all. */
export function hasCamera(): boolean {
  return 'mediaDevices' in navigator && matchMedia('(pointer: fine)').matches;
}
