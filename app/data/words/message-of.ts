import { isRefusal } from '../../../core/base/errors';
import { refusalWords } from './refusal-words';

/** What is wrong with an input, empty where it is taken. Any other error is a fault, and passes on. */
export function problemOf(check: () => unknown): string {
  try {
    check();
    return '';
  } catch (error) {
    if (isRefusal(error)) {
      return refusalWords(error);
    }
    throw error;
  }
}

/** What went wrong, for a person: a refusal in our words, anything else in those that it came with. */
export function messageOf(error: unknown): string {
  if (isRefusal(error)) {
    return refusalWords(error);
  }
  return error instanceof Error ? error.message : String(error);
}
