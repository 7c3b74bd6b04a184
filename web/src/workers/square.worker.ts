import { expose } from 'comlink';
import jsQR from 'jsqr';

const squareWorker = {
  /** What a square on a picture says, `null` when there is none on it. */
  find: ({ data, width, height }: ImageData): string | null => jsQR(data, width, height)?.data ?? null,
};

export type SquareWorker = typeof squareWorker;
expose(squareWorker);
