/** Frame headers that tell how large a picture is: baseline, extended, progressive. */
const FRAMES: ReadonlySet<number> = new Set([0xc0, 0xc1, 0xc2]);
/** Where the picture's own data begin. */
const START_OF_SCAN = 0xda;

/**
 * How large a JPEG picture is; `null` for anything that is none, whatever it calls itself.
 * @example jpegSize(bytes) // { widthPx: 1024, heightPx: 768 }
 */
export function jpegSize(bytes: Uint8Array): { readonly widthPx: number; readonly heightPx: number } | null {
  const end = bytes.length;
  if (end < 20 || bytes[0] !== 0xff || bytes[1] !== 0xd8) return null;
  if (bytes[end - 2] !== 0xff || bytes[end - 1] !== 0xd9) return null;
  let size: { widthPx: number; heightPx: number } | null = null;
  let at = 2;
  while (at + 4 <= end) {
    if (bytes[at] !== 0xff) return null;
    const marker = bytes[at + 1]!;
    const length = (bytes[at + 2]! << 8) | bytes[at + 3]!;
    if (length < 2 || at + 2 + length > end) return null;
    if (FRAMES.has(marker) && length >= 8)
      size = {
        heightPx: (bytes[at + 5]! << 8) | bytes[at + 6]!,
        widthPx: (bytes[at + 7]! << 8) | bytes[at + 8]!,
      };
    if (marker === START_OF_SCAN) return size;
    at += 2 + length;
  }
  return null;
}
