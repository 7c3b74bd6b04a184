import { lastingWorker } from './lasting.ts';
import type { SquareWorker } from './square.worker.ts';

const ask = lastingWorker<SquareWorker>(
  () => new Worker(new URL('./square.worker.ts', import.meta.url), { type: 'module' }),
);

/** What a square on a picture says, `null` when there is none on it; looked for beside the page, which goes on. */
export const findSquare = (image: ImageData): Promise<string | null> => ask((worker) => worker.find(image));
