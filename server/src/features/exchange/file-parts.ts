import { detailsOf, type ErrorDetail } from '@morning-crock/core/contract';
import type { Readable } from 'node:stream';
import type { z } from 'zod';
import { AppError } from '../../plugins/errors.ts';
import { jsonMembers, type JsonMember, type WantedParts } from './json-members.ts';

/** A part of a file: how large it may be, and what it is. */
interface FilePart {
  readonly mostBytes: number;
  readonly schema: z.ZodType;
}
export type FileParts = Readonly<Record<string, FilePart>>;

/** An entry, however wordy. */
export const ENTRY_BYTES = 512 * 1024;
/** What stands at the head of a file. */
const HEAD_BYTES = 8 * 1024;

/** The fields of a file's head as its parts; they are held against each other by `FileHead`. */
export const headParts = (shape: Readonly<Record<string, z.ZodType>>): FileParts =>
  Object.fromEntries(Object.entries(shape).map(([key, schema]) => [key, { mostBytes: HEAD_BYTES, schema }]));

/** Faults that are told one by one; the rest is counted. */
const MOST_FAULTS = 20;
/** A file with more is not read to its end. */
const MOST_COUNTED = 1000;

/** What one part of a file is not; the file may have more such parts. */
class WrongPart extends AppError {}

const faultsOf = (schema: z.ZodType, { value, path }: Pick<JsonMember, 'value' | 'path'>): ErrorDetail[] => {
  const result = schema.safeParse(value);
  return result.success
    ? []
    : detailsOf(result.error).map((d) => ({ ...d, path: d.path === '' ? path : `${path}.${d.path}` }));
};

/** What a value is by its schema. @throws AppError with the path in the file */
export function parsed<T>(schema: z.ZodType<T>, value: unknown, path: string): T {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  throw new WrongPart('bad-input', faultsOf(schema, { value, path }));
}

const sizesOf = (parts: FileParts): WantedParts =>
  Object.fromEntries(Object.entries(parts).map(([part, { mostBytes }]) => [part, mostBytes]));

/** The first faults of a file, and how many more there are. */
async function surveyed(open: () => Readable, parts: FileParts): Promise<AppError> {
  const told: ErrorDetail[] = [];
  let more = 0;
  for await (const member of jsonMembers(open(), sizesOf(parts))) {
    const { schema } = parts[member.part] ?? {};
    for (const fault of schema ? faultsOf(schema, member) : []) {
      if (told.length < MOST_FAULTS) told.push(fault);
      else more++;
    }
    if (more > MOST_COUNTED) break;
  }
  if (more > 0)
    told.push({
      path: '',
      message: more > MOST_COUNTED ? `and more than ${MOST_COUNTED} others` : `and ${more} more`,
    });
  return new AppError('bad-input', told);
}

/**
 * Takes in a file part by part, as `take` does with a transaction around it. When a part is not what it should be, the
 * transaction is over at once, and the file is looked through for what else is wrong with it while nobody waits.
 */
export async function takingParts<T>(
  open: () => Readable,
  parts: FileParts,
  take: (members: AsyncIterable<JsonMember>) => Promise<T>,
): Promise<T> {
  try {
    return await take(jsonMembers(open(), sizesOf(parts)));
  } catch (error) {
    throw error instanceof WrongPart ? await surveyed(open, parts) : error;
  }
}

/** The head of a file, as its parts come by. */
export class FileHead<T> {
  private readonly parts: Record<string, unknown> = {};
  constructor(
    private readonly facts: {
      readonly format: string;
      readonly version: number;
      readonly schema: z.ZodType<T>;
    },
  ) {}

  take(key: string, value: unknown): void {
    this.parts[key] = value;
  }

  /** @throws AppError for a file of another kind or a newer program */
  check(): T {
    const { format, version, schema } = this.facts;
    if (this.parts['format'] !== format)
      throw new AppError('wrong-file', [{ path: 'format', message: `is not "${format}"` }]);
    const theirs = this.parts['version'];
    if (typeof theirs === 'number' && theirs > version)
      throw new AppError('newer-file', [
        { path: 'version', message: `${theirs}; this Morning Crock reads versions up to ${version}` },
      ]);
    const head = schema.safeParse(this.parts);
    if (!head.success) throw new AppError('bad-input', detailsOf(head.error));
    return head.data;
  }
}
