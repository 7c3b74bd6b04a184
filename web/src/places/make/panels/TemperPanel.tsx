import { churnWindowC, fromCelsius, interpolateLinear, overdueSince } from '@morning-crock/core';
import { scaleLinear } from 'd3-scale';
import { useUnits } from '../../../data/use-units.ts';
import type { PanelProps } from './panel.ts';
import './panels.css';

const TOP_C = 26;
const PX_PER_C = 11;
const BASE_PX = 310;
/** As far apart lines of its text stand. */
const LINE_PX = 24;
const y = scaleLinear([0, TOP_C], [BASE_PX, BASE_PX - TOP_C * PX_PER_C]).clamp(true);

/** The jar of cream beside the heats it may be churned at, and when it is there. */
export function TemperPanel({ live, nowMs }: PanelProps) {
  const units = useUnits();
  const { state, forecast } = live;
  const step = state.steps.find((s) => s.step.instance.kind === 'temper')?.step;
  if (step?.instance.kind !== 'temper') return null;
  const { toC } = step.instance;
  const [low, high] = churnWindowC(state.plan.milk);
  const course = forecast.point.temperature;
  const nowC = interpolateLinear(
    course.map(([ms]) => ms),
    course.map(([, c]) => c),
    nowMs,
  );
  const time = forecast.point.steps.find((s) => s.id === step.id);
  const first = forecast.point.steps[0];
  // Overdue it was there long ago, and has gone on since.
  const sinceMs = state.current?.step.id === step.id ? overdueSince(state, nowMs) : null;
  // The two labels never lie upon each other: what is measured gives way to where it is wanted.
  const wantedPx = (y(low) + y(high)) / 2 + 6;
  const asMeasuredPx = y(nowC) + 6;
  const nowPx =
    Math.abs(asMeasuredPx - wantedPx) >= LINE_PX
      ? asMeasuredPx
      : wantedPx + (nowC > (low + high) / 2 ? -LINE_PX : LINE_PX);
  const waiting = state.current?.step.facts.inThePot === 'cream';
  return (
    <section
      className="temper-panel"
      aria-label={`Cream at about ${units.temperature(nowC)}, target ${units.temperature(toC)}. Churns well at ${units.temperature(low)}–${units.temperature(high)}.`}
    >
      <svg viewBox="0 0 360 340" aria-hidden="true" className="temper-drawing">
        <path
          d="M62 60 h96 v14 q16 10 16 34 V300 q0 18 -18 18 H64 q-18 0 -18 -18 V108 q0 -24 16 -34 z"
          fill="var(--glaze-hi)"
          stroke="var(--ink)"
          strokeWidth="3"
        />
        <path
          d="M56 132 q54 -8 108 0 V296 q0 12 -12 12 H68 q-12 0 -12 -12 z"
          fill="var(--milk)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <rect
          x="226"
          y={y(high)}
          width="26"
          height={y(low) - y(high)}
          fill="var(--butter)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <line x1="226" x2="226" y1={y(0)} y2={y(TOP_C)} stroke="var(--ink)" strokeWidth="2.5" />
        {[0, 5, 10, 15, 20, 25].map((c) => (
          <g key={c}>
            <line x1="220" x2="226" y1={y(c)} y2={y(c)} stroke="var(--ink)" strokeWidth="2" />
            <text x="214" y={y(c) + 6} textAnchor="end" fontSize="16" fill="var(--quiet)">
              {Math.round(fromCelsius(c, units.temperatureUnit))}
            </text>
          </g>
        ))}
        <text x="260" y={wantedPx} fontSize="17" fill="var(--ink)">
          churn here
        </text>
        <path d={`M226 ${y(nowC)} l16 -9 v18 z`} fill="var(--clay)" stroke="var(--ink)" strokeWidth="1.5" />
        <text x="248" y={nowPx} fontSize="18" fill="var(--clay)">
          about {units.temperature(nowC)}
        </text>
      </svg>
      <div className="churn-minutes">
        {waiting && first ? (
          <>
            <p className="quiet">Take cream out</p>
            <div className="number temper-big">{units.time(first.startMs, nowMs)}</div>
          </>
        ) : (
          <>
            <p className="quiet">
              {units.temperature(toC)} {sinceMs === null ? 'about' : 'since about'}
            </p>
            <div className="number temper-big">
              {time ? (time.endless ? 'never' : units.time(sinceMs ?? time.endMs, nowMs)) : '–'}
            </div>
          </>
        )}
        {waiting && time && (
          <p>
            Reaches {units.temperature(toC)} about {units.time(time.endMs, nowMs)}
          </p>
        )}
        {state.temperatures.length === 0 && (
          <p className="quiet">Estimated. Stir, then measure to be sure.</p>
        )}
      </div>
    </section>
  );
}
