import {
  formatMinutes,
  rennetOf,
  rennetWords,
  MINUTE_MS,
  CURD_TOLD,
  told,
  overdueSince,
} from '@morning-crock/core';
import { useUnits } from '../../../data/use-units.ts';
import type { PanelProps } from './panel.ts';
import './panels.css';

/** The knife in the curd: when to try it, and what was tried. */
export function SetPanel({ live, nowMs }: PanelProps) {
  const units = useUnits();
  const { state, forecast } = live;
  const own = state.steps.find(({ step }) => step.kind === 'coagulate');
  const end = forecast.steps.find(({ step }) => step === own?.step.id)?.end;
  if (!own || !end) return null;
  const tries = told(state, CURD_TOLD).tries.filter(({ step }) => step === own.step.id);
  const last = tries.at(-1);
  const clean = own.status === 'done' || last?.clean === true;
  const sinceMs = state.current === own ? overdueSince(state, nowMs, forecast.point) : null;
  const leftMin = end.p50 === null ? null : (end.p50 - nowMs) / MINUTE_MS;
  const rennet = rennetOf(state.plan);
  return (
    <section
      className="temper-panel"
      aria-label={
        clean
          ? 'The curd breaks clean'
          : `Test the curd ${sinceMs === null ? units.span(end.p10, end.p90, nowMs) : 'now'}`
      }
    >
      <svg viewBox="0 0 340 300" aria-hidden="true" className="temper-drawing">
        <path
          d="M30 120 H310 V250 Q310 282 278 282 H62 Q30 282 30 250 Z"
          fill="var(--glaze-hi)"
          stroke="var(--ink)"
          strokeWidth="3"
        />
        <path
          d="M42 150 H298 V248 Q298 270 276 270 H64 Q42 270 42 248 Z"
          fill="var(--milk)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        {clean ? (
          <>
            <path
              d="M150 150 L176 116 L236 132 L214 150 Z"
              fill="var(--milk)"
              stroke="var(--ink)"
              strokeWidth="2.5"
            />
            <path
              d="M150 150 L176 150 L164 214 Z"
              fill="var(--butter)"
              opacity="0.8"
              stroke="var(--ink)"
              strokeWidth="1.5"
            />
          </>
        ) : (
          <path
            d={last ? 'M140 152 q16 12 28 0 t28 2 t28 -4' : 'M140 150 q40 -6 80 0'}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="2.5"
          />
        )}
        <path
          d="M196 44 L300 20 L306 34 L200 66 Z"
          fill="var(--glaze-lo)"
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
        <path
          d="M196 44 L130 132 L142 142 L208 64 Z"
          fill="var(--slip)"
          stroke="var(--ink)"
          strokeWidth="2.5"
          strokeLinejoin="round"
        />
      </svg>
      <div className="churn-minutes">
        <div className="number temper-big">
          {clean ? 'clean' : leftMin === null || leftMin <= 1 ? 'test now' : formatMinutes(leftMin)}
        </div>
        {!clean && (
          <p>
            {sinceMs === null ? (
              <>
                about <strong className="number">{units.span(end.p10, end.p90, nowMs)}</strong>
              </>
            ) : (
              <>
                since about <strong className="number">{units.time(sinceMs, nowMs)}</strong>
              </>
            )}
            {last && `, tested ${tries.length === 1 ? 'once' : `${tries.length} times`}`}
          </p>
        )}
        {rennet && (
          <p className="quiet">
            {rennetWords(state.plan, rennet)} of rennet, {rennet.imcuPerLitre} IMCU per litre
            {rennet.strengthImcu === null && '. Rennet strength is not known, so the time is a rough guess'}.
          </p>
        )}
      </div>
    </section>
  );
}
