import { JSONParser } from '@streamparser/json';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { AppError } from '../../plugins/errors.ts';

/** A part of a JSON document: `key` is where it stands at the top, `index` its place when that is a list. */
export interface JsonItem {
  readonly key: string;
  readonly index: number | null;
  readonly value: unknown;
}

/** No single entry, make or trace of a file is larger. */
const MOST_ITEM_BYTES = 64 * 1024 * 1024;

/**
 * Takes a body into a file on disk, at most so large, and gives it away for as long as `use` takes: however slow the sender,
 * nothing is locked meanwhile, and however large the file, it never lies in memory.
 * @throws AppError `too-large`
 */
export async function withSpooled<T>(
  body: Readable,
  mostBytes: number,
  use: (open: () => Readable) => Promise<T>,
): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'mc-file-'));
  const file = join(folder, 'file.json');
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
    await rm(folder, { recursive: true, force: true });
  }
}

/**
 * Reads a JSON document a part at a time: the members of its lists one by one, everything else whole.
 * @param lists keys at the top whose members are told one by one
 * @throws AppError `bad-input` for what is no JSON, `too-large` for a member that is
 */
export async function* jsonItems(
  source: Readable,
  { lists, plain }: { readonly lists: readonly string[]; readonly plain: readonly string[] },
): AsyncGenerator<JsonItem> {
  const parser = new JSONParser({
    paths: [...plain.map((key) => `$.${key}`), ...lists.map((key) => `$.${key}.*`)],
    keepStack: false,
  });
  let found: JsonItem[] = [];
  let sinceItem = 0;
  let fault: Error | null = null;
  parser.onError = (error) => {
    fault ??= error;
  };
  parser.onValue = ({ value, key, stack }) => {
    sinceItem = 0;
    const index = typeof key === 'number' ? key : null;
    found.push({ key: index === null ? String(key) : String(stack.at(-1)?.key), index, value });
  };
  for await (const chunk of source) {
    sinceItem += (chunk as Buffer).length;
    if (sinceItem > MOST_ITEM_BYTES) throw new AppError('too-large');
    try {
      parser.write(chunk as Buffer);
    } catch (error) {
      fault ??= error as Error;
    }
    const ready = found;
    found = [];
    yield* ready;
    if (fault) throw new AppError('bad-input', [{ path: '', message: `is no JSON (${fault.message})` }]);
  }
  if (!parser.isEnded) throw new AppError('bad-input', [{ path: '', message: 'ends in the middle' }]);
}
