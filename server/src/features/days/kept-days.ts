import { foldDays } from '@morning-crock/core';
import type { KeptDay } from '@morning-crock/core/contract';
import type { DataSource } from 'typeorm';
import { readEvents } from '../events/event-log.ts';

/** Days that are kept or going on; those that are over are in the log alone. */
export async function readDays(db: DataSource, kitchenId: string): Promise<KeptDay[]> {
  const laid = await readEvents(db, { kitchenId, types: ['day-changed'] });
  const changes = [];
  for (const streamId of new Set(laid.map((event) => event.streamId)))
    changes.push(...(await readEvents(db, { kitchenId, streamId, types: ['voided', 'corrected'] })));
  return foldDays([...laid, ...changes]);
}
