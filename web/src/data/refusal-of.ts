import { refusalWords } from './refusal-words.ts';
import { dropRefused, whenSettled } from './store.ts';

/**
 * Waits until an entry is stored, or known to be kept here for longer; one that the server refused is taken away again.
 * @param entry its identity, empty when nothing was recorded
 * @returns why it was refused, in words; `null` when it was not
 */
export async function refusalOf(entry: string): Promise<string | null> {
  const refused = entry === '' ? null : await whenSettled(entry);
  if (!refused) return null;
  await dropRefused(entry);
  return refusalWords(refused);
}
