import {
  churnName,
  churnWindowC,
  creamIn,
  formatMinutes,
  fromCelsius,
  heatTradeOff,
} from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { scaleLinear, scaleLog } from 'd3-scale';
import { useMemo } from 'react';
import { useMakesQuery } from '../../../data/api.ts';
import { useUnits } from '../../../data/use-units.ts';
import { stepOf } from '../../../parts/words/method-step.ts';
import './trade-off.css';

const HEATS_C = Array.from({ length: 29 }, (_, i) => 6 + i / 2);
const [LEFT, RIGHT] = [44, 392];
const MINUTES = { top: 16, base: 128 } as const;
const LOST = { top: 156, base: 226 } as const;
const TICKS_MIN = [5, 15, 45, 135];
const TICKS_C = [6, 10, 14, 18];
const x = scaleLinear([6, 20], [LEFT, RIGHT]).clamp(true);
const yMin = scaleLog([3, 240], [MINUTES.base, MINUTES.top]).clamp(true);
const path = (points: readonly (readonly [number, number])[]): string =>
  points.map(([px, py], i) => `${i === 0 ? 'M' : 'L'}${px.toFixed(1)} ${py.toFixed(1)}`).join(' ');

/** What is won and lost by churning warmer: minutes against fat left behind, with the kitchen's own churnings on it. */
export function TradeOff({ plan }: { readonly plan: MakePlan }) {
  const units = useUnits();
  const { data = [] } = useMakesQuery();
  const churn = stepOf(plan, 'churn');
  const temper = stepOf(plan, 'temper');
  const choices = useMemo(
    () =>
      churn
        ? heatTradeOff(creamIn(plan, { step: churn }, HEATS_C[0]!, Date.parse(plan.startAt)), HEATS_C)
        : [],
    [plan, churn],
  );
  if (!churn || !temper || choices.length === 0) return null;
  const chosen = choices.reduce((best, c) =>
    Math.abs(c.startC - temper.toC) < Math.abs(best.startC - temper.toC) ? c : best,
  );
  const name = churnName(plan);
  const own = data.flatMap(({ churned }) =>
    churned && churned.churn === name && churned.startC !== null
      ? [{ startC: churned.startC, minutes: churned.minutes }]
      : [],
  );
  const most = Math.max(0.02, ...choices.map((c) => c.lostFraction));
  const yLost = scaleLinear([0, most], [LOST.base, LOST.top]);
  const [low, high] = churnWindowC(plan.milk);
  const at = x(temper.toC);
  const beyond = at > (LEFT + RIGHT) / 2;
  const percent = `${(chosen.lostFraction * 100).toFixed(1)} %`;
  return (
    <figure className="trade-off">
      <figcaption>
        Warmer cream churns faster, but gives softer butter and loses more fat.
        {own.length > 0 && <span className="quiet"> Dots show your own batches in this churn.</span>}
      </figcaption>
      <svg
        viewBox="0 0 400 252"
        role="img"
        aria-label={`At ${units.temperature(temper.toC)}, about ${formatMinutes(chosen.minutes)} of churning, ${percent} of the fat lost, ${chosen.softness} butter`}
      >
        <rect
          x={x(low)}
          width={x(high) - x(low)}
          y={MINUTES.top - 8}
          height={LOST.base - MINUTES.top + 8}
          className="window"
        />
        <path
          className="reach"
          d={`${path(choices.map((c) => [x(c.startC), yMin(c.toMin)]))} ${path(
            [...choices].reverse().map((c) => [x(c.startC), yMin(c.fromMin)]),
          ).replace('M', 'L')} Z`}
        />
        <path className="line" d={path(choices.map((c) => [x(c.startC), yMin(c.minutes)]))} />
        <path className="line lost" d={path(choices.map((c) => [x(c.startC), yLost(c.lostFraction)]))} />
        {TICKS_MIN.map((minutes) => (
          <text key={minutes} x={LEFT - 6} y={yMin(minutes) + 5} textAnchor="end">
            {minutes}
          </text>
        ))}
        <text x={LEFT - 6} y={LOST.base + 4} textAnchor="end">
          0
        </text>
        <text x={LEFT - 6} y={LOST.top + 8} textAnchor="end">
          {(most * 100).toFixed(0)} %
        </text>
        <text x={RIGHT} y={MINUTES.top + 6} textAnchor="end" className="name">
          minutes
        </text>
        <text x={LEFT + 6} y={LOST.top + 8} className="name">
          fat lost to buttermilk
        </text>
        {TICKS_C.map((celsius) => (
          <text key={celsius} x={x(celsius)} y="246" textAnchor="middle">
            {Math.round(fromCelsius(celsius, units.temperatureUnit))} °{units.temperatureUnit}
          </text>
        ))}
        {own.map((dot, i) => (
          <circle key={i} cx={x(dot.startC)} cy={yMin(dot.minutes)} r="5" className="own" />
        ))}
        <line x1={at} x2={at} y1={MINUTES.top - 8} y2={LOST.base} className="chosen" />
        <circle cx={at} cy={yMin(chosen.minutes)} r="5" className="at" />
        <circle cx={at} cy={yLost(chosen.lostFraction)} r="5" className="at" />
        <text
          x={beyond ? at - 10 : at + 10}
          y={yMin(chosen.minutes) - 8}
          textAnchor={beyond ? 'end' : 'start'}
          className="told"
        >
          {formatMinutes(chosen.minutes)}, {chosen.softness}
        </text>
        <text
          x={beyond ? at - 10 : at + 10}
          y={yLost(chosen.lostFraction) - 8}
          textAnchor={beyond ? 'end' : 'start'}
          className="told"
        >
          {percent}
        </text>
      </svg>
    </figure>
  );
}
