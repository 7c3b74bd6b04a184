import { defaultKitchen, foldKitchen, voidedIds } from '@morning-crock/core';
import type { KitchenSettings } from '@morning-crock/core/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { kitchenEntity, type KitchenRow } from '../../db/entities.ts';
import { readEvents } from '../events/event-log.ts';

/** A kitchen with its settings folded from its own events. */
export async function readKitchen(
  db: DataSource | EntityManager,
  kitchenId: string,
): Promise<{ row: KitchenRow; settings: KitchenSettings }> {
  const row = await db.getRepository(kitchenEntity).findOneByOrFail({ id: kitchenId });
  const events = await readEvents(db, { kitchenId, streamId: kitchenId });
  const gone = voidedIds(events);
  const changes = events.flatMap((e) => (e.type === 'kitchen-changed' && !gone.has(e.id) ? [e.data] : []));
  return { row, settings: foldKitchen(defaultKitchen(row.zone), changes) };
}
