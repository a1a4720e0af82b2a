import { errorNames } from './error-names';

/** Why the records cannot be opened, what that means for them, and what to do. */
export function whyShut(error: unknown): string {
  if (error === 'blocked') {
    return 'Another tab holds these records with an older Nailwort. Close the other tabs of Nailwort; this one goes on by itself. Nothing is lost.';
  }
  if (error === 'displaced') {
    return 'A newer Nailwort was opened in another tab and has taken over these records. Reload this tab to go on. Nothing is lost.';
  }
  const names = errorNames(error);
  if (names.includes('NewerDatabase') || names.includes('VersionError')) {
    return 'These records were written by a newer Nailwort, and this one will not touch them. Start the newer one again, or reload to update. Nothing was changed.';
  }
  if (names.includes('MissingAPIError') || typeof indexedDB === 'undefined') {
    return 'This browser keeps no records: its database (IndexedDB) is missing or switched off, as in some private windows. Nothing that you enter here would be kept, so nothing is asked. Use an ordinary window of a current browser.';
  }
  if (names.includes('QuotaExceededError')) {
    return 'The disk is full, so the records could not be opened. Free some space and reload. Nothing was changed.';
  }
  // A database that does not open refuses nothing: what it says is all there is, and our words need not be loaded for it.
  const message = error instanceof Error ? error.message : String(error);
  return `The records could not be opened: ${message}. Nothing was changed. Close other tabs of Nailwort and reload; if that does not help, restart the browser.`;
}
