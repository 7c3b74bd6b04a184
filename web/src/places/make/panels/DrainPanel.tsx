import { drainingNow, formatMinutes, MINUTE_MS, makeAt } from '@morning-crock/core';
import { useUnits } from '../../../data/use-units.ts';
import type { PanelProps } from './panel.ts';
import './panels.css';

/** The hung cloth: how full, what has dripped, and the mark where it is thick enough. */
export function DrainPanel({ live, nowMs }: PanelProps) {
  const units = useUnits();
  const { state, forecast } = live;
  const drain = drainingNow(makeAt(state, nowMs), forecast.point.denatured);
  if (!drain) return null;
  const { now, target, startKg, thickMs, backKg } = drain;
  const value = target.of === 'protein' ? now.proteinFraction : now.fatFraction;
  const percent = (share: number): string => `${(share * 100).toFixed(share < 0.1 ? 1 : 0)} %`;
  const leftMin = thickMs === null ? null : (thickMs[1] - nowMs) / MINUTE_MS;
  const tooFar = value > target.fraction * 1.04;
  const thick = !tooFar && value >= target.fraction * 0.97;
  const left = now.curdKg / startKg;
  const markAt = 1 - drain.wheyToCatchKg / startKg;
  /** How far down the bag hangs for a share that is left in it. */
  const bagPx = (share: number): number => 118 + 100 * Math.min(1, Math.max(0, share));
  const bottom = bagPx(left);
  const whey = Math.min(1, now.wheyKg / startKg);
  return (
    <section
      className="temper-panel"
      aria-label={`About ${percent(value)} ${target.of} now, target ${percent(target.fraction)}. Whey drained: ${units.mass(now.wheyKg)}.`}
    >
      <svg viewBox="0 0 300 340" aria-hidden="true" className="temper-drawing">
        <path d="M40 26 H260" stroke="var(--ink)" strokeWidth="6" strokeLinecap="round" />
        <path
          d={`M150 26 V48 C122 58 84 96 84 ${bottom - 44} Q84 ${bottom} 150 ${bottom} Q216 ${bottom} 216 ${bottom - 44} C216 96 178 58 150 48 Z`}
          fill="var(--glaze-hi)"
          stroke="var(--ink)"
          strokeWidth="3"
          strokeLinejoin="round"
        />
        <path d="M136 58 q14 8 28 0" fill="none" stroke="var(--ink)" strokeWidth="3" strokeLinecap="round" />
        <path
          d={`M62 ${bagPx(markAt)} H238`}
          stroke="var(--brush)"
          strokeWidth="4"
          strokeDasharray="8 7"
          strokeLinecap="round"
        />
        {state.current?.step.kind === 'strain' && (
          <g fill="var(--butter)" stroke="var(--ink)" strokeWidth="1.5">
            <path d="M150 226 q9 14 0 20 q-9 -6 0 -20 z" />
            <path d="M150 254 q7 11 0 16 q-7 -5 0 -16 z" />
          </g>
        )}
        <path
          d="M70 276 H230 Q226 330 150 330 Q74 330 70 276 Z"
          fill="var(--page)"
          stroke="var(--ink)"
          strokeWidth="3"
        />
        <path
          d={`M${78 + 4 * (1 - whey)} ${322 - 42 * whey} H${222 - 4 * (1 - whey)} Q214 326 150 326 Q86 326 ${78 + 4 * (1 - whey)} ${322 - 42 * whey} Z`}
          fill="var(--butter)"
          opacity="0.75"
        />
      </svg>
      <div className="churn-minutes">
        {tooFar ? (
          <>
            <div className="number temper-big">too thick</div>
            <p>
              Stir about <strong className="number">{units.mass(backKg)}</strong> of the whey back in, a
              little at a time.
            </p>
          </>
        ) : thick ? (
          <div className="number temper-big">thick enough</div>
        ) : leftMin === null ? (
          <>
            <div className="number temper-big">not reached</div>
            <p>The curd will not drain that far by itself. Use it as it is, or press it with a weight.</p>
          </>
        ) : (
          <>
            <div className="number temper-big">{leftMin > 1 ? formatMinutes(leftMin) : 'check now'}</div>
            <p>
              stop between <strong className="number">{units.span(thickMs![0], thickMs![2], nowMs)}</strong>
            </p>
          </>
        )}
        <p>
          about <strong className="number">{percent(value)}</strong> {target.of} now, target{' '}
          <span className="number">{percent(target.fraction)}</span>
        </p>
        <p className="quiet">
          <span className="number">{units.mass(now.curdKg)}</span> in the cloth,{' '}
          <span className="number">{units.mass(now.wheyKg)}</span> of whey drained off
          {drain.weighed ? ', weighed' : ', estimated'}. A bowl of{' '}
          <span className="number">{units.aboutVolume(drain.wheyToCatchKg)}</span> will hold all the whey.
        </p>
        {drain.returnedKg > 0 && (
          <p role="status">
            <span className="number">{units.mass(drain.returnedKg)}</span> of whey stirred back in.
          </p>
        )}
      </div>
    </section>
  );
}
