import { EVENT_FACTS } from '@morning-crock/core';
import {
  BACKUP_FORMAT,
  BACKUP_VERSION,
  backupFile,
  photoRow,
  storedEvent,
  type PhotoRow,
  type StoredEvent,
  type TraceRows,
} from '@morning-crock/core/contract';
import type { Readable } from 'node:stream';
import type { DataSource } from 'typeorm';
import * as z from 'zod';
import { breathe } from '../../breathe.ts';
import { eventEntity, kitchenEntity } from '../../db/entities.ts';
import { AppError } from '../../plugins/errors.ts';
import { withLog, type LogWriter } from '../events/event-log.ts';
import { FileHead, parsed } from '../exchange/file-parts.ts';
import { jsonItems } from '../exchange/json-items.ts';
import { members, pagesOf, traceOut } from '../exchange/json-out.ts';
import { keepPhoto, pictureOf, readPhoto } from '../photos/photo-service.ts';
import { storeTrace } from '../traces/trace-store.ts';

const NOTICE =
  'A whole kitchen. Estimates are estimates; nothing here certifies pasteurisation or safety: follow your local rules and your licence.';
/** Entries checked and written at once. */
const BATCH = 500;

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

const traceRows = backupFile.shape.traces.element;

const { format, version, savedAt, kitchen, notice } = backupFile.shape;
const headSchema = z.object({ format, version, savedAt, kitchen, notice });

/** What must hold between the entries of a file, each said with where it is broken. */
function createOrder(kitchenOfFile: string) {
  const seen = new Set<string>();
  const begun = new Set<string>([kitchenOfFile]);
  let seq = 0;
  return (event: StoredEvent, path: string): void => {
    if (event.seq <= seq) broken(`${path}.seq`, 'is not after the entry before it');
    seq = event.seq;
    if (seen.has(event.id)) broken(`${path}.id`, 'is in the file twice');
    seen.add(event.id);
    if (EVENT_FACTS[event.type].begins) begun.add(event.streamId);
    if (!begun.has(event.streamId)) broken(`${path}.streamId`, 'belongs to a make the file does not begin');
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
export async function restore(
  db: DataSource,
  kitchenId: string,
  open: () => Readable,
): Promise<{ makes: number; events: number; rows: number }> {
  return withLog(db, kitchenId, async (log) => {
    if (!(await isEmptyKitchen(log, kitchenId))) throw new AppError('not-empty');
    const head = new FileHead({ format: BACKUP_FORMAT, version: BACKUP_VERSION, schema: headSchema });
    const counts = { makes: 0, events: 0, rows: 0 };
    /** Rows that entries ask for, and that the file has brought. */
    const asked = new Map<string, string>();
    const brought = new Set<string>();
    let checkOrder: ReturnType<typeof createOrder> | null = null;
    let own: string | null = null;
    let batch: StoredEvent[] = [];
    const flush = async (): Promise<void> => {
      // A kitchen saved before its first make may come back into itself: what it has of its settings stays once.
      const here = await log.find(batch.filter((e) => e.streamId === own).map((e) => e.id));
      await log.appendMany(
        batch
          .filter((e) => !here.has(e.id))
          .map((e) => ({ ...e, streamId: e.streamId === own ? kitchenId : e.streamId })),
      );
      batch = [];
      await breathe();
    };
    for await (const { key, index, value } of jsonItems(open(), {
      lists: ['events', 'traces', 'photos'],
      plain: Object.keys(headSchema.shape),
    })) {
      if (index === null) {
        head.take(key, value);
        continue;
      }
      const path = `${key}.${index}`;
      own ??= head.check().kitchen.id;
      if (key === 'traces') {
        const trace: TraceRows = parsed(traceRows, value, path);
        if (brought.has(trace.traceId)) broken(`${path}.traceId`, 'is in the file twice');
        brought.add(trace.traceId);
        await storeTrace(log.manager, kitchenId, trace);
        counts.rows += trace.at.length;
        continue;
      }
      if (key === 'photos') {
        const photo: PhotoRow = parsed(photoRow, value, path);
        const { bytes } = pictureOf(photo, `${path}.jpeg`);
        if (brought.has(photo.photoId)) broken(`${path}.photoId`, 'is in the file twice');
        brought.add(photo.photoId);
        await keepPhoto(log.manager, kitchenId, photo.photoId, bytes);
        continue;
      }
      const event = parsed(storedEvent, value, path);
      checkOrder ??= createOrder(own);
      checkOrder(event, path);
      if (event.type === 'trace-imported') asked.set(event.data.traceId, path);
      if (event.type === 'make-started') counts.makes++;
      counts.events++;
      batch.push(event);
      if (batch.length === BATCH) await flush();
    }
    const { kitchen: saved } = head.check();
    own ??= saved.id;
    await flush();
    for (const [traceId, path] of asked)
      if (!brought.has(traceId)) broken(`${path}.data.traceId`, 'has no rows in the file');
    await log.manager
      .getRepository(kitchenEntity)
      .update({ id: kitchenId }, { name: saved.name, zone: saved.zone });
    return counts;
  });
}
