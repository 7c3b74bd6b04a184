import { tagOfCode } from '../print/tag-code.ts';
import { codeOfSquare } from '../words/stock-words.ts';

/** What a square of this kitchen hangs on. */
export type Scanned =
  { readonly of: 'tag'; readonly tag: number } | { readonly of: 'goods'; readonly code: string };

/**
 * What the square on a tag or label says, whatever address stands before it; `null` when it is none of ours.
 * @example scannedOf('http://192.168.7.5:4620/tag/7') // { of: 'tag', tag: 7 }
 */
export function scannedOf(text: string): Scanned | null {
  const tag = tagOfCode(text.trim());
  if (tag !== null) return { of: 'tag', tag };
  const code = codeOfSquare(text);
  return code === null ? null : { of: 'goods', code };
}

/** Where it leads. */
export const pathOf = (scanned: Scanned): string =>
  scanned.of === 'tag' ? `/tag/${scanned.tag}` : `/larder/${scanned.code}`;

/** What is said of a square that is none of ours. */
export const NOT_OURS = 'This code is not from a tag or label of this kitchen.';
