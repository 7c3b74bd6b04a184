import { formatMinutes, markBand } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useKitchenQuery, useMakesQuery } from '../../data/api.ts';
import { useNow } from '../../data/clock.ts';
import { attendedMake } from '../../data/attended.ts';
import { useAppSelector } from '../../data/store.ts';
import { useUnderWayIds } from '../../data/under-way.ts';
import { useAllLive } from '../../data/use-all-live.ts';
import type { LiveMake } from '../../data/use-make.ts';
import { useUnits } from '../../data/use-units.ts';
import { CrockDrawing } from '../../parts/CrockDrawing.tsx';
import { crockLook } from '../../parts/crock-look.ts';
import { readyWords } from '../../parts/seen-words.ts';
import { Thread } from '../../parts/Thread.tsx';
import { completeStep } from '../../data/complete-step.ts';
import './bench.css';

/** Further off than this, what comes next is of another day. */
const FAR_MS = 24 * 3_600_000;

/** More crocks than these stand smaller. */
const MANY = 4;

/** What the tag on a crock says: the next moment as a band where it is one. */
function tagOf(make: LiveMake, units: ReturnType<typeof useUnits>, nowMs: number): string {
  const { state, forecast, next, safety } = make;
  if (safety.verdict === 'over') return 'Do not taste';
  if (state.current?.step.facts.sours && markBand(forecast, 'ready').p50 !== null)
    return readyWords(state, forecast, units, nowMs);
  if (!next) return 'all done';
  if (next.atMs <= nowMs) return `${next.act}: now`;
  return `${next.act} about ${units.time(next.atMs, nowMs)}`;
}

function Crock({ make, nowMs }: { readonly make: LiveMake; readonly nowMs: number }) {
  const units = useUnits();
  const look = crockLook(make.state, make.forecast.point, make.safety, nowMs);
  const far = make.next !== null && make.next.atMs - nowMs > FAR_MS;
  return (
    <Link to={`/makes/${make.state.id}`} className={far ? 'crock-link far' : 'crock-link'}>
      <CrockDrawing {...look} />
      <span className="tag">
        <span className="tag-name">
          {make.state.tags.length > 0 && <span className="number">{make.state.tags.join('·')} </span>}
          {make.state.plan.name}
        </span>
        <span className={make.safety.verdict === 'over' ? 'danger' : 'quiet'}>
          {tagOf(make, units, nowMs)}
        </span>
      </span>
    </Link>
  );
}

/** The one thing to do now, or the next one to come. */
function NowPanel(props: { readonly makes: readonly LiveMake[]; readonly nowMs: number }) {
  const { makes, nowMs } = props;
  const units = useUnits();
  const [later, setLater] = useState<ReadonlySet<string>>(new Set());
  const ranked = makes
    .flatMap((make) => (make.next ? [{ id: make.state.id, make, next: make.next }] : []))
    .sort((a, b) => a.next.atMs - b.next.atMs);
  const chosen = ranked.find((r) => !later.has(`${r.id}${r.next.act}`)) ?? ranked[0];
  const putOff = (): void => {
    if (chosen) setLater(new Set([...later, `${chosen.id}${chosen.next.act}`]));
  };
  if (!chosen) {
    return (
      <section className="now-panel" aria-labelledby="now">
        <h2 id="now">Now</h2>
        <p className="big">Nothing on the shelf.</p>
        <p>Pour some milk and begin.</p>
        <Button component={Link} to="/new" className="great" size="xl" h={72}>
          New make
        </Button>
      </section>
    );
  }
  const { make, next } = chosen;
  const { state } = make;
  const due = next.atMs <= nowMs + 45_000;
  const step = state.current!.step;
  const after = state.steps[state.steps.findIndex((s) => s.status === 'current') + 1]?.step;
  // What goes by itself is over then: what comes next is to be done.
  const doing = step.facts.waits ? (due && step.due?.text) || (after ?? step).doing : step.doing;
  return (
    <section className={`now-panel ${due && next.mustAct ? 'must' : ''}`} aria-labelledby="now">
      <h2 id="now">{due ? 'Now' : `Next, in about ${formatMinutes((next.atMs - nowMs) / 60_000)}`}</h2>
      <p className="big">{next.act}</p>
      <p>
        <strong>{state.plan.name}.</strong> {doing}
      </p>
      {due ? (
        <Button className="great" h={72} onClick={() => void completeStep(state)}>
          {step.doneWords}
        </Button>
      ) : (
        <Button component={Link} to={`/makes/${state.id}`} className="great" h={72} variant="default">
          Open {state.plan.name}
        </Button>
      )}
      <div className="row">
        <Button component={Link} to={`/makes/${state.id}?pad=1`} variant="default" flex={1}>
          Reading
        </Button>
        <Button variant="default" disabled={ranked.length < 2} onClick={putOff} flex={1}>
          Later
        </Button>
      </div>
      <p className="quiet">
        {due ? 'Since' : 'At about'} {units.time(next.atMs, nowMs)}
      </p>
    </section>
  );
}

/** Live makes as crocks on a shelf, the day's thread under it, and the one thing to do. */
export function Bench() {
  // Nothing here says less than a minute.
  const nowMs = useNow(5000);
  const makes = useAllLive();
  const attended = makes.map((make) => attendedMake(make, nowMs));
  const ids = useUnderWayIds();
  const failed = useAppSelector((s) => s.live.failed);
  const { data: kitchen } = useKitchenQuery();
  const list = useMakesQuery();
  const again = useMemo(() => {
    const seen = new Map<string, string>();
    for (const make of list.data ?? [])
      if (make.status === 'kept' && !make.waking && !seen.has(make.name)) seen.set(make.name, make.id);
    return [...seen].slice(0, 2);
  }, [list.data]);
  const empty = ids.length === 0 && list.isSuccess;
  return (
    <div className="bench">
      <div className="may-shrink">
        <h1 className="below-m">{kitchen?.name ?? 'Bench'}</h1>
        {empty && list.data.length === 0 && (
          <p className="reading below-m">
            Welcome. Nothing must be set up: say how much milk there is, and the first make begins with times,
            warnings and a forecast of its set.
          </p>
        )}
        <div className={makes.length > MANY ? 'shelf many' : 'shelf'}>
          {makes.map((make) => (
            <Crock key={make.state.id} make={make} nowMs={nowMs} />
          ))}
          {ids
            .filter((id) => !attended.some((a) => a.id === id))
            .map((id) =>
              failed[id] ? (
                <p key={id} role="alert">
                  The times of one make cannot be worked out on this device.{' '}
                  <Link to={`/makes/${id}`}>Go on with it by clock and hand</Link>
                </p>
              ) : (
                <p key={id} className="quiet">
                  Working out the times …
                </p>
              ),
            )}
          {list.isError && (
            <p className="danger">
              The record cannot be read now. What is stored is safe; it is tried again.
            </p>
          )}
        </div>
        <div className="again">
          <Button component={Link} to="/new">
            New make
          </Button>
          {again.map(([name, id]) => (
            <Button key={id} component={Link} to={`/new?repeat=${id}`} variant="default">
              Again: {name}
            </Button>
          ))}
        </div>
        {attended.length > 0 && <Thread makes={attended} nowMs={nowMs} />}
      </div>
      <NowPanel makes={makes} nowMs={nowMs} />
    </div>
  );
}
