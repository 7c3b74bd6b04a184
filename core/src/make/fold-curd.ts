import type { CurdSeen } from '../steps/index.ts';
import { instantOf, type LoggedEvent } from '../log/index.ts';

/**
 * What was seen of a curd.
 * @param wholeKg what hung in the cloth at first: a bag that weighs less has let the difference go
 */
export function curdSeen(events: readonly LoggedEvent[], wholeKg: number): CurdSeen {
  let returnedKg = 0;
  const whey: { atMs: number; wheyKg: number }[] = [];
  const tries: CurdSeen['tries'][number][] = [];
  const turns: CurdSeen['turns'][number][] = [];
  for (const event of events) {
    const atMs = instantOf(event);
    switch (event.type) {
      case 'drain-weighed': {
        const { of, massKg } = event.data;
        whey.push({ atMs, wheyKg: of === 'whey' ? massKg : Math.max(0, wholeKg - massKg) });
        break;
      }
      case 'whey-returned':
        returnedKg += event.data.massKg;
        break;
      case 'break-tried':
        tries.push({ ...event.data, atMs });
        break;
      case 'turned':
        turns.push({ ...event.data, atMs });
        break;
      default:
    }
  }
  return { whey, returnedKg, tries, turns };
}
