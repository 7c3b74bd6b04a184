import { nextTurn, DAY_MS, CURD_TOLD, told, overdueSince } from '@morning-crock/core';
import { useUnits } from '../../../data/use-units.ts';
import type { PanelProps } from './panel.ts';
import './panels.css';

/** More notches than this cannot be counted at two metres. */
const MOST_NOTCHES = 42;

/** The wheel on its shelf, with the time ahead as notches: past ones are cut deep. */
export function WheelPanel({ live, nowMs }: PanelProps) {
  const units = useUnits();
  const { state, forecast } = live;
  const own = state.current ?? state.steps.findLast(({ status }) => status === 'done');
  const time = forecast.point.steps.find(({ id }) => id === own?.step.id);
  if (!own || !time) return null;
  const turn = nextTurn(state, forecast.point);
  const turned = told(state, CURD_TOLD).turns.filter(({ step }) => step === own.step.id).length;
  const overMs = time.dueMs ?? time.endMs;
  const sinceMs = state.current ? overdueSince(state, nowMs, forecast.point) : null;
  const wholeMs = Math.max(1, overMs - time.startMs);
  const byDays = wholeMs > 3 * DAY_MS;
  const unitMs = byDays ? DAY_MS : 3_600_000;
  const count = Math.max(1, Math.round(wholeMs / unitMs));
  const stride = Math.ceil(count / MOST_NOTCHES);
  const notches = Math.ceil(count / stride);
  const past = (nowMs - time.startMs) / (stride * unitMs);
  const leftMs = time.endMs - nowMs;
  const left = Math.max(0, Math.round(leftMs / unitMs));
  const pressing = own.step.instance.kind === 'press' && own.step.instance.weightKg > 0;
  const brining = own.step.instance.kind === 'brine';
  return (
    <section
      className="temper-panel"
      aria-label={`${own.step.title}: ${sinceMs === null ? `${left} ${byDays ? 'days' : 'hours'} to go` : 'done'}, turned ${turned} times`}
    >
      <svg viewBox="0 0 400 300" aria-hidden="true" className="wheel-drawing">
        {brining && (
          <path
            d="M70 96 H330 V232 H70 Z"
            fill="var(--brush)"
            opacity="0.25"
            stroke="var(--ink)"
            strokeWidth="3"
          />
        )}
        {pressing && (
          <>
            <path d="M120 92 H280 V112 H120 Z" fill="var(--glaze-lo)" stroke="var(--ink)" strokeWidth="3" />
            <path
              d="M160 30 H240 L256 92 H144 Z"
              fill="var(--glaze-hi)"
              stroke="var(--ink)"
              strokeWidth="3"
            />
            <path d="M182 30 q18 -22 36 0" fill="none" stroke="var(--ink)" strokeWidth="4" />
          </>
        )}
        <path
          d="M110 138 V206 Q200 240 290 206 V138 Z"
          fill="var(--butter)"
          stroke="var(--ink)"
          strokeWidth="3"
        />
        <ellipse cx="200" cy="138" rx="90" ry="26" fill="var(--milk)" stroke="var(--ink)" strokeWidth="3" />
        {/* A brushed dot goes under with each turn and comes up again with the next. */}
        <circle cx="170" cy={turned % 2 === 0 ? 136 : 214} r="7" fill="var(--brush)" />
        <path d="M20 240 H380" stroke="var(--ink)" strokeWidth="8" strokeLinecap="round" />
        <g stroke="var(--ink)" strokeLinecap="round">
          {Array.from({ length: notches }, (_, i) => (
            <path
              key={i}
              d={`M${30 + (340 * (i + 0.5)) / notches} 252 v${i < past ? 24 : 12}`}
              strokeWidth={i < past ? 5 : 2}
              stroke={i < past ? 'var(--ink)' : 'var(--brush)'}
            />
          ))}
        </g>
      </svg>
      <div className="churn-minutes">
        {sinceMs === null ? (
          <>
            <div className="number temper-big">
              {left}{' '}
              <small>{byDays ? (left === 1 ? 'day' : 'days') : left === 1 ? 'hour' : 'hours'} to go</small>
            </div>
            <p>
              until about <strong className="number">{units.time(time.endMs, nowMs)}</strong>
            </p>
          </>
        ) : (
          <>
            <div className="temper-big">done</div>
            <p>
              since about <strong className="number">{units.time(sinceMs, nowMs)}</strong>
            </p>
          </>
        )}
        {turn && (
          <p>
            {turn.words}{' '}
            <strong className="number">{turn.atMs <= nowMs ? 'now' : units.time(turn.atMs, nowMs)}</strong>{' '}
            <span className="quiet">
              ({turn.no} of {turn.of})
            </span>
          </p>
        )}
        {stride > 1 && (
          <p className="quiet">
            Each notch is {stride} {byDays ? 'days' : 'hours'}.
          </p>
        )}
      </div>
    </section>
  );
}
