import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { AppError } from '../../plugins/errors.ts';

/**
 * Takes a body into a file on disk, at most so large, and gives it away for as long as `use` takes: however slow the sender,
 * nothing is locked meanwhile, and however large the file, it never lies in memory.
 * @param folder where such files may lie; left out, where the system keeps what is passing
 * @throws AppError `too-large`
 */
export async function withSpooled<T>(
  body: Readable,
  { mostBytes, folder = tmpdir() }: { readonly mostBytes: number; readonly folder?: string | undefined },
  use: (open: () => Readable) => Promise<T>,
): Promise<T> {
  const own = await mkdtemp(join(folder, 'mc-file-'));
  const file = join(own, 'file.json');
  try {
    let bytes = 0;
    await pipeline(
      body,
      async function* (chunks: AsyncIterable<Buffer>) {
        for await (const chunk of chunks) {
          bytes += chunk.length;
          if (bytes > mostBytes) throw new AppError('too-large');
          yield chunk;
        }
      },
      createWriteStream(file),
    );
    return await use(() => createReadStream(file));
  } finally {
    await rm(own, { recursive: true, force: true });
  }
}
