/** The highest number a tag may have. */
export const MOST_TAG = 999;

/** What the square on a tag says: where a phone finds the batch it hangs on. @example tagCode(7, 'http://192.168.1.4:4620') // 'http://192.168.1.4:4620/tag/7' */
export const tagCode = (tag: number, address: string): string => `${address}/tag/${tag}`;

/** Tags printed earlier said their number alone; an address may have been another then. */
const SAYS_TAG = /^(?:jar tag |https?:\/\/[^/\s]+\/tag\/)(\d{1,3})$/;

/** The tag that a square says, whatever address stands before it; `null` when it is of something else. @example tagOfCode('jar tag 7') // 7 */
export function tagOfCode(code: string): number | null {
  const tag = Number(SAYS_TAG.exec(code.trim())?.[1]);
  return tag >= 1 && tag <= MOST_TAG ? tag : null;
}

/** The numbers a text says, or what is wrong with it. @example tagsOf('4, 7') // [4, 7] */
export function tagsOf(text: string): number[] | string {
  const parts = text.split(/[\s,;]+/).filter((part) => part !== '');
  const numbers = parts.map(Number);
  const bad = parts.find(
    (_, i) => !Number.isInteger(numbers[i]) || numbers[i]! < 1 || numbers[i]! > MOST_TAG,
  );
  if (bad !== undefined) return `“${bad}” is not a tag number. Use 1 to ${MOST_TAG}.`;
  return [...new Set(numbers)].sort((a, b) => a - b);
}
