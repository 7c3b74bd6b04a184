import '../../parts/tables/tables.css';
import {
  foldMake,
  formatMinutes,
  goodsIntoMakes,
  type MakeState,
  type TakenGoods,
  MINUTE_MS,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { useMakeQuery } from '../../data/api.ts';
import { useNow } from '../../data/clock.ts';
import { useLarder } from '../../data/use-larder.ts';
import { useUnits } from '../../data/use-units.ts';
import type { Units } from '../../data/units-of.ts';
import { MakeCurve } from '../../charts/MakeCurve.tsx';
import { saveTable } from '../../parts/print/table-file.ts';
import { costFacts } from './cost-facts.ts';
import { together } from './together.ts';
import { recordCurve, recordFacts, verdictOf, type RecordFact } from './record-facts.ts';
import '../../parts/print/paper.css';
import './daybook.css';

const NOTHING = '–';

/** What is laid beside the other: facts first, then how long each step took. */
function rowsOf(state: MakeState, day: string, taken: readonly TakenGoods[], units: Units): RecordFact[] {
  const { plan } = state;
  return [
    ['Date', day],
    ['Result', verdictOf(state)],
    ['Pot', plan.pot.name],
    ['Place', plan.place.name],
    ['Room temperature', units.temperature(plan.roomC)],
    ...recordFacts(state, units),
    ...costFacts(state, taken, units),
    ...state.steps
      .filter(({ step }) => !step.facts.whenever)
      .map(({ step, status, startedAtMs, endedAtMs }): RecordFact => [
        step.title,
        status === 'skipped'
          ? 'skipped'
          : startedAtMs === null || endedAtMs === null
            ? NOTHING
            : formatMinutes(Math.round((endedAtMs - startedAtMs) / MINUTE_MS)),
      ]),
    ['Notes', state.notes.map(({ text }) => text).join(' ')],
  ];
}

function One(props: { readonly state: MakeState; readonly day: string; readonly units: Units }) {
  const { state, day, units } = props;
  const curve = useMemo(() => recordCurve(state, units), [state, units]);
  return (
    <div className="may-shrink">
      <h2>
        <Link to={`/daybook/${state.id}`}>{state.plan.name}</Link>
      </h2>
      <p className="quiet">{day}</p>
      <div className="curve">
        <MakeCurve data={curve} label={`Temperature and pH of ${state.plan.name}, ${day}`} />
      </div>
    </div>
  );
}

/** Two makes side by side: their curves, and all that differs. */
export function Beside() {
  const { id = '', other = '' } = useParams();
  const nowMs = useNow(60_000);
  const units = useUnits();
  const { goods, lines } = useLarder();
  const first = useMakeQuery(id);
  const second = useMakeQuery(other);
  const [a, b] = useMemo(
    () => [first.data ? foldMake(id, first.data) : null, second.data ? foldMake(other, second.data) : null],
    [first.data, second.data, id, other],
  );
  if (first.isError || second.isError)
    return (
      <p className="danger">
        One of these batches cannot be loaded now. Your records are safe. Try again later.
      </p>
    );
  if (!first.data || !second.data) return <p className="quiet">Opening …</p>;
  if (!a || !b)
    return <p className="field-error">One of these records is incomplete and cannot be compared.</p>;
  const dayOf = (state: MakeState): string => units.dayAndYear(state.startedAtMs, nowMs);
  const into = goodsIntoMakes(goods, lines);
  const of = (state: MakeState): RecordFact[] => rowsOf(state, dayOf(state), into.get(state.id) ?? [], units);
  const rows = together(of(a), of(b));
  const names = [a, b].map((state) => `${state.plan.name}, ${dayOf(state)}`);
  return (
    <div className="paper">
      <div className="make-head">
        <h1>Compare batches</h1>
        <Button
          variant="default"
          ml="auto"
          onClick={() => saveTable('side-by-side', ['what', ...names], rows)}
        >
          Download CSV
        </Button>
        <Button variant="default" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <div className="beside below-m">
        <One state={a} day={dayOf(a)} units={units} />
        <One state={b} day={dayOf(b)} units={units} />
      </div>
      <div className="table-box" role="region" aria-label="Comparison" tabIndex={0}>
        <table className="ledger">
          <thead>
            <tr>
              <th>Detail</th>
              {names.map((name, i) => (
                <th key={i}>{name}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(([label, one, two]) => (
              <tr key={label} className={one === two ? '' : 'beside-differs'}>
                <td>{label}</td>
                <td>{one}</td>
                <td>{two}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="quiet above-m">Rows that differ are marked at the edge.</p>
    </div>
  );
}
