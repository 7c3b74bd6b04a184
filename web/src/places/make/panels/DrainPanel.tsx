import { drainingNow, formatMinutes, MINUTE_MS, makeAt } from '@morning-crock/core';
import { useUnits } from '../../../data/use-units.ts';
import { BagDrawing } from '../../../parts/drawings/BagDrawing.tsx';
import type { PanelProps } from './panel.ts';
import './panels.css';

/** A bowl under a cloth has so many times the room of what it catches: it is carried full. */
const BOWL_ROOM = 1.3;

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
  const whey = Math.min(1, now.wheyKg / startKg);
  return (
    <section
      className="temper-panel"
      aria-label={`About ${percent(value)} ${target.of} now, target ${percent(target.fraction)}. Whey drained: ${units.mass(now.wheyKg)}.`}
    >
      <BagDrawing left={left} markAt={markAt} whey={whey} dripping={state.current?.step.kind === 'strain'} />
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
          {drain.weighed ? ', weighed' : ', estimated'}. Use a bowl of{' '}
          <span className="number">{units.aboutVolume(BOWL_ROOM * drain.wheyToCatchKg)}</span> or more for the
          whey.
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
