/** What became of a number somebody typed. */
export type TypedNumber =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly reason: 'empty' | 'not-a-number' }
  | { readonly ok: false; readonly reason: 'ambiguous'; readonly readings: readonly [number, number] };

/**
 * Reads a number as people type it: comma and point both mark decimals, spaces group digits.
 * "1,000" may be one or a thousand, so it is returned as ambiguous for the page to ask.
 * @example readTypedNumber('43,5') // { ok: true, value: 43.5 }
 * @example readTypedNumber('1,000') // { ok: false, reason: 'ambiguous', readings: [1, 1000] }
 */
export function readTypedNumber(text: string): TypedNumber {
  const plain = text
    .trim()
    .replace(/(?<=\d)[\s\u00a0\u202f'](?=\d{3}(\D|$))/g, '')
    .replace('−', '-');
  if (plain === '') return { ok: false, reason: 'empty' };
  if (!/^[+-]?(\d+([.,]\d*)*|[.,]\d+)$/.test(plain)) return { ok: false, reason: 'not-a-number' };
  const marks = plain.replace(/[^.,]/g, '');
  if (marks.length === 0) return { ok: true, value: Number(plain) };
  if (marks.length === 1) {
    const asDecimal = Number(plain.replace(',', '.'));
    const grouped = /^[+-]?[1-9]\d{0,2},\d{3}$/.test(plain);
    return grouped
      ? { ok: false, reason: 'ambiguous', readings: [asDecimal, Number(plain.replace(',', ''))] }
      : { ok: true, value: asDecimal };
  }
  // Several marks: all but the last must group thousands, and the last must differ to be a decimal mark.
  const last = marks.at(-1) ?? '.';
  const first = marks.charAt(0);
  const decimal = last === first ? null : last;
  const shape =
    decimal === null
      ? `^[+-]?\\d{1,3}(\\${first}\\d{3})+$`
      : `^[+-]?\\d{1,3}(\\${first}\\d{3})+\\${decimal}\\d*$`;
  if (!new RegExp(shape).test(plain)) return { ok: false, reason: 'not-a-number' };
  const bare = plain.replaceAll(first, '');
  return { ok: true, value: Number(decimal === null ? bare : bare.replace(decimal, '.')) };
}
