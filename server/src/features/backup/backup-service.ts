import { EVENT_FACTS } from '@morning-crock/core';
import {
  BACKUP_FORMAT,
  BACKUP_VERSION,
  backupFile,
  photoRow,
  storedEvent,
  MOST_PHOTO_BYTES,
  type PhotoRow,
  type StoredEvent,
} from '@morning-crock/core/contract';
import type { Readable } from 'node:stream';
import type { DataSource } from 'typeorm';
import * as z from 'zod';
import { breathe } from '../../breathe.ts';
import { eventEntity, kitchenEntity } from '../../db/entities.ts';
import { AppError } from '../../plugins/errors.ts';
import { withLog, type LogWriter } from '../events/event-log.ts';
import { ENTRY_BYTES, FileHead, headParts, parsed, takingParts } from '../exchange/file-parts.ts';
import { members, pagesOf, traceOut } from '../exchange/json-out.ts';
import { TRACE_PARTS, TracesOfFile } from '../exchange/trace-parts.ts';
import { keepPhoto, pictureOf, readPhoto } from '../photos/photo-service.ts';
import { storeTrace } from '../traces/trace-store.ts';

const NOTICE =
  'A whole kitchen. Times and yields are estimates. Nothing here certifies pasteurisation or safety. Follow your local rules and your licence.';
/** Entries checked and written at once. */
const BATCH = 200;

/** Everything a kitchen holds, as one file that is written as it is read. Tablets and codes stay behind: they belong to a computer. */
export async function* backUp(db: DataSource, kitchenId: string, nowMs: number): AsyncGenerator<string> {
  const { name, zone } = await db.getRepository(kitchenEntity).findOneByOrFail({ id: kitchenId });
  const head = {
    format: BACKUP_FORMAT,
    version: BACKUP_VERSION,
    savedAt: new Date(nowMs).toISOString(),
    kitchen: { id: kitchenId, name, zone },
    notice: NOTICE,
  };
  yield `${JSON.stringify(head).slice(0, -1)},"events":[`;
  const traceIds: string[] = [];
  const photoIds: string[] = [];
  async function* events(): AsyncGenerator<readonly StoredEvent[]> {
    for await (const page of pagesOf(db, kitchenId)) {
      for (const e of page) {
        if (e.type === 'trace-imported') traceIds.push(e.data.traceId);
        if (e.type === 'photographed') photoIds.push(e.data.photoId);
      }
      yield page;
    }
  }
  yield* members(events());
  yield '],"traces":[';
  for (const [i, traceId] of traceIds.entries()) {
    if (i > 0) yield ',';
    yield* traceOut(db, kitchenId, traceId);
  }
  yield '],"photos":[';
  let first = true;
  for (const photoId of photoIds) {
    const bytes = await readPhoto(db, kitchenId, photoId);
    // One that came in with another kitchen's daybook has no picture here.
    if (!bytes) continue;
    yield `${first ? '' : ','}${JSON.stringify({ photoId, jpeg: bytes.toString('base64') })}`;
    first = false;
  }
  yield ']}';
}

const broken = (path: string, message: string): never => {
  throw new AppError('bad-input', [{ path, message }]);
};

const { format, version, savedAt, kitchen, notice } = backupFile.shape;
const headSchema = z.object({ format, version, savedAt, kitchen, notice });
const PARTS = {
  ...headParts(headSchema.shape),
  'events.*': { mostBytes: ENTRY_BYTES, schema: storedEvent },
  ...TRACE_PARTS,
  'photos.*': { mostBytes: 2 * MOST_PHOTO_BYTES, schema: photoRow },
};

/** Entries that wait to be written together: each with its place in the file. */
interface Waiting {
  readonly event: StoredEvent;
  readonly path: string;
}

/** What must hold between the entries of a file, each said with where it is broken. */
function createOrder(kitchenOfFile: string) {
  const begun = new Set<string>([kitchenOfFile]);
  let seq = 0;
  return (event: StoredEvent, path: string): void => {
    if (event.seq <= seq) broken(`${path}.seq`, 'is out of order');
    seq = event.seq;
    if (EVENT_FACTS[event.type].begins) begun.add(event.streamId);
    if (!begun.has(event.streamId))
      broken(`${path}.streamId`, 'belongs to a batch whose start is not in the file');
  };
}

async function isEmptyKitchen(log: LogWriter, kitchenId: string): Promise<boolean> {
  return !(await log.manager
    .getRepository(eventEntity)
    .createQueryBuilder('e')
    .where('e.kitchenId = :kitchenId AND e.streamId <> :kitchenId', { kitchenId })
    .getExists());
}

/**
 * Puts a saved kitchen into an empty one: all of it, in its order, with its times of arrival; or nothing. The file is
 * read entry by entry: it may be larger than the memory.
 * @throws AppError for a file that is broken, newer or no backup, and for a kitchen with makes
 */
export function restore(
  db: DataSource,
  kitchenId: string,
  open: () => Readable,
): Promise<{ makes: number; events: number; rows: number }> {
  return takingParts(open, PARTS, (parts) =>
    withLog(db, kitchenId, async (log) => {
      if (!(await isEmptyKitchen(log, kitchenId))) throw new AppError('not-empty');
      const head = new FileHead({ format: BACKUP_FORMAT, version: BACKUP_VERSION, schema: headSchema });
      const counts = { makes: 0, events: 0, rows: 0 };
      /** Rows that entries ask for, and that the file has brought. */
      const asked = new Map<string, string>();
      const brought = new Set<string>();
      const bring = (id: string, path: string): void => {
        if (brought.has(id)) broken(path, 'is in the file twice');
        brought.add(id);
      };
      const traces = new TracesOfFile(async (trace, path) => {
        bring(trace.traceId, `${path}.traceId`);
        await storeTrace(log.manager, kitchenId, trace);
        counts.rows += trace.at.length;
      });
      let checkOrder: ReturnType<typeof createOrder> | null = null;
      let own: string | null = null;
      let batch: Waiting[] = [];
      const flush = async (): Promise<void> => {
        const here = await log.find(batch.map(({ event }) => event.id));
        const seen = new Set<string>();
        const fresh: StoredEvent[] = [];
        for (const { event, path } of batch) {
          const before = here.get(event.id);
          // A kitchen saved before its first make may come back into itself: what it has of its settings stays once.
          const itsOwn = event.streamId === own && before !== undefined && before.seq <= log.startSeq;
          if (seen.has(event.id) || (before && !itsOwn)) broken(`${path}.id`, 'is in the file twice');
          seen.add(event.id);
          if (!before)
            fresh.push({ ...event, streamId: event.streamId === own ? kitchenId : event.streamId });
        }
        await log.appendMany(fresh);
        batch = [];
        await breathe();
      };
      for await (const member of parts) {
        const { part, path, value } = member;
        if (part in headSchema.shape) {
          head.take(part, value);
          continue;
        }
        own ??= head.check().kitchen.id;
        if (TracesOfFile.has(member)) {
          await traces.take(member);
          continue;
        }
        await traces.end();
        if (part === 'photos.*') {
          const photo: PhotoRow = parsed(photoRow, value, path);
          const { bytes } = pictureOf(photo, `${path}.jpeg`);
          bring(photo.photoId, `${path}.photoId`);
          await keepPhoto(log.manager, kitchenId, photo.photoId, bytes);
          continue;
        }
        const event = parsed(storedEvent, value, path);
        checkOrder ??= createOrder(own);
        checkOrder(event, path);
        if (event.type === 'trace-imported') asked.set(event.data.traceId, path);
        if (event.type === 'make-started') counts.makes++;
        counts.events++;
        batch.push({ event, path });
        if (batch.length === BATCH) await flush();
      }
      await traces.end();
      const { kitchen: saved } = head.check();
      own ??= saved.id;
      await flush();
      for (const [traceId, path] of asked)
        if (!brought.has(traceId)) broken(`${path}.data.traceId`, 'has no rows in the file');
      await log.manager
        .getRepository(kitchenEntity)
        .update({ id: kitchenId }, { name: saved.name, zone: saved.zone });
      return counts;
    }),
  );
}
