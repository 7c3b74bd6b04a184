import { buildTrace, checkedCorrection } from '@morning-crock/core';
import {
  EVENT_VERSION,
  type TraceFacts,
  type TraceStored,
  type TraceUpload,
} from '@morning-crock/core/contract';
import { createHash } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { AppError } from '../../plugins/errors.ts';
import { appendWithin } from '../events/append.ts';
import { withLog } from '../events/event-log.ts';
import { readKitchen } from '../kitchen/kitchen-service.ts';
import { readMake } from '../makes/make-service.ts';
import { readTrace, storeTrace } from './trace-store.ts';

const CROCKFORD = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/** An identity that the same rows for the same make always get: sent twice, they are stored once. */
function traceIdOf(makeId: string, contentHash: string, undone: number): string {
  const bytes = createHash('sha256').update(`${makeId} ${contentHash} ${undone}`).digest();
  const letters = Array.from({ length: 26 }, (_, i) => CROCKFORD[bytes[i]! % (i === 0 ? 8 : 32)]);
  return letters.join('');
}

/**
 * Stores what is new of a logger's file: its rows whole, and one event with a thinned sample. All or nothing.
 * @throws AppError when there is no such make or the file is not what it says
 */
export async function importTrace(
  db: DataSource,
  kitchenId: string,
  makeId: string,
  upload: TraceUpload,
  context: { readonly nowMs: number; readonly cookId: string | null },
): Promise<TraceStored> {
  if (upload.at.length !== upload.values.length) {
    throw new AppError('bad-input', [{ path: 'values', message: 'must have one value for each time' }]);
  }
  if ((upload.quantity === 'ph') !== (upload.unit === 'pH')) {
    throw new AppError('bad-input', [{ path: 'unit', message: 'does not fit the quantity measured' }]);
  }
  const contentHash = createHash('sha256')
    .update(JSON.stringify([upload.quantity, upload.instrument, upload.unit, upload.at, upload.values]))
    .digest('hex');
  // What is there already is read under the lock: the same file sent three times at once is stored once.
  return withLog(db, kitchenId, async (log) => {
    const make = await readMake(log.manager, kitchenId, makeId);
    if (!make) throw new AppError('not-found');
    const { state } = make;
    const kitchen = (await readKitchen(log.manager, kitchenId)).settings;
    // Rows that were taken back may come in again: under the next identity.
    let undone = 0;
    let traceId = traceIdOf(state.id, contentHash, undone);
    while ((await log.find([traceId])).size > 0) {
      if (state.traces.some((t) => t.traceId === traceId)) {
        return { added: 0, already: upload.at.length, outside: 0 };
      }
      traceId = traceIdOf(state.id, contentHash, ++undone);
    }
    const known = new Set<number>();
    for (const trace of state.traces) {
      if (trace.instrument !== upload.instrument || trace.quantity !== upload.quantity) continue;
      for (const ms of (await readTrace(log.manager, kitchenId, trace.traceId)).at) known.add(ms);
    }
    const correction =
      upload.quantity === 'ph' ? null : checkedCorrection(kitchen.thermometers, upload.thermometerId);
    const built = buildTrace(
      upload,
      { fromMs: state.startedAtMs, toMs: state.finished?.atMs ?? context.nowMs },
      known,
      correction,
    );
    const { already, outside } = built;
    if (built.at.length === 0) return { added: 0, already, outside };
    const facts: TraceFacts = {
      traceId,
      quantity: upload.quantity,
      instrument: upload.instrument,
      fileName: upload.fileName,
      contentHash,
      rows: built.at.length,
      from: new Date(built.at[0]!).toISOString(),
      to: new Date(built.at.at(-1)!).toISOString(),
      unit: upload.unit,
      correction,
      sample: built.sample,
    };
    await appendWithin(
      log,
      kitchenId,
      [
        {
          id: traceId,
          streamId: state.id,
          at: facts.to,
          cookId: context.cookId,
          deviceId: upload.deviceId,
          version: EVENT_VERSION,
          type: 'trace-imported',
          data: facts,
        },
      ],
      context.nowMs,
    );
    await storeTrace(log.manager, kitchenId, { traceId, at: [...built.at], values: [...built.values] });
    return { added: built.at.length, already, outside };
  });
}
