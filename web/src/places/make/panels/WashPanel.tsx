import { formatMinutes, serumLeftIn, MINUTE_MS, CHURN_TOLD, WASH_TOLD, told } from '@morning-crock/core';
import { useUnits } from '../../../data/use-units.ts';
import type { PanelProps } from './panel.ts';
import './panels.css';

/** The bowl: its water as cloudy as what is left in the butter, a drop for each wash. */
export function WashPanel({ live, nowMs }: PanelProps) {
  const units = useUnits();
  const { state } = live;
  const step = state.steps.find((s) => s.step.instance.kind === 'wash')?.step;
  if (!step) return null;
  const washes = told(state, WASH_TOLD).rinses.length;
  const planned = step.instance.kind === 'wash' ? step.instance.washes : 1;
  const left = serumLeftIn(state);
  const laid = told(state, CHURN_TOLD).iced;
  const iced = laid && laid.toMs > nowMs ? laid : null;
  const clear = told(state, WASH_TOLD).rinses.at(-1)?.clear === true;
  const cloud = clear ? 0.05 : Math.max(0.05, left);
  return (
    <section
      className="temper-panel"
      aria-label={`${washes} ${washes === 1 ? 'wash' : 'washes'}. About ${Math.round(left * 100)} % of the buttermilk is left${clear ? ', the water ran clear' : ''}`}
    >
      <svg viewBox="0 0 380 300" aria-hidden="true" className="wash-drawing">
        <path
          d="M30 110 H350 Q340 280 190 280 Q40 280 30 110 Z"
          fill="var(--glaze-hi)"
          stroke="var(--ink)"
          strokeWidth="3"
        />
        <path
          d="M44 140 Q190 128 336 140 Q318 266 190 266 Q62 266 44 140 Z"
          fill="var(--brush)"
          opacity="0.25"
        />
        <path
          d="M44 140 Q190 128 336 140 Q318 266 190 266 Q62 266 44 140 Z"
          fill="var(--milk)"
          opacity={cloud}
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        <path
          d="M112 216 q6 -52 66 -50 q30 -16 56 8 q40 2 34 46 q-70 26 -156 -4 z"
          fill="var(--butter)"
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
        <g fill="none" stroke="var(--brush)" strokeWidth="4" strokeLinecap="round">
          <path d="M48 122 l8 10 M64 122 l8 10 M80 122 l8 10 M292 122 l8 10 M308 122 l8 10 M324 122 l8 10" />
        </g>
        {Array.from({ length: Math.max(washes, planned) }, (_, i) => (
          <path
            key={i}
            d={`M${40 + i * 36} 30 q16 22 0 34 q-16 -12 0 -34 z`}
            fill={i < washes ? 'var(--brush)' : 'none'}
            stroke="var(--ink)"
            strokeWidth="2"
          />
        ))}
      </svg>
      <div className="churn-minutes">
        <div className="number temper-big">
          {washes} <small>{washes === 1 ? 'wash' : 'washes'}</small>
        </div>
        <p>
          about <strong className="number">{Math.round(left * 100)} %</strong> of the buttermilk left in the
          butter
        </p>
        {iced && (
          <p role="status">
            In iced water until <strong className="number">{units.time(iced.toMs, nowMs)}</strong>, about{' '}
            {formatMinutes((iced.toMs - nowMs) / MINUTE_MS)} more
          </p>
        )}
        <p className="quiet">
          {clear
            ? 'The water ran clear. That is enough.'
            : left <= 0.03
              ? 'Washed enough to keep. Go by the water and stop when it runs clear.'
              : 'Wash until the water runs clear. Butter with 3 % or less left keeps.'}
        </p>
      </div>
    </section>
  );
}
