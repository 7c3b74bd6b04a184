/** Larger than any camera's picture: not even opened, bytes. */
const MOST_FILE_BYTES = 30_000_000;

/**
 * A picture file drawn on a canvas, no side longer than so many pixels.
 * @throws Error with words for a person, when it is no picture or far too large
 */
export async function openPicture(file: File, sidePx: number): Promise<HTMLCanvasElement> {
  if (file.size > MOST_FILE_BYTES)
    throw new Error(
      `“${file.name}” is ${Math.round(file.size / 1e6)} MB. The limit is 30 MB. Choose a smaller photo.`,
    );
  const bitmap = await createImageBitmap(file).catch(() => null);
  if (!bitmap) throw new Error(`This browser cannot open “${file.name}” as a photo. Choose another file.`);
  const scale = Math.min(1, sidePx / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(8, Math.round(bitmap.width * scale));
  canvas.height = Math.max(8, Math.round(bitmap.height * scale));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return canvas;
}
