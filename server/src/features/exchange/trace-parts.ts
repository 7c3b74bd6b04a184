import { instantMs, rawValue, TRACE_MOST_ROWS, ulid, type TraceRows } from '@morning-crock/core/contract';
import { AppError } from '../../plugins/errors.ts';
import { parsed, type FileParts } from './file-parts.ts';
import type { JsonMember } from './json-members.ts';

/** Digits of a number, or an identity. */
const FEW_BYTES = 64;

/** A trace's rows are read number by number: a million of them in one piece would hold everybody up. */
export const TRACE_PARTS: FileParts = {
  'traces.*.traceId': { mostBytes: FEW_BYTES, schema: ulid },
  'traces.*.at.*': { mostBytes: FEW_BYTES, schema: instantMs },
  'traces.*.values.*': { mostBytes: FEW_BYTES, schema: rawValue },
};

const tooMany = (path: string): AppError =>
  new AppError('too-large', [{ path, message: 'has more than a million rows' }]);

/** Puts traces together from their parts, one trace after the other, as a file brings them. */
export class TracesOfFile {
  private trace: { readonly path: string; id: string | null; at: number[]; values: number[] } | null = null;

  /** @param store what is done with a whole trace */
  constructor(private readonly store: (trace: TraceRows, path: string) => Promise<void>) {}

  /** Whether a part belongs to a trace. */
  static has({ part }: Pick<JsonMember, 'part'>): boolean {
    return part.startsWith('traces.*');
  }

  /** @throws AppError for a part that is wrong, and for a whole trace that is */
  async take({ part, path, value }: JsonMember): Promise<void> {
    const [list, index] = path.split('.', 2);
    const own = `${list}.${index}`;
    if (this.trace?.path !== own) {
      await this.end();
      this.trace = { path: own, id: null, at: [], values: [] };
    }
    const { trace } = this;
    if (part === 'traces.*') return;
    if (part === 'traces.*.traceId') trace.id = parsed(ulid, value, path);
    else if (part === 'traces.*.at.*') trace.at.push(parsed(instantMs, value, path));
    else trace.values.push(parsed(rawValue, value, path));
    if (Math.max(trace.at.length, trace.values.length) > TRACE_MOST_ROWS) throw tooMany(own);
  }

  /** Ends the trace that was being read, if any. @throws AppError when something of it is missing */
  async end(): Promise<void> {
    if (!this.trace) return;
    const { path, id, at, values } = this.trace;
    this.trace = null;
    const fault =
      id === null
        ? { path: `${path}.traceId`, message: 'is missing' }
        : at.length === 0
          ? { path: `${path}.at`, message: 'has no rows' }
          : at.length !== values.length
            ? { path: `${path}.values`, message: 'has not as many values as instants' }
            : null;
    if (fault || id === null) throw new AppError('bad-input', fault ? [fault] : []);
    await this.store({ traceId: id, at, values }, path);
  }
}
