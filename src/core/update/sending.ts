/** When a letter can go. */
import type { Letter } from './letter.ts';
import { toldParts } from './html.ts';

/** Why this letter cannot be sent to this address, or null. */
export function whyNotSend(letter: Letter, customerEmail: string): string | null {
  if (customerEmail.trim() === '') return 'There is no email address for this customer.';
  if (letter.subject.trim() === '') return 'The subject is empty.';
  if (toldParts(letter).length === 0) return 'Everything has been left out: there is nothing to tell.';
  return null;
}
