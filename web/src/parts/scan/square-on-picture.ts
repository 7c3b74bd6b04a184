import { findSquare } from '../../workers/square-client.ts';
import { openPicture } from '../print/open-picture.ts';

/** Enough to read a square that fills a tenth of the picture, pixels. */
const SIDE_PX = 1400;

/**
 * What a square on a picture says.
 * @throws Error with words for a person, when there is none on it
 */
export async function squareOnPicture(file: File): Promise<string> {
  const canvas = await openPicture(file, SIDE_PX);
  const { width, height } = canvas;
  const image = canvas.getContext('2d')?.getImageData(0, 0, width, height);
  const found = image && (await findSquare(image));
  if (!found) throw new Error('No code found in that photo. Go closer, with light from the side.');
  return found;
}
