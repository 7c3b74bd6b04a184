import {
  applyToCultures,
  applyToLarder,
  applyToRoom,
  effectiveEvents,
  openCultures,
  openLarder,
  openLots,
  openRoom,
  type LoggedEvent,
} from '@morning-crock/core';
import type { Culture, Good, Lot } from '@morning-crock/core/contract';

/** The lots of a picture after some more entries, as the ledger itself would carry them out. */
export function carriedOut(lots: readonly Lot[], events: readonly LoggedEvent[]): Lot[] {
  const room = openRoom(lots);
  for (const event of effectiveEvents(events)) applyToRoom(room, event);
  return openLots(room);
}

/** The cultures of a picture after some more entries about them. */
export function culturesAfter(cultures: readonly Culture[], events: readonly LoggedEvent[]): Culture[] {
  const register = openCultures(cultures);
  for (const event of effectiveEvents(events)) applyToCultures(register, event);
  return [...register.cultures.values()];
}

/** The goods of a picture after some more entries about them. */
export function goodsAfter(goods: readonly Good[], events: readonly LoggedEvent[]): Good[] {
  const larder = openLarder(goods);
  for (const event of effectiveEvents(events)) applyToLarder(larder, event);
  return [...larder.goods.values()];
}
