import { formatMinutes } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useKitchenQuery, useMakesQuery } from '../../api/api.ts';
import { useNow } from '../../app/clock.ts';
import { useUnderWayIds } from '../../app/LiveMakes.tsx';
import { useAllLive } from '../../app/use-all-live.ts';
import type { LiveMake } from '../../app/use-make.ts';
import { useUnits } from '../../app/use-units.ts';
import { CrockDrawing } from '../../parts/CrockDrawing.tsx';
import { crockLook } from '../../parts/crock-look.ts';
import { Thread } from '../../parts/Thread.tsx';
import { completeStep } from '../make/complete-step.ts';

/** What the tag on a crock says: the next moment as a band where it is one. */
function tagOf(make: LiveMake, units: ReturnType<typeof useUnits>, nowMs: number): string {
  const { state, forecast, next, safety } = make;
  if (safety.verdict === 'over') return 'Do not taste';
  if (state.current?.step.id === 'incubate' && forecast.pickUp.p50 !== null) {
    return `ready ${units.span(forecast.pickUp.p10, forecast.pickUp.p90, nowMs)}`;
  }
  if (!next) return 'all done';
  if (next.atMs <= nowMs) return `${next.stepTitle}: now`;
  return `${next.stepTitle} about ${units.time(next.atMs, nowMs)}`;
}

function Crock({ make, nowMs }: { readonly make: LiveMake; readonly nowMs: number }) {
  const units = useUnits();
  const look = crockLook(make.state, make.forecast.point, make.safety, nowMs);
  return (
    <Link to={`/makes/${make.state.id}`} className="crock-link">
      <CrockDrawing {...look} />
      <span className="tag">
        <span className="tag-name">{make.state.plan.name}</span>
        <span className={make.safety.verdict === 'over' ? 'danger' : 'quiet'}>
          {tagOf(make, units, nowMs)}
        </span>
      </span>
    </Link>
  );
}

/** The one thing to do now, or the next one to come. */
function NowPanel({ makes, nowMs }: { readonly makes: readonly LiveMake[]; readonly nowMs: number }) {
  const units = useUnits();
  const [later, setLater] = useState<ReadonlySet<string>>(new Set());
  const ranked = makes
    .flatMap((make) => (make.next ? [{ make, next: make.next }] : []))
    .sort((a, b) => a.next.atMs - b.next.atMs);
  const chosen = ranked.find((r) => !later.has(`${r.make.state.id}${r.next.stepTitle}`)) ?? ranked[0];
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
  const shown = due ? step : (after ?? step);
  return (
    <section className={`now-panel ${due && next.mustAct ? 'must' : ''}`} aria-labelledby="now">
      <h2 id="now">{due ? 'Now' : `Next, in about ${formatMinutes((next.atMs - nowMs) / 60_000)}`}</h2>
      <p className="big">{due ? step.title : next.stepTitle}</p>
      <p>
        <strong>{state.plan.name}.</strong> {due ? step.doing : shown.doing}
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
      <div style={{ display: 'flex', gap: 12 }}>
        <Button component={Link} to={`/makes/${state.id}?pad=1`} variant="default" style={{ flex: 1 }}>
          Reading
        </Button>
        <Button
          variant="default"

          style={{ flex: 1 }}
          disabled={ranked.length < 2}
          onClick={() => setLater(new Set([...later, `${state.id}${next.stepTitle}`]))}
        >
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
  const nowMs = useNow();
  const makes = useAllLive();
  const ids = useUnderWayIds();
  const { data: kitchen } = useKitchenQuery();
  const list = useMakesQuery();
  const again = useMemo(() => {
    const seen = new Map<string, string>();
    for (const make of list.data ?? [])
      if (make.status === 'kept' && !seen.has(make.name)) seen.set(make.name, make.id);
    return [...seen].slice(0, 3);
  }, [list.data]);
  const empty = ids.length === 0 && list.isSuccess;
  return (
    <div className="bench">
      <div style={{ minWidth: 0 }}>
        <h1 style={{ marginBottom: 12 }}>{kitchen?.name ?? 'Bench'}</h1>
        {empty && list.data.length === 0 && (
          <p style={{ maxWidth: '46ch', marginBottom: 16 }}>
            Welcome. Nothing must be set up: say how much milk there is, and the first make begins with times,
            warnings and a forecast of its set.
          </p>
        )}
        <div className="shelf">
          {makes.map((make) => (
            <Crock key={make.state.id} make={make} nowMs={nowMs} />
          ))}
          {ids.length > makes.length && <p className="quiet">Working out the times …</p>}
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
        {makes.length > 0 && <Thread makes={makes} nowMs={nowMs} />}
      </div>
      <NowPanel makes={makes} nowMs={nowMs} />
    </div>
  );
}
