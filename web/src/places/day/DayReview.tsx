import '../../parts/tables/tables.css';
import { formatMinutes, howItWent, type StepWent } from '@morning-crock/core';
import type { KeptDay } from '@morning-crock/core/contract';
import { useMake } from '../../data/use-make.ts';
import { useUnits } from '../../data/use-units.ts';

/** Nobody calls it late or early below this, min. */
const ON_TIME_MIN = 5;

/** @example lateWords(45) // '45 min later' */
const lateWords = ({ lateMin }: StepWent): string =>
  Math.abs(lateMin) < ON_TIME_MIN
    ? 'on time'
    : `${formatMinutes(Math.abs(lateMin))} ${lateMin > 0 ? 'later' : 'earlier'}`;

/** One batch of the day: what was done of it, planned and real. */
function BatchReview(props: {
  readonly day: KeptDay['day'];
  readonly make: KeptDay['day']['makes'][number];
  readonly nowMs: number;
}) {
  const { day, make, nowMs } = props;
  const units = useUnits();
  const { state } = useMake(make.makeId ?? '');
  const went = state ? howItWent(day, make.id, state) : [];
  if (went.length === 0) return null;
  const last = went.at(-1)!;
  return (
    <tbody>
      <tr>
        <th colSpan={4} scope="rowgroup">
          {make.name}, {lateWords(last)} at the last step done
        </th>
      </tr>
      {went.map((one) => (
        <tr key={one.step}>
          <td>{one.title}</td>
          <td className="num">{units.time(one.plannedMs, nowMs)}</td>
          <td className="num">{units.time(one.doneMs, nowMs)}</td>
          <td className={Math.abs(one.lateMin) < ON_TIME_MIN ? 'quiet' : undefined}>{lateWords(one)}</td>
        </tr>
      ))}
    </tbody>
  );
}

/** How a day went against the schedule it began with, batch by batch. */
export function DayReview({ day, nowMs }: { readonly day: KeptDay['day']; readonly nowMs: number }) {
  return (
    <div className="table-box" role="region" aria-label={`How it went: ${day.name}`} tabIndex={0}>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col">Step</th>
            <th scope="col" className="num">
              Planned
            </th>
            <th scope="col" className="num">
              Done
            </th>
            <th scope="col">Difference</th>
          </tr>
        </thead>
        {day.makes.map((make) => (
          <BatchReview key={make.id} day={day} make={make} nowMs={nowMs} />
        ))}
      </table>
      <p className="quiet">
        Planned: as the schedule stood when the day began. Steps that were left out or are still to do are not
        listed.
      </p>
    </div>
  );
}
