import type { StoredEvent } from '@morning-crock/core/contract';
import type { DataSource } from 'typeorm';
import { readEvents } from '../events/event-log.ts';
import { readChunks } from '../traces/trace-store.ts';

/** Events of a page; few enough that a page is nothing in memory. */
const PAGE = 500;

/** Every event of a kitchen, or of one stream, in the order of the log, a page at a time. */
export async function* pagesOf(
  db: DataSource,
  kitchenId: string,
  streamId?: string,
): AsyncGenerator<StoredEvent[]> {
  let afterSeq = 0;
  for (;;) {
    const page = await readEvents(db, {
      kitchenId,
      afterSeq,
      limit: PAGE,
      ...(streamId === undefined ? {} : { streamId }),
    });
    if (page.length > 0) yield page;
    if (page.length < PAGE) return;
    afterSeq = page.at(-1)!.seq;
  }
}

/** Values as the members of a JSON list. @param lists pieces of the list, each told in one go */
export async function* members(lists: AsyncIterable<readonly unknown[]>): AsyncGenerator<string> {
  let first = true;
  for await (const list of lists) {
    if (list.length === 0) continue;
    yield `${first ? '' : ','}${list.map((value) => JSON.stringify(value)).join(',')}`;
    first = false;
  }
}

/** A trace as JSON: instants, then values, each read in pieces. */
export async function* traceOut(db: DataSource, kitchenId: string, traceId: string): AsyncGenerator<string> {
  async function* side(which: 'at' | 'values'): AsyncGenerator<readonly number[]> {
    for await (const chunk of readChunks(db, kitchenId, traceId)) yield chunk[which];
  }
  yield `{"traceId":${JSON.stringify(traceId)},"at":[`;
  yield* members(side('at'));
  yield '],"values":[';
  yield* members(side('values'));
  yield ']}';
}
