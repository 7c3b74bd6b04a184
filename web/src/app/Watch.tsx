import { attendedMake } from '../data/attended.ts';
import { useNow } from '../data/clock.ts';
import { useAppSelector } from '../data/store.ts';
import { useUnderWayIds } from '../data/under-way.ts';
import { useShelf } from '../data/use-shelf.ts';
import { nextCheckMs } from '@morning-crock/core';
import type { KitchenPlace } from '@morning-crock/core/contract';
import { lazy, Suspense, useMemo } from 'react';
import { useKitchenQuery } from '../data/api.ts';
import { ClockLine, type Chore } from './ClockLine.tsx';

/** Nothing rings before the first forecast is there. */
const Alarms = lazy(async () => ({ default: (await import('./Alarms.tsx')).Alarms }));

/** Water that stands in a warm place to be read. */
const checksToRead = (places: readonly KitchenPlace[]): Chore[] =>
  places.flatMap((place) => {
    const atMs = nextCheckMs(place);
    return atMs === null
      ? []
      : [
          {
            id: place.id,
            name: place.name,
            to: '/kitchen/things',
            act: 'Read the water',
            atMs,
            mustAct: false,
          },
        ];
  });

/** What the clock moves: the line on top, which is the alarm when one rings. Nothing else of the frame is drawn again by it. */
export function Watch() {
  const nowMs = useNow();
  const shelf = useShelf();
  const underWay = useUnderWayIds();
  const failed = useAppSelector((s) => s.live.failed);
  const makes = shelf.filter(({ timed }) => timed).map((make) => attendedMake(make, nowMs));
  const { data: kitchen } = useKitchenQuery();
  const chores = useMemo(() => checksToRead(kitchen?.settings.places ?? []), [kitchen]);
  const working = underWay.length > makes.length;
  const line = (
    <ClockLine
      makes={makes}
      chores={chores}
      nowMs={nowMs}
      without={working ? (underWay.some((id) => failed[id]) ? 'failed' : 'working') : 'nothing'}
    />
  );
  return (
    <header className="clock-line">
      <Suspense fallback={line}>
        <Alarms makes={makes} nowMs={nowMs}>
          {line}
        </Alarms>
      </Suspense>
    </header>
  );
}
