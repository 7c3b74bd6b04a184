import { formatMinutes, MINUTE_MS } from '@morning-crock/core';
import { Button } from '@mantine/core';
import type { KitchenSettings } from '@morning-crock/core/contract';
import { lazy, Suspense, useMemo, useState, type ComponentType } from 'react';
import { Link } from 'react-router';
import { useKitchenQuery, useRecentMakesQuery } from '../../data/api.ts';
import { useNow } from '../../data/clock.ts';
import { chosenCook } from '../../data/device.ts';
import { attendedMake, soonerAt } from '../../data/attended.ts';
import { recordAll, useAppSelector } from '../../data/store.ts';
import { useUnderWayIds } from '../../data/under-way.ts';
import { useShelf, type Shelved } from '../../data/use-shelf.ts';
import { useUnits } from '../../data/use-units.ts';
import { Thread } from '../../parts/drawings/Thread.tsx';
import './bench.css';

const Crock = lazy(async () => ({ default: (await import('./Crock.tsx')).Crock }));
/** Only where a day is going on. */
const BenchDay = lazy(async () => ({ default: (await import('./BenchDay.tsx')).BenchDay }));

/** Only where a batch of such a day is done. */
const FedByThis = lazy(async () => ({
  default: (await import('../../parts/goods/FedByThis.tsx')).FedByThis,
}));

const PutOff = lazy(async () => ({ default: (await import('./PutOff.tsx')).PutOff }));

/** What must be used first comes after the first view. */
const BenchLarder = lazy(async () => ({ default: (await import('./BenchLarder.tsx')).BenchLarder }));

/** A phone in the hand scans; it comes after the first view. */
const ScanAnything = lazy(async () => ({
  default: (await import('../../parts/scan/ScanAnything.tsx')).ScanAnything,
}));

/** More crocks than these stand smaller. */
const MANY = 4;

/** Past the latest it was to be ready. */
const isLate = ({ ready }: Shelved, nowMs: number): boolean =>
  ready !== null && ready.band.p90 !== null && ready.band.p90 < nowMs;

/** The one thing to do now, or the next one to come. */
function NowPanel(props: { readonly makes: readonly Shelved[]; readonly nowMs: number }) {
  const { makes, nowMs } = props;
  const day = useAppSelector((s) => s.live.day);
  const me = chosenCook();
  /** Somebody else's hands, by the day's timetable. */
  const others = (id: string): string | null => {
    const planned = day?.next[id];
    return planned && me !== null && planned.cookId !== me ? planned.cook : null;
  };
  const units = useUnits();
  const [later, setLater] = useState<ReadonlySet<string>>(new Set());
  const sooner = soonerAt(nowMs);
  const ranked = makes
    .flatMap((make) => (make.next ? [{ id: make.id, make, next: make.next, alarms: make.alarms }] : []))
    .sort((a, b) => Number(others(a.id) !== null) - Number(others(b.id) !== null) || sooner(a, b));
  const chosen = ranked.find((r) => !later.has(`${r.id}${r.next.act}`)) ?? ranked[0];
  const putOff = (): void => {
    if (chosen) setLater(new Set([...later, `${chosen.id}${chosen.next.act}`]));
  };
  const allDone = makes.filter(({ next, over }) => next === null && !over);
  const [done] = allDone;
  if (!chosen && done)
    return (
      <section className="now-panel" aria-labelledby="now">
        <h2 id="now">Now</h2>
        <p className="big">All done: {done.name}</p>
        <p>Every step of it is done.</p>
        {day && (
          <Suspense>
            {allDone.map(({ id }) => (
              <FedByThis key={id} makeId={id} />
            ))}
          </Suspense>
        )}
        <Button component={Link} to={`/makes/${done.id}`} className="great" h={72} variant="default">
          Open {done.name}
        </Button>
      </section>
    );
  if (!chosen) {
    return (
      <section className="now-panel" aria-labelledby="now">
        <h2 id="now">Now</h2>
        <p className="big">No batches under way.</p>
        <p>Start a batch to see what to do next.</p>
        <Button component={Link} to="/new" className="great" size="xl" h={72}>
          New batch
        </Button>
      </section>
    );
  }
  const { make, next } = chosen;
  const due = next.atMs <= nowMs + 45_000;
  const doing = due ? make.now?.whenDue : make.now?.doing;
  return (
    <section className={`now-panel ${due && next.mustAct ? 'must' : ''}`} aria-labelledby="now">
      <h2 id="now">{due ? 'Now' : `Next, in about ${formatMinutes((next.atMs - nowMs) / MINUTE_MS)}`}</h2>
      <p className="big">{next.act}</p>
      <p>
        <strong>{make.name}.</strong> {doing}
        {others(make.id) !== null && <> {others(make.id)} will do this.</>}
      </p>
      {due ? (
        <Button
          className="great"
          h={72}
          {...(make.over ? { color: 'madder' } : {})}
          disabled={make.recalled}
          onClick={() => void recordAll(make.id, make.done)}
        >
          {make.now?.doneWords}
        </Button>
      ) : (
        <Button component={Link} to={`/makes/${make.id}`} className="great" h={72} variant="default">
          Open {make.name}
        </Button>
      )}
      <div className="row">
        <Button component={Link} to={`/makes/${make.id}?pad=1`} variant="default" flex={1}>
          Add reading
        </Button>
        {day?.next[make.id] ? (
          <Suspense>
            <PutOff makeId={make.id} />
          </Suspense>
        ) : (
          <Button variant="default" disabled={ranked.length < 2} onClick={putOff} flex={1}>
            Do this later
          </Button>
        )}
      </div>
      <p className="quiet">
        {due ? 'Due since' : 'Due about'} {units.time(next.sinceMs ?? next.atMs, nowMs)}
      </p>
      {isLate(make, nowMs) && (
        <Link to={`/why/${make.id}?complaint=not-set`}>Late? Find out what went wrong</Link>
      )}
    </section>
  );
}

/** Live makes as crocks on a shelf, the day's thread under it, and the one thing to do. */
export function Bench({
  FirstShelf,
  Welcome,
}: {
  /** What stands there while nothing is under way: what can be made, and how it begins. */
  readonly FirstShelf: ComponentType<{ readonly kitchen: KitchenSettings }>;
  readonly Welcome: ComponentType;
}) {
  // Nothing here says less than a minute.
  const nowMs = useNow(5000);
  const shelf = useShelf();
  const makes = shelf.filter(({ timed }) => timed);
  const attended = makes.map((make) => attendedMake(make, nowMs));
  const ids = useUnderWayIds();
  const failed = useAppSelector((s) => s.live.failed);
  const unreadable = useAppSelector((s) => s.live.unreadable);
  const untimed = ids.filter((id) => unreadable[id] || (failed[id] && !makes.some((make) => make.id === id)));
  const day = useAppSelector((s) => s.live.day);
  const { data: kitchen } = useKitchenQuery();
  const list = useRecentMakesQuery();
  const again = useMemo(() => {
    const seen = new Map<string, string>();
    for (const make of list.data ?? [])
      if (make.status === 'kept' && !make.waking && !seen.has(make.name)) seen.set(make.name, make.id);
    return [...seen].slice(0, 2);
  }, [list.data]);
  const empty = ids.length === 0 && list.isSuccess;
  // Above the empty shelf, which comes a moment later and would move it.
  const repeats = (
    <div className="again">
      {!empty && (
        <Button component={Link} to="/new">
          New batch
        </Button>
      )}
      {again.map(([name, id]) => (
        <Button key={id} component={Link} to={`/new?repeat=${id}`} variant="default">
          Repeat {name}
        </Button>
      ))}
      <Suspense>
        <ScanAnything />
      </Suspense>
    </div>
  );
  return (
    <div className="bench">
      <div className="may-shrink">
        <h1 className="below-m">{kitchen?.name ?? 'Bench'}</h1>
        {empty && again.length > 0 && repeats}
        {empty && kitchen && (
          <Suspense>
            <FirstShelf kitchen={kitchen.settings} />
          </Suspense>
        )}
        <div className={shelf.length > MANY ? 'shelf many' : empty ? undefined : 'shelf'}>
          <Suspense>
            {shelf.map((make) => (
              <Crock key={make.id} make={make} nowMs={nowMs} />
            ))}
          </Suspense>
          {untimed.map((id) => (
            <p key={id} role="alert">
              This device cannot work out the times for one batch.{' '}
              <Link to={`/makes/${id}`}>Open the batch and time it yourself</Link>
            </p>
          ))}
          {list.isError && (
            <p className="danger">
              Your batches cannot be loaded right now. Everything saved is safe. Trying again.
            </p>
          )}
        </div>
        {!empty && repeats}
        {attended.length > 0 && <Thread makes={attended} nowMs={nowMs} />}
        <Suspense>
          <BenchLarder nowMs={nowMs} />
        </Suspense>
      </div>
      <div className={empty && list.data.length === 0 ? undefined : 'bench-side'}>
        {empty && list.data.length === 0 ? (
          <Suspense>
            <Welcome />
          </Suspense>
        ) : (
          <NowPanel makes={makes} nowMs={nowMs} />
        )}
        {day && (
          <Suspense>
            <BenchDay makes={attended} nowMs={nowMs} />
          </Suspense>
        )}
      </div>
    </div>
  );
}
