import { drainingNow, formatMinutes } from '@morning-crock/core';
import { useUnits } from '../../../data/use-units.ts';
import type { PanelProps } from './panel.ts';
import './panels.css';

/** The hung cloth: how full, what has dripped, and the mark where it is thick enough. */
export function DrainPanel({ live, nowMs }: PanelProps) {
  const units = useUnits();
  const { state, forecast } = live;
  const drain = drainingNow(state, forecast.point.denatured, nowMs);
  if (!drain) return null;
  const { now, target, startKg, thickMs, backKg } = drain;
  const value = target.of === 'protein' ? now.proteinFraction : now.fatFraction;
  const percent = (share: number): string => `${(share * 100).toFixed(share < 0.1 ? 1 : 0)} %`;
  const leftMin = thickMs === null ? null : (thickMs[1] - nowMs) / 60_000;
  const tooFar = value > target.fraction * 1.04;
  const thick = !tooFar && value >= target.fraction * 0.97;
  const left = now.curdKg / startKg;
  const markAt = 1 - drain.wheyToCatchKg / startKg;
  /** Height of the bag for a share that is left. */
  const bagPx = (share: number): number => 60 + 130 * share;
  const whey = Math.min(1, now.wheyKg / startKg);
  return (
    <section
      className="temper-panel"
      aria-label={`About ${percent(value)} ${target.of}, to ${percent(target.fraction)}; about ${units.mass(now.wheyKg)} of whey is off`}
    >
      <svg viewBox="0 0 300 340" aria-hidden="true" className="temper-drawing">
        <path d="M40 26 H260" stroke="var(--ink)" strokeWidth="6" strokeLinecap="round" />
        <path
          d={`M150 26 V48 M150 48 q-14 8 -22 26 q-44 30 -44 ${bagPx(left) - 40} q0 48 66 48 q66 0 66 -48 q0 ${-(bagPx(left) - 70)} -44 ${-(bagPx(left) - 70) * 0 - 56} q-8 -18 -22 -26`}
          fill="var(--glaze-hi)"
          stroke="var(--ink)"
          strokeWidth="3"
          strokeLinejoin="round"
        />
        <path
          d={`M84 ${60 + bagPx(markAt)} H216`}
          stroke="var(--brush)"
          strokeWidth="4"
          strokeDasharray="8 7"
          strokeLinecap="round"
        />
        {state.current?.step.facts.tells === 'drips' && (
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
              Stir about <strong className="number">{units.mass(backKg)}</strong> of its own whey back, a
              little at a time.
            </p>
          </>
        ) : thick ? (
          <div className="number temper-big">thick enough</div>
        ) : leftMin === null ? (
          <>
            <div className="number temper-big">not like this</div>
            <p>Its whey does not run that far by itself: take it as it is, or lay a weight on it.</p>
          </>
        ) : (
          <>
            <div className="number temper-big">
              {leftMin > 1 ? formatMinutes(leftMin) : 'look now'} <small>{leftMin > 1 ? 'to go' : ''}</small>
            </div>
            <p>
              stop between <strong className="number">{units.span(thickMs![0], thickMs![2], nowMs)}</strong>
            </p>
          </>
        )}
        <p>
          about <strong className="number">{percent(value)}</strong> {target.of} now, to{' '}
          <span className="number">{percent(target.fraction)}</span>
        </p>
        <p className="quiet">
          <span className="number">{units.mass(now.curdKg)}</span> in the cloth,{' '}
          <span className="number">{units.mass(now.wheyKg)}</span> of whey off
          {drain.weighed ? ', by your weighing' : ', about'}. A bowl for{' '}
          <span className="number">{units.aboutVolume(drain.wheyToCatchKg)}</span> catches it all.
        </p>
        {drain.returnedKg > 0 && (
          <p role="status">
            <span className="number">{units.mass(drain.returnedKg)}</span> of whey is back in it.
          </p>
        )}
      </div>
    </section>
  );
}
