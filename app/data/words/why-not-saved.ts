import { errorNames } from './error-names';
import { messageOf } from './message-of';

/** Why a write failed, and what would help, in a sentence each. */
export function whyNotSaved(error: unknown): string {
  const names = errorNames(error);
  if (names.includes('QuotaExceededError')) {
    return 'the disk is full. It is kept here. Free some space, then save again.';
  }
  if (names.includes('DatabaseClosedError') || names.includes('InvalidStateError')) {
    return 'the records were closed, perhaps by another tab. It is kept here. Reload, then save again.';
  }
  return `${messageOf(error)}. It is kept here. Save it again in a moment.`;
}
