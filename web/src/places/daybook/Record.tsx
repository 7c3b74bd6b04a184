import '../../parts/tables/tables.css';
import '../../parts/fields/form-styles.ts';
import { doNotEat, fatBalance, souringOf, type MakeState, makeAt } from '@morning-crock/core';
import { useMemo } from 'react';
import { Link, useNavigate } from 'react-router';
import { Button, NativeSelect } from '@mantine/core';
import { useNow } from '../../data/clock.ts';
import { useMakesQuery } from '../../data/api.ts';
import type { Units } from '../../data/units-of.ts';
import { Pictures } from '../../parts/print/Pictures.tsx';
import { useUnits } from '../../data/use-units.ts';
import { MakeCurve } from '../../charts/MakeCurve.tsx';
import { Kin } from '../../parts/tables/Kin.tsx';
import { EntryLog } from '../../parts/tables/EntryLog.tsx';
import { Cost } from './Cost.tsx';
import { JarTable } from './JarTable.tsx';
import { Churned, Keeps } from './panels/Churned.tsx';
import { FatFlow } from './panels/FatFlow.tsx';
import { Clarified, gheeFacts } from './panels/Clarified.tsx';
import { StepsTable } from './StepsTable.tsx';
import { endOf, recordCurve, recordFacts, verdictOf } from './record-facts.ts';
import { TraceView } from './TraceView.tsx';
import '../../parts/print/paper.css';
import './record.css';

/** The pictures that were taken of it, in order. */
function RecordPictures({ state, units }: { readonly state: MakeState; readonly units: Units }) {
  const taken = state.events.flatMap((e) => (e.type === 'photographed' ? [e] : []));
  if (taken.length === 0) return null;
  return (
    <section aria-label="Pictures" className="below-m">
      <Pictures
        pictures={taken.map((e) => ({
          id: e.data.photoId,
          words: `${state.steps.find(({ step }) => step.id === e.data.step)?.step.title ?? ''}, ${units.time(Date.parse(e.at), Date.parse(e.at))}`,
        }))}
      />
    </section>
  );
}

/** So many of the latest are offered to be laid beside it. */
const MOST_BESIDE = 60;

/** Another make of the same product, to be looked at beside this one. */
function BesideChoice({ state, units }: { readonly state: MakeState; readonly units: Units }) {
  const { data: makes = [] } = useMakesQuery();
  const navigate = useNavigate();
  const nowMs = useNow(60_000);
  const others = makes.filter(
    ({ id, product, status }) =>
      id !== state.id && product === state.plan.product && status !== 'under-way' && status !== 'unreadable',
  );
  if (others.length === 0) return null;
  return (
    <NativeSelect
      label="Compare with"
      className="not-on-paper below-m"
      w={320}
      value=""
      data={[
        { value: '', label: 'choose a batch' },
        ...others.slice(0, MOST_BESIDE).map(({ id, name, startedAt }) => ({
          value: id,
          label: `${name}, ${units.dayAndYear(Date.parse(startedAt), nowMs)}`,
        })),
      ]}
      onChange={(event) => void navigate(`/daybook/${state.id}/beside/${event.currentTarget.value}`)}
    />
  );
}

/** One make in the Daybook: predicted, as stored then, against real. */
export function Record({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const noFood = useMemo(() => doNotEat(state), [state]);
  const food = !noFood && state.finished?.verdict === 'kept';
  const curve = useMemo(() => recordCurve(state, units), [state, units]);
  const sours = souringOf(state) !== null;
  const fat = useMemo(() => fatBalance(makeAt(state, endOf(state))), [state]);
  const facts = useMemo(() => recordFacts(state, units), [state, units]);
  const clarified = gheeFacts(state, units).length > 0;
  return (
    <div className="paper">
      <div className="make-head">
        <h1>{state.plan.name}</h1>
        <span className="quiet">
          {units.day(state.startedAtMs)}
          {sours && `, ${state.plan.place.name}`}
        </span>
        <span className={noFood || state.finished?.verdict === 'discarded' ? 'danger' : ''}>
          {verdictOf(state)}
        </span>
        <Button component={Link} to={`/new?repeat=${state.id}`} variant="default" ml="auto">
          Repeat batch
        </Button>
        <Button variant="default" onClick={() => window.print()}>
          Print
        </Button>
        <Button component={Link} to={`/why/${state.id}`} variant="default">
          What went wrong?
        </Button>
        {food && (
          <Button component={Link} to={`/larder/put-up/${state.id}`} variant="default">
            Add to larder
          </Button>
        )}
      </div>
      <Kin state={state} />
      <BesideChoice state={state} units={units} />
      <div className="record">
        <div className="may-shrink">
          {sours || (!fat && !clarified) ? (
            <>
              <div className="curve">
                <MakeCurve
                  data={curve}
                  label={`Temperature and pH of ${state.plan.name}: measured, estimated, and the range forecast at the start`}
                />
              </div>
              <p className="quiet above-s below-m">
                Band: forecast at the start. Lines: estimate fitted to your readings. Dots: your readings.
              </p>
            </>
          ) : fat ? (
            <Churned state={state} units={units} />
          ) : (
            <Clarified state={state} units={units} />
          )}
          {fat && <FatFlow fat={fat} units={units} />}
          <RecordPictures state={state} units={units} />
          <StepsTable state={state} units={units} />
          {state.traces.map((trace) => (
            <TraceView key={trace.traceId} makeId={state.id} trace={trace} />
          ))}
          <JarTable state={state} units={units} />
        </div>
        <div>
          <dl className="facts in-two">
            {facts.map(([label, value]) => (
              <div key={label} className="fact">
                <dt className="label">{label}</dt>
                <dd className="value">{value}</dd>
              </div>
            ))}
          </dl>
          {fat && <Keeps state={state} />}
          <Cost state={state} units={units} />
          {(state.notes.length > 0 || state.tasting?.text || state.finished?.reason) && (
            <section className="below-l" aria-label="Notes">
              <h2 className="below-s">Notes</h2>
              {[...state.notes.map((n) => n.text), state.tasting?.text, state.finished?.reason]
                .filter(Boolean)
                .map((text) => (
                  <p key={text}>{text}</p>
                ))}
            </section>
          )}
          {state.plan.milk.lots && (
            <p className="quiet below-m">
              Made from {state.plan.milk.lots.map((l) => `${l.name} (${units.mass(l.massKg)})`).join(', ')}.
            </p>
          )}
          <EntryLog streamId={state.id} events={state.events} endedMs={state.finished?.atMs} />
          <p className="links not-on-paper">
            <a href={`/api/makes/${state.id}/readings.csv`} download="readings.csv">
              Download readings (CSV)
            </a>{' '}
            <Link to={`/makes/${state.id}/file`}>Import readings</Link>
          </p>
          <p className="quiet above-m">
            This is a record, not a certificate. Selling milk products is regulated. Follow your local rules
            and your licence.
          </p>
        </div>
      </div>
    </div>
  );
}
