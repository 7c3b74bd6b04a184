import { detailsOf } from '@morning-crock/core/contract';
import type { z } from 'zod';
import { AppError } from '../../plugins/errors.ts';

/** What a value is by its schema. @throws AppError with the path in the file */
export function parsed<T>(schema: z.ZodType<T>, value: unknown, path: string): T {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  throw new AppError(
    'bad-input',
    detailsOf(result.error).map((d) => ({ ...d, path: d.path === '' ? path : `${path}.${d.path}` })),
  );
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
        { path: 'version', message: `${theirs}; this program reads up to ${version}` },
      ]);
    const head = schema.safeParse(this.parts);
    if (!head.success) throw new AppError('bad-input', detailsOf(head.error));
    return head.data;
  }
}
