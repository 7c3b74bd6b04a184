import '../../parts/tables.css';
import '../../parts/form-styles.ts';
import {
  batchOf,
  doNotEat,
  fatBalance,
  marksOf,
  pointForecast,
  productOf,
  rennetLearned,
  souringOf,
  yieldOf,
  type MakeState,
} from '@morning-crock/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { Button } from '@mantine/core';
import type { Units } from '../../data/units-of.ts';
import { Pictures } from '../../parts/Pictures.tsx';
import { useUnits } from '../../data/use-units.ts';
import { MakeCurve } from '../../charts/MakeCurve.tsx';
import { curveDataOf } from '../../charts/curve-data.ts';
import { Kin } from '../../parts/Kin.tsx';
import { EntryLog } from '../../parts/EntryLog.tsx';
import { Cost } from './Cost.tsx';
import { JarTable } from './JarTable.tsx';
import { Churned, fatFacts, Keeps } from './panels/Churned.tsx';
import { FatFlow } from './panels/FatFlow.tsx';
import { Clarified, gheeFacts } from './panels/Clarified.tsx';
import { TraceView } from './TraceView.tsx';
import './record.css';

/** Minutes early or late, in words. */
function against(realMs: number | null, plannedMs: number | null): string {
  if (realMs === null || plannedMs === null) return '–';
  const minutes = Math.round((realMs - plannedMs) / 60_000);
  if (Math.abs(minutes) < 2) return 'on time';
  return minutes > 0 ? `${minutes} min later` : `${-minutes} min earlier`;
}

/** The steps and what was seen on the way, each against what was forecast when it began. */
function StepsTable({ state, units }: { readonly state: MakeState; readonly units: Units }) {
  const marks = marksOf(state, { marks: state.planned?.marks ?? [] }).filter((mark) => mark.seenMs !== null);
  return (
    <div className="table-box" role="region" aria-label="Steps, forecast against real" tabIndex={0}>
      <table className="ledger">
        <thead>
          <tr>
            <th>Step</th>
            <th className="num">Forecast then</th>
            <th className="num">Real</th>
            <th>Difference</th>
          </tr>
        </thead>
        <tbody>
          {state.steps
            .filter((s) => !s.step.facts.whenever)
            .flatMap((s) => {
              const planned = state.planned?.steps.find((p) => p.step === s.step.id)?.end.p50 ?? null;
              return [
                ...marks
                  .filter((mark) => mark.step === s.step.id)
                  .map((mark) => (
                    <tr key={`${mark.step} ${mark.id}`} className="mark-row">
                      <td>{mark.words}, seen</td>
                      <td className="num">{units.span(mark.band.p10, mark.band.p90, state.startedAtMs)}</td>
                      <td className="num">{units.time(mark.seenMs!, state.startedAtMs)}</td>
                      <td>{against(mark.seenMs, mark.band.p50)}</td>
                    </tr>
                  )),
                <tr key={s.step.id}>
                  <td>{s.step.title}</td>
                  <td className="num">{planned === null ? '–' : units.time(planned, state.startedAtMs)}</td>
                  <td className="num">
                    {s.status === 'skipped'
                      ? 'left out'
                      : s.endedAtMs === null
                        ? '–'
                        : units.time(s.endedAtMs, state.startedAtMs)}
                  </td>
                  <td>{s.status === 'skipped' ? '' : against(s.endedAtMs, planned)}</td>
                </tr>,
              ];
            })}
        </tbody>
      </table>
    </div>
  );
}

const VERDICT = { kept: '✓ kept', discarded: '✗ discarded', 'under-way': '● under way' } as const;

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

/** One make in the Daybook: predicted, as stored then, against real. */
export function Record({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const balance = yieldOf(state);
  const noFood = useMemo(() => doNotEat(state), [state]);
  const food = !noFood && state.finished?.verdict === 'kept';
  const curve = useMemo(() => {
    const endMs = state.finished?.atMs ?? state.startedAtMs;
    const point = pointForecast(state, endMs);
    // The band is the one stored when the make began, laid from the real inoculation on.
    const band = (state.planned?.phBand ?? []).map(([hour, p10, p50, p90]) => ({ hour, p10, p50, p90 }));
    return curveDataOf(state, point, band, null, units);
  }, [state, units]);
  const { goods } = productOf(state.plan);
  const sours = souringOf(state) !== null;
  const fat = useMemo(() => fatBalance(state, state.finished?.atMs ?? state.startedAtMs), [state]);
  const ghee = gheeFacts(state, units);
  const learned = useMemo(
    () => rennetLearned(state, pointForecast(state, state.finished?.atMs ?? state.startedAtMs)),
    [state],
  );
  const facts: readonly (readonly [string, string])[] = [
    [
      `${goods.into.charAt(0).toUpperCase()}${goods.into.slice(1)} in`,
      `${units.mass(balance.milkKg)} (${units.volume(batchOf(state.plan).litres)})`,
    ],
    ...(sours ? [['Starter in', units.mass(balance.starterKg)] as const] : []),
    ['Came out', balance.outKg === null ? 'not weighed' : units.mass(balance.outKg)],
    ...(balance.wheyKg > 0 ? [['Whey caught', units.mass(balance.wheyKg)] as const] : []),
    ...(learned
      ? [
          [
            'Your rennet',
            `about ${Math.round(learned.imcu)} IMCU a ${learned.unit}, by its clean break`,
          ] as const,
        ]
      : []),
    ...(state.plan.method.name ? [['Method', state.plan.method.name] as const] : []),
    ...(fat ? fatFacts(fat, state, units) : ghee),
    ...(fat || ghee.length > 0
      ? []
      : [
          [
            'Lost',
            balance.lostKg === null
              ? '–'
              : `${units.mass(Math.abs(balance.lostKg))}${balance.lostKg < 0 ? ' more than went in: weigh again?' : ''}`,
          ] as const,
        ]),
    ...(sours
      ? [
          [
            'Kept for next time',
            state.reservedKg === null ? 'nothing' : units.mass(state.reservedKg),
          ] as const,
          [
            'Tasted',
            state.tasting ? `${state.tasting.sourness}, ${state.tasting.texture}` : 'not tasted',
          ] as const,
        ]
      : []),
  ];
  return (
    <>
      <div className="make-head">
        <h1>{state.plan.name}</h1>
        <span className="quiet">
          {units.day(state.startedAtMs)}
          {sours && `, ${state.plan.place.name}`}
        </span>
        <span className={noFood || state.finished?.verdict === 'discarded' ? 'danger' : ''}>
          {noFood ? '✗ do not eat' : VERDICT[state.finished?.verdict ?? 'under-way']}
        </span>
        <Button component={Link} to={`/new?repeat=${state.id}`} variant="default" ml="auto">
          Make it again
        </Button>
        {food && (
          <Button component={Link} to={`/larder/put-up/${state.id}`} variant="default">
            Put it up
          </Button>
        )}
      </div>
      <Kin state={state} />
      <div className="record">
        <div className="may-shrink">
          {sours || (!fat && ghee.length === 0) ? (
            <>
              <div className="curve">
                <MakeCurve
                  data={curve}
                  label={`Temperature and pH of ${state.plan.name}, measured and modelled, with the band forecast when it began`}
                />
              </div>
              <p className="quiet above-s below-m">
                Band: as forecast when it began. Lines: the model through what was measured. Dots: measured.
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
              Poured from {state.plan.milk.lots.map((l) => `${l.name} (${units.mass(l.massKg)})`).join(', ')}.
            </p>
          )}
          <EntryLog streamId={state.id} events={state.events} endedMs={state.finished?.atMs} />
          <p className="links">
            <a href={`/api/makes/${state.id}/readings.csv`} download="readings.csv">
              Readings as CSV
            </a>{' '}
            <Link to={`/makes/${state.id}/file`}>Readings from a file</Link>
          </p>
          <p className="quiet above-m">
            A record, not a certificate. Selling milk products is regulated: follow your local rules and your
            licence.
          </p>
        </div>
      </div>
    </>
  );
}
