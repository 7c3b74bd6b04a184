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
import type { Culture, Good, LarderLine, Lot } from '@morning-crock/core/contract';

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

/** The larder of a picture after some more entries about goods. */
export function larderAfter(
  { goods, lines }: { readonly goods: readonly Good[]; readonly lines: readonly LarderLine[] },
  events: readonly LoggedEvent[],
): { goods: Good[]; lines: LarderLine[] } {
  const larder = openLarder(goods);
  for (const event of effectiveEvents(events)) applyToLarder(larder, event);
  return { goods: [...larder.goods.values()], lines: [...lines, ...larder.lines] };
}
