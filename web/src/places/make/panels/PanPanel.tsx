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
import type { PanelProps } from './panel.ts';
import './panels.css';
import './pan-panel.css';

/** Drops that stand for all the water there was. */
const DROPS = 10;

/** The pan cut open: foam on top, clear fat, solids on the ground; a fire under it until it is taken off. */
function PanDrawing({
  wet,
  climb,
  onFire,
}: {
  readonly wet: number;
  readonly climb: number;
  readonly onFire: boolean;
}) {
  const foam = 6 + 34 * wet;
  const solids = climb < 0.3 ? 'var(--milk)' : climb < 0.9 ? 'var(--butter)' : 'var(--clay)';
  return (
    <svg viewBox="0 0 340 250" className="pan-drawing" aria-hidden="true">
      <path
        d="M40 60 L52 190 Q54 204 68 204 H232 Q246 204 248 190 L260 60 Z"
        fill="var(--butter)"
        opacity={0.55 + 0.45 * (1 - wet)}
      />
      <path
        d={`M42 ${72 - foam / 2} q13 -14 26 0 t26 0 t26 0 t26 0 t26 0 t26 0 t26 0 t26 0 t8 0 V${72 + foam / 2} H42 Z`}
        fill="var(--milk)"
        stroke="var(--line)"
        strokeWidth="1.5"
        opacity={0.25 + 0.75 * wet}
      />
      <g fill={solids} stroke="var(--ink)" strokeWidth="1">
        {[68, 88, 110, 130, 152, 172, 194, 214, 232].map((x, i) => (
          <circle key={x} cx={x} cy={194 - (i % 2) * 7} r="5" />
        ))}
      </g>
      <path
        d="M34 46 L50 190 Q52 208 68 208 H232 Q248 208 250 190 L266 46"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="4"
      />
      <path d="M262 74 H330 V88 H260" fill="var(--glaze-lo)" stroke="var(--ink)" strokeWidth="3" />
      {onFire && (
        <g fill="var(--butter)" stroke="var(--madder)" strokeWidth="2.5">
          {[86, 126, 166, 206].map((x) => (
            <path key={x} d={`M${x} 246 q-14 -14 0 -30 q14 16 0 30 z`} />
          ))}
        </g>
      )}
    </svg>
  );
}

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
