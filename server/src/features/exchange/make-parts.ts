import { exportFile, storedEvent, type StoredEvent } from '@morning-crock/core/contract';
import { AppError } from '../../plugins/errors.ts';
import { ENTRY_BYTES, parsed, type FileParts } from './file-parts.ts';
import type { JsonMember } from './json-members.ts';

const makeId = exportFile.shape.makes.element.shape.id;

/** A make is read entry by entry: one with days of a probe in it has thousands. */
export const MAKE_PARTS: FileParts = {
  'makes.*.id': { mostBytes: 100, schema: makeId },
  'makes.*.events.*': { mostBytes: ENTRY_BYTES, schema: storedEvent },
};
/** Entries of a make that are handed on together. */
const AT_ONCE = 200;

const broken = (path: string, message: string): AppError => new AppError('bad-input', [{ path, message }]);

/** Puts makes together from their parts, one make after the other, as a file brings them. */
export class MakesOfFile {
  /** Makes that were whole. */
  count = 0;
  private path = '';
  private id: string | null = null;
  private entries = 0;
  private waiting: { readonly event: StoredEvent; readonly path: string }[] = [];

  /** @param store what is done with entries of one make, in the order of their log */
  constructor(private readonly store: (events: readonly StoredEvent[]) => Promise<void>) {}

  /** Whether a part belongs to a make. */
  static has({ part }: Pick<JsonMember, 'part'>): boolean {
    return part.startsWith('makes.*');
  }

  /** @throws AppError for a part that is wrong, and for a whole make that is */
  async take({ part, path, value }: JsonMember): Promise<void> {
    const own = path.split('.', 2).join('.');
    if (this.path !== own) {
      await this.end();
      this.path = own;
    }
    if (part === 'makes.*') return;
    if (part === 'makes.*.id') {
      this.id = parsed(makeId, value, path);
      return;
    }
    const event = parsed(storedEvent, value, path);
    // A make that says its identity behind its entries says it in them, too.
    this.id ??= event.streamId;
    this.waiting.push({ event, path });
    this.entries++;
    if (this.waiting.length === AT_ONCE) await this.handOn();
  }

  /** Ends the make that was being read, if any. @throws AppError when something of it is missing */
  async end(): Promise<void> {
    if (this.path === '') return;
    if (this.entries === 0) throw broken(`${this.path}.events`, 'is missing');
    await this.handOn();
    this.count++;
    this.path = '';
    this.id = null;
    this.entries = 0;
  }

  private async handOn(): Promise<void> {
    const stray = this.waiting.find(({ event }) => event.streamId !== this.id);
    if (stray) throw broken(`${stray.path}.streamId`, 'belongs to another batch');
    await this.store(this.waiting.map(({ event }) => event).sort((a, b) => a.seq - b.seq));
    this.waiting = [];
  }
}
