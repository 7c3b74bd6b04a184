import fp from 'fastify-plugin';
import { statfs } from 'node:fs/promises';
import { AppError } from './errors.ts';

/** Says whether there is room to store something. */
export type DiskWatch = () => Promise<boolean>;
export const ROOM_ENOUGH: DiskWatch = () => Promise.resolve(true);

/** The database keeps this much for itself: it must be able to finish what it has begun. */
const RESERVE_BYTES = 32 * 1024 * 1024;
const LOOK_EVERY_MS = 1000;

/** Watches the disk of a folder. @param clock ms */
export function watchDisk(folder: string, clock: () => number): DiskWatch {
  let lookedMs = Number.NEGATIVE_INFINITY;
  let room = true;
  return async () => {
    if (clock() - lookedMs < LOOK_EVERY_MS) return room;
    lookedMs = clock();
    try {
      const { bavail, bsize } = await statfs(folder);
      room = bavail * bsize > RESERVE_BYTES;
    } catch {
      // A disk that cannot be asked is no reason to refuse.
      room = true;
    }
    return room;
  };
}

/** Refuses writing while the disk is full, and goes on reading; nothing needs to be started again when there is room. */
export const diskPlugin = fp<{ disk: DiskWatch }>(
  (app, { disk }, done) => {
    app.addHook('onRequest', async (request) => {
      if (request.method === 'POST' && !(await disk())) throw new AppError('disk-full');
    });
    done();
  },
  { name: 'disk' },
);
