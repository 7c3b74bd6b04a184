import { formatMinutes, fromCelsius } from '@morning-crock/core';
import type { Churned, MakeSummary } from '@morning-crock/core/contract';
import { scaleLinear, scaleLog } from 'd3-scale';
import { Link } from 'react-router';
import { useUnits } from '../../data/use-units.ts';
import './churnings.css';

/** A make that was churned. */
type Churning = MakeSummary & { readonly churned: Churned };
export const churningsOf = (makes: readonly MakeSummary[]): Churning[] =>
  makes.filter((make): make is Churning => make.churned !== null);

const [LEFT, RIGHT] = [62, 420];
const [TOP, BASE] = [14, 168];
const x = scaleLinear([6, 20], [LEFT, RIGHT]).clamp(true);
const yMin = scaleLog([4, 240], [BASE, TOP]).clamp(true);
const TICKS_C = [6, 10, 14, 18];

/** One picture of all churnings against the heat they were begun at, each with the month it was. */
function Against(props: {
  readonly title: string;
  readonly churnings: readonly Churning[];
  readonly value: (of: Churned) => number | null;
  readonly y: (value: number) => number;
  readonly ticks: readonly (readonly [number, string])[];
  readonly words: (value: number) => string;
}) {
  const { title, churnings, value, y, ticks, words } = props;
  const units = useUnits();
  const month = (at: string): string =>
    new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' }).format(Date.parse(at));
  const dots = churnings.flatMap(({ id, name, startedAt, churned }) => {
    const v = value(churned);
    return v === null || churned.startC === null
      ? []
      : [{ id, name, month: month(startedAt), startC: churned.startC, v, ripened: churned.ripened }];
  });
  /** Where another dot would stand upon its label, it has none; of two in one place the later has it. */
  const crowded = (dot: (typeof dots)[number]): boolean =>
    dots.some((other, i) => {
      const right = x(other.startC) - x(dot.startC);
      const tie = Math.abs(right) < 1 && i > dots.indexOf(dot);
      return other !== dot && ((right >= 1 && right < 46) || tie) && Math.abs(y(other.v) - y(dot.v)) < 14;
    });
  return (
    <figure>
      <figcaption>{title}</figcaption>
      <svg
        viewBox="0 0 440 204"
        role="img"
        aria-label={`${title}: ${dots
          .map((d) => `${d.month} ${units.temperature(d.startC)}, ${words(d.v)}`)
          .join('; ')}`}
      >
        <path d={`M${LEFT} ${TOP} V${BASE} H${RIGHT}`} className="axis" />
        {ticks.map(([at, label]) => (
          <text key={label} x={LEFT - 8} y={y(at) + 5} textAnchor="end">
            {label}
          </text>
        ))}
        {TICKS_C.map((c) => (
          <text key={c} x={x(c)} y="194" textAnchor="middle">
            {Math.round(fromCelsius(c, units.temperatureUnit))} °{units.temperatureUnit}
          </text>
        ))}
        {dots.map((dot) => (
          <g key={dot.id}>
            {dot.ripened ? (
              <path
                d={`M${x(dot.startC)} ${y(dot.v) - 8} l8 8 l-8 8 l-8 -8 Z`}
                className="dot"
                aria-hidden="true"
              />
            ) : (
              <circle cx={x(dot.startC)} cy={y(dot.v)} r="6" className="dot" />
            )}
            {!crowded(dot) && (
              <text x={x(dot.startC) + 11} y={y(dot.v) + 5}>
                {dot.month}
              </text>
            )}
          </g>
        ))}
      </svg>
    </figure>
  );
}

/** Every churning in a row, and against each other: heat, minutes, what came, where the fat went. */
export function Churnings({ churnings }: { readonly churnings: readonly Churning[] }) {
  const units = useUnits();
  const most = 1.15 * Math.max(0.06, ...churnings.map(({ churned }) => churned.lostFraction ?? 0));
  const yLost = scaleLinear([0, most], [BASE, TOP]);
  return (
    <>
      <div className="churnings">
        <Against
          title="Minutes to break, by starting temperature"
          churnings={churnings}
          value={(c) => c.minutes}
          y={yMin}
          ticks={[
            [10, '10'],
            [30, '30'],
            [90, '90 min'],
          ]}
          words={(v) => formatMinutes(v)}
        />
        <Against
          title="Fat lost, by starting temperature"
          churnings={churnings}
          value={(c) => c.lostFraction}
          y={yLost}
          ticks={[[0, '0'], [0.05, '5 %'], ...(most > 0.11 ? [[0.1, '10 %'] as const] : [])]}
          words={(v) => `${(v * 100).toFixed(1)} %`}
        />
      </div>
      <p className="quiet below-m">Circles: sweet cream. Diamonds: ripened cream.</p>
      <div className="table-box" role="region" aria-label="Churnings" tabIndex={0}>
        <table className="ledger">
          <thead>
            <tr>
              <th>Date</th>
              <th>Batch</th>
              <th className="num">Cream</th>
              <th className="num">Starting temperature</th>
              <th className="num">Time to break</th>
              <th className="num">Forecast</th>
              <th className="num">Butter</th>
              <th className="num">At most</th>
              <th className="num">Fat lost</th>
              <th>Texture (estimated)</th>
            </tr>
          </thead>
          <tbody>
            {churnings.map(({ id, name, startedAt, status, churned: c }) => (
              <tr key={id}>
                <td className="on-one-line">{units.day(Date.parse(startedAt))}</td>
                <td>
                  <Link to={status === 'under-way' ? `/makes/${id}` : `/daybook/${id}`}>{name}</Link>
                </td>
                <td className="num">
                  {units.mass(c.creamKg)}, {(c.fatFraction * 100).toFixed(0)} %
                </td>
                <td className="num">{c.startC === null ? '–' : units.temperature(c.startC)}</td>
                <td className="num">
                  {formatMinutes(c.minutes)}
                  {c.loads > 1 && ` × ${c.loads}`}
                </td>
                <td className="num">{c.forecastMin === null ? '–' : formatMinutes(c.forecastMin)}</td>
                <td className="num">{c.butterKg === null ? '–' : units.mass(c.butterKg)}</td>
                <td className="num">{units.mass(c.possibleKg)}</td>
                <td className="num">
                  {c.lostFraction === null ? '–' : `${(c.lostFraction * 100).toFixed(1)} %`}
                </td>
                <td>{c.softness}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
