import { attendedMake } from '../data/attended.ts';
import { useNow } from '../data/clock.ts';
import { useAppSelector } from '../data/store.ts';
import { useUnderWayIds } from '../data/under-way.ts';
import { useAllLive } from '../data/use-all-live.ts';
import { lazy, Suspense } from 'react';
import { ClockLine } from './ClockLine.tsx';

/** Nothing rings before the first forecast is there. */
const Alarms = lazy(async () => ({ default: (await import('./Alarms.tsx')).Alarms }));

/** What the clock moves: the line on top, which is the alarm when one rings. Nothing else of the frame is drawn again by it. */
export function Watch() {
  const nowMs = useNow();
  const live = useAllLive();
  const underWay = useUnderWayIds();
  const failed = useAppSelector((s) => s.live.failed);
  const makes = live.map((make) => attendedMake(make, nowMs));
  const working = underWay.length > makes.length;
  const line = (
    <ClockLine
      makes={makes}
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
