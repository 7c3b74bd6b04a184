import { formatMinutes, serumLeftIn, MINUTE_MS, CHURN_TOLD, WASH_TOLD, told } from '@morning-crock/core';
import { useUnits } from '../../../data/use-units.ts';
import { BowlDrawing } from '../../../parts/drawings/BowlDrawing.tsx';
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
      <BowlDrawing cloud={cloud} washes={washes} planned={planned} />
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
