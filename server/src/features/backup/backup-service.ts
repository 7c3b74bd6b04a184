import {
  BACKUP_FORMAT,
  BACKUP_VERSION,
  backupFile,
  detailsOf,
  type BackupFile,
  type StoredEvent,
} from '@morning-crock/core/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { eventEntity, kitchenEntity } from '../../db/entities.ts';
import { AppError } from '../../plugins/errors.ts';
import { readEvents, withLog } from '../events/event-log.ts';
import { readTrace, storeTrace } from '../traces/trace-store.ts';

const NOTICE =
  'A whole kitchen. Estimates are estimates; nothing here certifies pasteurisation or safety: follow your local rules and your licence.';

const traceIds = (events: readonly StoredEvent[]): string[] =>
  events.flatMap((e) => (e.type === 'trace-imported' ? [e.data.traceId] : []));

/** Everything a kitchen holds, in one file. Tablets and codes stay behind: they belong to a computer. */
export async function backUp(db: DataSource, kitchenId: string, nowMs: number): Promise<BackupFile> {
  const { name, zone } = await db.getRepository(kitchenEntity).findOneByOrFail({ id: kitchenId });
  const events = await readEvents(db, { kitchenId });
  const traces = await Promise.all(traceIds(events).map((id) => readTrace(db, kitchenId, id)));
  return {
    format: BACKUP_FORMAT,
    version: BACKUP_VERSION,
    savedAt: new Date(nowMs).toISOString(),
    kitchen: { id: kitchenId, name, zone },
    notice: NOTICE,
    events,
    traces,
  };
}

function checked(body: unknown): BackupFile {
  const head = z.looseObject({ format: z.literal(BACKUP_FORMAT), version: z.number() }).safeParse(body);
  if (!head.success)
    throw new AppError('wrong-file', [{ path: 'format', message: `is not "${BACKUP_FORMAT}"` }]);
  if (head.data.version > BACKUP_VERSION) {
    throw new AppError('newer-file', [
      { path: 'version', message: `${head.data.version}; this program reads up to ${BACKUP_VERSION}` },
    ]);
  }
  const file = backupFile.safeParse(body);
  if (!file.success) throw new AppError('bad-input', detailsOf(file.error));
  return file.data;
}

/** What may begin a stream. */
const BEGINS = new Set<string>(['make-started', 'waking-started', 'milk-moved', 'culture-changed']);

/** What must hold between the parts of a file, each said with where it is broken. */
function checkWhole(file: BackupFile): void {
  const broken = (path: string, message: string): never => {
    throw new AppError('bad-input', [{ path, message }]);
  };
  const seen = new Set<string>();
  const begun = new Set<string>([file.kitchen.id]);
  const have = new Set(file.traces.map((t) => t.traceId));
  let seq = 0;
  for (const [i, event] of file.events.entries()) {
    if (event.seq <= seq) broken(`events.${i}.seq`, 'is not after the entry before it');
    seq = event.seq;
    if (seen.has(event.id)) broken(`events.${i}.id`, 'is in the file twice');
    seen.add(event.id);
    if (BEGINS.has(event.type)) begun.add(event.streamId);
    if (!begun.has(event.streamId))
      broken(`events.${i}.streamId`, 'belongs to a make the file does not begin');
    if (event.type === 'trace-imported' && !have.has(event.data.traceId))
      broken(`events.${i}.data.traceId`, 'has no rows in the file');
  }
}

/**
 * Puts a saved kitchen into an empty one: all of it, in its order, with its times of arrival; or nothing.
 * @throws AppError for a file that is broken, newer or no backup, and for a kitchen with makes
 */
export async function restore(
  db: DataSource,
  kitchenId: string,
  body: unknown,
): Promise<{ makes: number; events: number; rows: number }> {
  const file = checked(body);
  checkWhole(file);
  return withLog(db, kitchenId, async (log) => {
    const present = await log.manager
      .getRepository(eventEntity)
      .createQueryBuilder('e')
      .where('e.kitchenId = :kitchenId AND e.streamId <> :kitchenId', { kitchenId })
      .getCount();
    if (present > 0) throw new AppError('not-empty');
    const inHere = (id: string): string => (id === file.kitchen.id ? kitchenId : id);
    // A kitchen saved before its first make may come back into itself: what it has of its settings stays once.
    const own = file.events.filter((event) => event.streamId === file.kitchen.id);
    const here = await log.find(own.map((event) => event.id));
    await log.appendMany(
      file.events
        .filter((event) => !here.has(event.id))
        .map((event) => ({ ...event, streamId: inHere(event.streamId) })),
    );
    for (const trace of file.traces) await storeTrace(log.manager, kitchenId, trace);
    const { name, zone } = file.kitchen;
    await log.manager.getRepository(kitchenEntity).update({ id: kitchenId }, { name, zone });
    return {
      makes: file.events.filter((e) => e.type === 'make-started').length,
      events: file.events.length,
      rows: file.traces.reduce((sum, t) => sum + t.at.length, 0),
    };
  });
}
