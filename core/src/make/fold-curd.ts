import type { CurdSeen } from '../steps/index.ts';
import { instantOf, type LoggedEvent } from '../log/index.ts';

/** What was seen of a curd. */
export function curdSeen(events: readonly LoggedEvent[]): CurdSeen {
  const weighed: CurdSeen['weighed'][number][] = [];
  const returned: CurdSeen['returned'][number][] = [];
  const tries: CurdSeen['tries'][number][] = [];
  const turns: CurdSeen['turns'][number][] = [];
  for (const event of events) {
    const atMs = instantOf(event);
    switch (event.type) {
      case 'drain-weighed':
        weighed.push({ ...event.data, atMs });
        break;
      case 'whey-returned':
        returned.push({ ...event.data, atMs });
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
  return { weighed, returned, tries, turns };
}
