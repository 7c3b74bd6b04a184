import { MOST_PHOTO_BYTES, PHOTO_SIDE_PX } from '@morning-crock/core/contract';
import { openPicture } from './open-picture.ts';

const QUALITIES = [0.82, 0.65, 0.45];

/**
 * A picture file made small: no side longer than it is kept, as JPEG, without what a camera wrote into it.
 * @throws Error with words for a person, when it is no picture or far too large
 */
export async function shrunkPicture(file: File): Promise<{ readonly jpeg: string; readonly url: string }> {
  const canvas = await openPicture(file, PHOTO_SIDE_PX);
  for (const quality of QUALITIES) {
    const url = canvas.toDataURL('image/jpeg', quality);
    const jpeg = url.slice(url.indexOf(',') + 1);
    if (jpeg.length * 0.75 < MOST_PHOTO_BYTES) return { jpeg, url };
  }
  throw new Error(`“${file.name}” could not be made small enough. Choose another photo.`);
}
