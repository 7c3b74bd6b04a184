import {
  GHEE_STAGE_WORDS,
  panNow,
  type GheeStage,
  MINUTE_MS,
  PAN_TOLD,
  makeAt,
  told,
} from '@morning-crock/core';
import { useNow } from '../../../data/clock.ts';
import { useUnits } from '../../../data/use-units.ts';
import { PanDrawing } from '../../../parts/drawings/PanDrawing.tsx';
import type { PanelProps } from './panel.ts';
import './panels.css';
import './pan-panel.css';

/** Drops that stand for all the water there was. */
const DROPS = 10;

/** The pan, the water that is left in it as drops, and when it comes off. */
export function PanPanel({ live }: PanelProps) {
  const units = useUnits();
  const nowMs = useNow(1000);
  const { state } = live;
  const { current } = state;
  const onFire = current?.step.kind === 'clarify';
  const pan = panNow(makeAt(state, nowMs));
  if (!pan) return null;
  const { forecast, minutes, waterLeftKg, startMs } = pan;
  const wet = forecast.waterKg === 0 ? 0 : waterLeftKg / forecast.waterKg;
  const passed = (nowMs - startMs) / MINUTE_MS;
  const dryMin = (forecast.toDryMin / forecast.minutes) * minutes;
  const climb = Math.min(1, Math.max(0, (passed - dryMin) / Math.max(0.1, minutes - dryMin)));
  const left = Math.max(0, minutes - passed);
  const drops = Math.ceil(DROPS * wet - 1e-9);
  const seen: GheeStage | undefined = told(state, PAN_TOLD).stages.at(-1)?.stage;
  const hot = state.temperatures.findLast(({ atMs }) => atMs >= startMs);
  const end = live.forecast.steps.find((s) => s.step === pan.step.step.id)?.end;
  const span = units.span(end?.p10 ?? null, end?.p90 ?? null, nowMs);
  return (
    <section
      className="churn-panel pan-panel"
      aria-label={
        onFire ? `Off the heat ${span}. About ${units.mass(waterLeftKg)} of water left.` : 'Off the heat'
      }
    >
      <PanDrawing wet={onFire ? wet : 0} climb={onFire ? climb : 1} onFire={onFire} />
      <div className="churn-minutes">
        {onFire ? (
          <>
            <p className="quiet">Off the heat in about</p>
            <div className="number churn-big">
              {Math.round(left)} <small>min</small>
            </div>
            <p>
              <strong className="number">{span}</strong>
            </p>
          </>
        ) : (
          <p className="serif larger">Off the heat. Leave the pan to stand. The fat is hot.</p>
        )}
        {onFire && (
          <>
            <svg viewBox={`0 0 ${DROPS * 24} 34`} className="pan-drops" aria-hidden="true">
              {Array.from({ length: DROPS }, (_, i) => (
                <path
                  key={i}
                  d={`M${12 + i * 24} 3 q13 17 0 27 q-13 -10 0 -27 z`}
                  fill={i < drops ? 'var(--brush)' : 'none'}
                  stroke="var(--ink)"
                  strokeWidth="1.6"
                />
              ))}
            </svg>
            <p>
              {wet > 0.01
                ? `about ${units.mass(waterLeftKg)} of water left`
                : 'water boiled off, temperature rising'}
            </p>
            <p className="quiet">
              {hot ? `${units.temperature(hot.celsius)} at ${units.time(hot.atMs, nowMs)}. ` : ''}
              {seen
                ? `Last seen: ${GHEE_STAGE_WORDS[seen]}.`
                : 'Tap what you see, or weigh the pan for a better estimate.'}
            </p>
          </>
        )}
      </div>
    </section>
  );
}
