import { formatMinutes, markBand } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useKitchenQuery, useMakesQuery } from '../../data/api.ts';
import { useNow } from '../../data/clock.ts';
import {
  attendedMake,
  attendedWaking,
  useLiveWakings,
  type Attended,
  type LiveWaking,
} from '../../data/attended.ts';
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

/** What the tag on a crock says: the next moment as a band where it is one. */
function tagOf(make: LiveMake, units: ReturnType<typeof useUnits>, nowMs: number): string {
  const { state, forecast, next, safety } = make;
  if (safety.verdict === 'over') return 'Do not taste';
  if (state.current?.step.facts.sours && markBand(forecast, 'ready').p50 !== null)
    return readyWords(state, forecast, units, nowMs).toLowerCase();
  if (!next) return 'all done';
  if (next.atMs <= nowMs) return `${next.act}: now`;
  return `${next.act} about ${units.time(next.atMs, nowMs)}`;
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

/** A waking on the shelf: a small jar that fills from feed to feed. */
function WakingCrock({ live, nowMs }: { readonly live: LiveWaking; readonly nowMs: number }) {
  const units = useUnits();
  const { state, waking } = live;
  const done = waking.feeds.filter((f) => f.status === 'done').length;
  const { next } = attendedWaking(live, nowMs);
  return (
    <Link to={`/makes/${state.id}`} className="crock-link">
      <CrockDrawing
        fill={(done + 0.4) / waking.feeds.length}
        surface={waking.overLimit ? 'bad' : 'still'}
        label={`${state.plan.name}: ${done} of ${waking.feeds.length} feeds set`}
      />
      <span className="tag">
        <span className="tag-name">{state.plan.name}</span>
        <span className={waking.overLimit ? 'danger' : 'quiet'}>
          {waking.overLimit
            ? 'Do not use'
            : !next || next.atMs <= nowMs
              ? `${next?.act ?? 'all done'}: now`
              : `${next.act} about ${units.time(next.atMs, nowMs)}`}
        </span>
      </span>
    </Link>
  );
}

/** What a waking wants now or next. */
function WakingNow(props: {
  readonly waking: Attended;
  readonly next: NonNullable<Attended['next']>;
  readonly nowMs: number;
  readonly onLater: () => void;
  readonly only: boolean;
}) {
  const { waking, next, nowMs, onLater, only } = props;
  const units = useUnits();
  const due = next.atMs <= nowMs + 45_000;
  return (
    <section className="now-panel" aria-labelledby="now">
      <h2 id="now">{due ? 'Now' : `Next, in about ${formatMinutes((next.atMs - nowMs) / 60_000)}`}</h2>
      <p className="big">{next.act}</p>
      <p>
        <strong>{waking.name}.</strong> {due ? 'Since' : 'At about'} {units.time(next.atMs, nowMs)}
      </p>
      <Button component={Link} to={`/makes/${waking.id}`} className="great" h={72}>
        Open {waking.name}
      </Button>
      <Button variant="default" disabled={only} onClick={onLater}>
        Later
      </Button>
    </section>
  );
}

/** The one thing to do now, or the next one to come. */
function NowPanel(props: {
  readonly makes: readonly LiveMake[];
  readonly wakings: readonly LiveWaking[];
  readonly nowMs: number;
}) {
  const { makes, wakings, nowMs } = props;
  const units = useUnits();
  const [later, setLater] = useState<ReadonlySet<string>>(new Set());
  const ranked = [
    ...makes.flatMap((make) =>
      make.next ? [{ id: make.state.id, make, waking: null, next: make.next }] : [],
    ),
    ...wakings.flatMap((live) => {
      const waking = attendedWaking(live, nowMs);
      return waking.next ? [{ id: waking.id, make: null, waking, next: waking.next }] : [];
    }),
  ].sort((a, b) => a.next.atMs - b.next.atMs);
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
  if (!make)
    return (
      <WakingNow waking={chosen.waking} next={next} nowMs={nowMs} onLater={putOff} only={ranked.length < 2} />
    );
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
      <div style={{ display: 'flex', gap: 12 }}>
        <Button component={Link} to={`/makes/${state.id}?pad=1`} variant="default" style={{ flex: 1 }}>
          Reading
        </Button>
        <Button
          variant="default"

          style={{ flex: 1 }}
          disabled={ranked.length < 2}
          onClick={putOff}
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
  // Nothing here says less than a minute.
  const nowMs = useNow(5000);
  const makes = useAllLive();
  const wakings = useLiveWakings();
  const attended = [
    ...makes.map((make) => attendedMake(make, nowMs)),
    ...wakings.map((waking) => attendedWaking(waking, nowMs)),
  ];
  const ids = useUnderWayIds();
  const failed = useAppSelector((s) => s.live.failed);
  const { data: kitchen } = useKitchenQuery();
  const list = useMakesQuery();
  const again = useMemo(() => {
    const seen = new Map<string, string>();
    for (const make of list.data ?? [])
      if (make.status === 'kept' && !seen.has(make.name)) seen.set(make.name, make.id);
    return [...seen].slice(0, 2);
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
          {wakings.map((waking) => (
            <WakingCrock key={waking.state.id} live={waking} nowMs={nowMs} />
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
      <NowPanel makes={makes} wakings={wakings} nowMs={nowMs} />
    </div>
  );
}
