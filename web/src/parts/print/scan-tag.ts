import jsQR from 'jsqr';
import { openPicture } from './open-picture.ts';
import { tagOfCode } from './tag-code.ts';

/** Enough to read a square that fills a tenth of the picture, pixels. */
const SIDE_PX = 1400;

/**
 * What a square on a picture says.
 * @throws Error with words for a person, when there is none on it
 */
export async function scannedSquare(file: File): Promise<string> {
  const canvas = await openPicture(file, SIDE_PX);
  const { width, height } = canvas;
  const image = canvas.getContext('2d')?.getImageData(0, 0, width, height);
  const found = image && jsQR(image.data, width, height);
  if (!found) throw new Error('No code found in that photo. Go closer, with light from the side.');
  return found.data;
}

/**
 * The tag on a picture of it.
 * @throws Error with words for a person, when there is no square on it, or that of something else
 */
export async function scannedTag(file: File): Promise<number> {
  const tag = tagOfCode(await scannedSquare(file));
  if (tag === null) throw new Error('That code is not from a jar tag.');
  return tag;
}
