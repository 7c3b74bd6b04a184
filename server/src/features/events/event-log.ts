import { createHash } from 'node:crypto';
import { knownEvent, type DraftEvent, type EventType, type StoredEvent } from '@morning-crock/core/contract';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { breathe } from '../../breathe.ts';
import { eventEntity, kitchenEntity, type EventRow } from '../../db/entities.ts';

/** The same content gives the same text whatever the order of its keys. */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value);
  const entries = Object.entries(value)
    .filter(([, v]) => v !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${entries.map(([key, v]) => `${JSON.stringify(key)}:${canonical(v)}`).join(',')}}`;
}

/** Fingerprint of an event as sent, to tell a repeat from a clash. */
export function bodyHash(draft: DraftEvent): string {
  const { id, streamId, at, cookId, deviceId, version, type, data } = draft;
  return createHash('sha256')
    .update(canonical({ id, streamId, at, cookId, deviceId, version, type, data }))
    .digest('hex');
}

/** Rows of one statement when many are written. */
const BULK = 400;

function rowOf(draft: DraftEvent, kitchenId: string, seq: number, receivedAt: Date): EventRow {
  return {
    kitchenId,
    id: draft.id,
    seq,
    streamId: draft.streamId,
    at: new Date(draft.at),
    receivedAt,
    cookId: draft.cookId,
    deviceId: draft.deviceId,
    version: draft.version,
    type: draft.type,
    data: draft.data,
    bodyHash: bodyHash(draft),
  };
}

/** A row as the wire knows it. */
export function storedFrom(row: Pick<EventRow, (typeof COLUMNS)[number]>): StoredEvent {
  return knownEvent({
    id: row.id,
    streamId: row.streamId,
    at: row.at.toISOString(),
    cookId: row.cookId,
    deviceId: row.deviceId,
    version: row.version,
    type: row.type,
    data: row.data,
    seq: row.seq,
    receivedAt: row.receivedAt.toISOString(),
  }) as StoredEvent;
}

/** What is read of a row, without the detour over entities: a make may have ten thousands of them. */
const COLUMNS = [
  'id',
  'streamId',
  'at',
  'cookId',
  'deviceId',
  'version',
  'type',
  'data',
  'seq',
  'receivedAt',
] as const;
type RawRow = Omit<Pick<EventRow, (typeof COLUMNS)[number]>, 'data'> & { readonly data: unknown };

/** MariaDB keeps JSON as text; its driver may or may not have read it. */
const readData = (data: unknown): EventRow['data'] =>
  (typeof data === 'string' ? JSON.parse(data) : data) as EventRow['data'];

/** Rows read at once: few of a log that may be short, then twice as many each time, for each time costs a way to the database. */
const FIRST_PAGE = 500;
const MOST_PAGE = 4000;

/** Events of some types, the latest first, so many at most. @param beforeSeq left out, from the end of the log */
export async function latestEvents(
  db: DataSource | EntityManager,
  query: {
    readonly kitchenId: string;
    readonly types: readonly EventType[];
    readonly limit: number;
    readonly beforeSeq?: number | undefined;
  },
): Promise<StoredEvent[]> {
  const { kitchenId, types, limit, beforeSeq = Number.MAX_SAFE_INTEGER } = query;
  const select = db
    .getRepository(eventEntity)
    .createQueryBuilder('e')
    .select([])
    .where('e.kitchenId = :kitchenId AND e.seq < :beforeSeq', { kitchenId, beforeSeq })
    .andWhere('e.type IN (:...types)', { types })
    .orderBy('e.seq', 'DESC')
    .limit(limit);
  for (const column of COLUMNS) select.addSelect(`e.${column}`, column);
  const rows = await select.getRawMany<RawRow>();
  return rows.map((row) => storedFrom({ ...row, data: readData(row.data) }));
}

/** Events of a kitchen in the order of the log. */
export async function readEvents(
  db: DataSource | EntityManager,
  query: {
    kitchenId: string;
    afterSeq?: number;
    untilSeq?: number;
    streamId?: string;
    limit?: number;
    types?: readonly EventType[];
    notTypes?: readonly EventType[];
  },
): Promise<StoredEvent[]> {
  const { kitchenId, afterSeq = 0, untilSeq, streamId, limit, types, notTypes } = query;
  const select = db
    .getRepository(eventEntity)
    .createQueryBuilder('e')
    .select([])
    .where('e.kitchenId = :kitchenId AND e.seq > :afterSeq', { kitchenId, afterSeq })
    .orderBy('e.seq', 'ASC');
  for (const column of COLUMNS) select.addSelect(`e.${column}`, column);
  if (untilSeq !== undefined) select.andWhere('e.seq <= :untilSeq', { untilSeq });
  // Left to itself the database reads the whole log to spare itself the sorting of one stream.
  if (streamId !== undefined)
    select
      .useIndex(types || notTypes ? 'event_of_stream' : 'event_by_stream')
      .andWhere('e.streamId = :streamId', { streamId });
  if (types) select.andWhere('e.type IN (:...types)', { types });
  if (notTypes) select.andWhere('e.type NOT IN (:...notTypes)', { notTypes });
  // In pages: a make with a day of a probe in it would hold everybody up.
  const events: StoredEvent[] = [];
  for (let page = FIRST_PAGE; ; page = Math.min(MOST_PAGE, 2 * page)) {
    const wanted = Math.min(page, (limit ?? Number.POSITIVE_INFINITY) - events.length);
    const rows = wanted > 0 ? await select.clone().limit(wanted).getRawMany<RawRow>() : [];
    for (const row of rows) events.push(storedFrom({ ...row, data: readData(row.data) }));
    const last = rows.at(-1);
    if (!last || rows.length < wanted) return events;
    select.setParameter('afterSeq', last.seq);
    await breathe();
  }
}

/** What a writer may do while it holds the kitchen's row. */
export interface LogWriter {
  readonly manager: EntityManager;
  /** Where the log stood when it was opened. */
  readonly startSeq: number;
  find(ids: readonly string[]): Promise<Map<string, EventRow>>;
  append(draft: DraftEvent, receivedAt: Date): Promise<StoredEvent>;
  /** Many at once, checked before: as a restored file brings them, each with its own time of arrival. */
  appendMany(drafts: readonly (DraftEvent & { readonly receivedAt: string })[]): Promise<void>;
}

/** Opens the log for writing: one writer of a kitchen at a time, so that `seq` is the order of commits. */
export async function withLog<T>(
  db: DataSource,
  kitchenId: string,
  work: (log: LogWriter) => Promise<T>,
): Promise<T> {
  return db.transaction('READ COMMITTED', async (manager) => {
    const kitchens = manager.getRepository(kitchenEntity);
    const kitchen = await kitchens.findOneOrFail({
      where: { id: kitchenId },
      lock: { mode: 'pessimistic_write' },
    });
    const events = manager.getRepository(eventEntity);
    let { lastSeq } = kitchen;
    const result = await work({
      manager,
      startSeq: kitchen.lastSeq,
      find: async (ids) => {
        const rows = ids.length === 0 ? [] : await events.findBy({ kitchenId, id: In([...new Set(ids)]) });
        return new Map(rows.map((row) => [row.id, row]));
      },
      appendMany: async (drafts) => {
        const rows = drafts.map((draft) => rowOf(draft, kitchenId, ++lastSeq, new Date(draft.receivedAt)));
        for (let i = 0; i < rows.length; i += BULK) {
          await events.insert(rows.slice(i, i + BULK) as Parameters<typeof events.insert>[0]);
        }
      },
      append: async (draft, receivedAt) => {
        const row: EventRow = rowOf(draft, kitchenId, ++lastSeq, receivedAt);
        await events.insert(row as Parameters<typeof events.insert>[0]);
        return storedFrom(row);
      },
    });
    await kitchens.update({ id: kitchenId }, { lastSeq });
    return result;
  });
}
