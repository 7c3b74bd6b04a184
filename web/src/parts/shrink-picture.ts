import { MOST_PHOTO_BYTES, PHOTO_SIDE_PX } from '@morning-crock/core/contract';

/** Larger than any camera's picture: not even opened, bytes. */
const MOST_FILE_BYTES = 30_000_000;
const QUALITIES = [0.82, 0.65, 0.45];

/**
 * A picture file made small: no side longer than it is kept, as JPEG, without what a camera wrote into it.
 * @throws Error with words for a person, when it is no picture or far too large
 */
export async function shrunkPicture(file: File): Promise<{ readonly jpeg: string; readonly url: string }> {
  if (file.size > MOST_FILE_BYTES)
    throw new Error(
      `“${file.name}” has ${Math.round(file.size / 1e6)} MB: more than any picture of a jar needs (30 MB).`,
    );
  const bitmap = await createImageBitmap(file).catch(() => null);
  if (!bitmap) throw new Error(`“${file.name}” is no picture this browser can open.`);
  const scale = Math.min(1, PHOTO_SIDE_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(8, Math.round(bitmap.width * scale));
  canvas.height = Math.max(8, Math.round(bitmap.height * scale));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  for (const quality of QUALITIES) {
    const url = canvas.toDataURL('image/jpeg', quality);
    const jpeg = url.slice(url.indexOf(',') + 1);
    if (jpeg.length * 0.75 < MOST_PHOTO_BYTES) return { jpeg, url };
  }
  throw new Error(`“${file.name}” cannot be made small enough.`);
}
