import {
  batchOf,
  brokeAfter,
  churnSpread,
  doNotEat,
  fatBalance,
  milkCost,
  pointForecast,
  productOf,
  salted,
  souringOf,
  yieldOf,
  type FatBalance,
  type MakeState,
} from '@morning-crock/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { Button } from '@mantine/core';
import type { Units } from '../../data/units-of.ts';
import { useUnits } from '../../data/use-units.ts';
import { MakeCurve } from '../../charts/MakeCurve.tsx';
import { curveDataOf } from '../../charts/curve-data.ts';
import { ChurnCord } from '../../parts/ChurnCord.tsx';
import { EntryLog } from '../../parts/EntryLog.tsx';
import { JarTable } from './JarTable.tsx';
import { TraceView } from './TraceView.tsx';
import './fat-bar.css';

/** Minutes early or late, in words. */
function against(realMs: number | null, plannedMs: number | null): string {
  if (realMs === null || plannedMs === null) return '–';
  const minutes = Math.round((realMs - plannedMs) / 60_000);
  if (Math.abs(minutes) < 2) return 'on time';
  return minutes > 0 ? `${minutes} min later` : `${-minutes} min earlier`;
}

function StepsTable({ state, units }: { readonly state: MakeState; readonly units: Units }) {
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
            .map((s) => {
              const planned = state.planned?.steps.find((p) => p.step === s.step.id)?.end.p50 ?? null;
              return (
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
                </tr>
              );
            })}
        </tbody>
      </table>
    </div>
  );
}

/** What a churning gave, against what it could have. */
function fatFacts(fat: FatBalance, state: MakeState, units: Units): (readonly [string, string])[] {
  const salt = state.saltKg === null || fat.realKg === null ? null : salted(fat.realKg, WATER, state.saltKg);
  return [
    ['Possible', units.mass(fat.possibleKg)],
    ['Likely', `about ${units.mass(fat.likelyKg)}`],
    ['Buttermilk', fat.buttermilkKg === null ? 'not weighed' : units.mass(fat.buttermilkKg)],
    ['Overrun', fat.overrun === null ? '–' : `${(fat.overrun * 100).toFixed(0)} %`],
    [
      'Salt',
      salt
        ? `${(salt.saltFraction * 100).toFixed(1)} %, about ${(salt.brineFraction * 100).toFixed(0)} % in its water`
        : 'none',
    ],
    ['Washed', state.rinses.length === 0 ? 'not washed' : `${state.rinses.length} ×`],
  ];
}

/** How the churning went: its stages on their cord, its minutes against what was forecast. */
function Churned({ state, units }: { readonly state: MakeState; readonly units: Units }) {
  const step = state.steps.find((s) => s.step.facts.parts);
  if (step?.step.instance.kind !== 'churn' || step.startedAtMs === null || step.endedAtMs === null)
    return <p className="quiet">It was not churned.</p>;
  const { startedAtMs: startMs } = step;
  const seen = state.stages.map(({ stage, atMs }) => ({ stage, minutes: (atMs - startMs) / 60_000 }));
  const minutes = brokeAfter(seen) ?? (step.endedAtMs - startMs) / 60_000;
  const ends = (of: (typeof state.steps)[number]['step']) =>
    state.planned?.steps.find((p) => p.step === of.id)?.end.p50 ?? null;
  const before = state.steps[state.steps.indexOf(step) - 1];
  const from = before && ends(before.step);
  const until = ends(step.step);
  const forecast = from && until ? (until - from) / 60_000 : null;
  const spread = churnSpread(step.step.instance);
  const heat = state.temperatures.findLast((t) => t.atMs <= startMs + 2 * 60_000);
  return (
    <div className="churned">
      <ChurnCord
        nowShare={forecast === null ? 1 : minutes / forecast}
        spread={spread}
        seen={seen.map((s) => s.stage)}
      />
      <div>
        <div className="number churned-big">
          {Math.round(minutes)} <small>min</small>
        </div>
        <p>of churning until it broke, in {step.step.instance.name}</p>
        {forecast !== null && (
          <p>
            Forecast then: about {Math.round(forecast)} min{' '}
            <span className="quiet">
              ({Math.round(forecast / spread)}–{Math.round(forecast * spread)})
            </span>
          </p>
        )}
        {heat && <p>Begun at {units.temperature(heat.celsius)}, measured.</p>}
      </div>
    </div>
  );
}

/** Where the fat went, as one bar. */
function FatBar({ fat, units }: { readonly fat: FatBalance; readonly units: Units }) {
  const { fatKg, inButterKg, inButtermilkKg, elsewhereKg } = fat;
  if (inButterKg === null || elsewhereKg === null) return null;
  const parts = [
    ['in the butter', inButterKg, 'var(--butter)'],
    ['in the buttermilk, about', inButtermilkKg ?? 0, 'var(--brush)'],
    ['elsewhere: churn, washing, or wetter butter', Math.max(0, elsewhereKg), 'var(--glaze-lo)'],
  ] as const;
  let x = 0;
  return (
    <figure className="fat-bar" aria-label={`Fat: ${units.mass(fatKg)} in the cream`}>
      <figcaption>
        Where the {units.mass(fatKg)} of fat went <span className="quiet">(butter taken at 81 %)</span>
      </figcaption>
      <svg viewBox="0 0 600 36" width="100%" height="36" preserveAspectRatio="none" aria-hidden="true">
        {parts.map(([name, kg, fill]) => {
          const width = (600 * kg) / fatKg;
          const from = x;
          x += width;
          return <rect key={name} x={from} y="1" width={width} height="34" fill={fill} stroke="var(--ink)" />;
        })}
      </svg>
      <ul>
        {parts.map(([name, kg, fill]) => (
          <li key={name}>
            <svg viewBox="0 0 18 18" width="18" height="18" aria-hidden="true">
              <rect x="1" y="1" width="16" height="16" fill={fill} stroke="var(--ink)" />
            </svg>{' '}
            <span className="number">{units.mass(kg)}</span>, {((100 * kg) / fatKg).toFixed(0)} % {name}
          </li>
        ))}
      </ul>
    </figure>
  );
}

/** Water in butter worked by hand, 0..1. */
const WATER = 0.16;

const VERDICT = { kept: '✓ kept', discarded: '✗ discarded', 'under-way': '● under way' } as const;

/** One make in the Daybook: predicted, as stored then, against real. */
export function Record({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const balance = yieldOf(state);
  const cost = milkCost(state.plan.milk);
  const noFood = useMemo(() => doNotEat(state), [state]);
  const curve = useMemo(() => {
    const endMs = state.finished?.atMs ?? state.startedAtMs;
    const point = pointForecast(state, endMs);
    // The band is the one stored when the make began, laid from the real inoculation on.
    const band = (state.planned?.phBand ?? []).map(([hour, p10, p50, p90]) => ({ hour, p10, p50, p90 }));
    return curveDataOf(state, point, band, null, units);
  }, [state, units]);
  const { goods } = productOf(state.plan);
  const into = goods.into.charAt(0).toUpperCase() + goods.into.slice(1);
  const sours = souringOf(state) !== null;
  const fat = useMemo(() => fatBalance(state, state.finished?.atMs ?? state.startedAtMs), [state]);
  const facts: readonly (readonly [string, string])[] = [
    [
      `${goods.into.charAt(0).toUpperCase()}${goods.into.slice(1)} in`,
      `${units.mass(balance.milkKg)} (${units.volume(batchOf(state.plan).litres)})`,
    ],
    ...(cost === null ? [] : [[`${into} cost`, units.cost(cost)] as const]),
    ...(sours ? [['Starter in', units.mass(balance.starterKg)] as const] : []),
    ['Came out', balance.outKg === null ? 'not weighed' : units.mass(balance.outKg)],
    ...(fat ? fatFacts(fat, state, units) : []),
    ...(fat
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
        <Button
          component={Link}
          to={`/new?repeat=${state.id}`}
          variant="default"
          style={{ marginLeft: 'auto' }}
        >
          Make it again
        </Button>
      </div>
      <div className="record">
        <div style={{ minWidth: 0 }}>
          {sours ? (
            <>
              <div className="curve">
                <MakeCurve
                  data={curve}
                  label={`Temperature and pH of ${state.plan.name}, measured and modelled, with the band forecast when it began`}
                />
              </div>
              <p className="quiet" style={{ margin: '6px 0 18px' }}>
                Band: as forecast when it began. Lines: the model through what was measured. Dots: measured.
              </p>
            </>
          ) : (
            <Churned state={state} units={units} />
          )}
          {fat && <FatBar fat={fat} units={units} />}
          <StepsTable state={state} units={units} />
          {state.traces.map((trace) => (
            <TraceView key={trace.traceId} makeId={state.id} trace={trace} />
          ))}
          <JarTable state={state} units={units} />
        </div>
        <div>
          <dl
            className="facts"
            style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', margin: '0 0 20px' }}
          >
            {facts.map(([label, value]) => (
              <div key={label} className="fact">
                <dt className="label">{label}</dt>
                <dd className="value" style={{ margin: 0 }}>
                  {value}
                </dd>
              </div>
            ))}
          </dl>
          {(state.notes.length > 0 || state.tasting?.text || state.finished?.reason) && (
            <section aria-label="Notes" style={{ marginBottom: 20 }}>
              <h2 style={{ marginBottom: 6 }}>Notes</h2>
              {[...state.notes.map((n) => n.text), state.tasting?.text, state.finished?.reason]
                .filter(Boolean)
                .map((text) => (
                  <p key={text}>{text}</p>
                ))}
            </section>
          )}
          {state.plan.milk.lots && (
            <p className="quiet" style={{ marginBottom: 16 }}>
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
          <p className="quiet" style={{ marginTop: 16 }}>
            A record, not a certificate. Selling milk products is regulated: follow your local rules and your
            licence.
          </p>
        </div>
      </div>
    </>
  );
}
