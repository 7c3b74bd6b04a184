import {
  batchOf,
  churnLoads,
  fatBalance,
  formatMinutes,
  likelyKg,
  makeAt,
  MINUTE_MS,
  panNow,
} from '@morning-crock/core';
import type { MakePlan, StepKind } from '@morning-crock/core/contract';
import type { ComponentType } from 'react';
import { useUnits } from '../../../data/use-units.ts';
import type { Planning } from '../use-plan.ts';

interface OutlookProps {
  readonly planning: Planning;
  /** It is being worked out anew. */
  readonly fading: boolean;
}

/** When it breaks, and what it gives: possible by its fat, likely by its heat. */
function Breaks({ planning, fading }: OutlookProps) {
  const { plan, point, band, stale, state } = planning;
  const units = useUnits();
  const zeroMs = Date.parse(plan.startAt);
  const step = state.steps.find((s) => s.step.kind === 'churn')?.step;
  const time = point.steps.find((s) => s.id === step?.id);
  const end = band && !stale ? band.steps.find((s) => s.step === step?.id)?.end : null;
  const balance = fatBalance(makeAt(state, zeroMs));
  const loads = churnLoads(makeAt(state, zeroMs))?.loads ?? [];
  const [first] = loads;
  const several = loads.length > 1 ? loads.length : null;
  if (!time || !balance) return null;
  return (
    <div>
      <div className="quiet">{several ? 'The first load breaks' : 'Breaks'}</div>
      <div className={`band number ${fading ? 'fading' : ''}`}>
        {time.endless
          ? 'not reached'
          : several && first
            ? units.span(first.lowMs, first.highMs, zeroMs)
            : end
              ? units.span(end.p10, end.p90, zeroMs)
              : `about ${units.time(time.endMs, zeroMs)}`}
      </div>
      {several && (
        <p>
          {several} loads of {units.volume(batchOf(plan).litres / several)}. The last breaks about{' '}
          <span className="number">{units.time(time.endMs, zeroMs)}</span>.
        </p>
      )}
      <div className="quiet">
        about {formatMinutes(((first?.endMs ?? time.endMs) - time.startMs) / MINUTE_MS)} of churning
        {several && ' each'}, ending at {units.temperature(balance.breakC)}
      </div>
      <p>
        <strong>About {units.mass(balance.likelyKg)} of butter.</strong>{' '}
        <span className="quiet">
          At most {units.mass(balance.possibleKg)}. The buttermilk will have about{' '}
          {(balance.buttermilkFatFraction * 100).toFixed(1)} % fat.
        </span>
      </p>
    </div>
  );
}

/** When it comes off the fire, and what it gives. */
function Clears({ planning, fading }: OutlookProps) {
  const { plan, point, band, stale, state } = planning;
  const units = useUnits();
  const zeroMs = Date.parse(plan.startAt);
  const step = state.steps.find((s) => s.step.kind === 'clarify')?.step;
  const time = point.steps.find((s) => s.id === step?.id);
  const end = band && !stale ? band.steps.find((s) => s.step === step?.id)?.end : null;
  const gives = likelyKg(state);
  const pan = panNow(makeAt(state, zeroMs));
  if (!time || gives === null || !pan) return null;
  return (
    <div>
      <div className="quiet">Off the heat</div>
      <div className={`band number ${fading ? 'fading' : ''}`}>
        {end ? units.span(end.p10, end.p90, zeroMs) : `about ${units.time(time.endMs, zeroMs)}`}
      </div>
      <div className="quiet">
        about {formatMinutes(pan.minutes)}. Boils after {formatMinutes(pan.forecast.toBoilMin)} at{' '}
        {units.temperature(pan.forecast.boilC)}, water gone after {formatMinutes(pan.forecast.toDryMin)}
      </div>
      <p>
        <strong>About {units.mass(gives)} of ghee</strong>{' '}
        <span className="quiet">from {units.mass(batchOf(plan).massKg)} of butter.</span>
      </p>
    </div>
  );
}

/** A kind of step that decides when a product is there, and how much of it. */
const BY_KIND: Readonly<Partial<Record<StepKind, ComponentType<OutlookProps>>>> = {
  churn: Breaks,
  clarify: Clears,
};

/** What the outlook of a plan begins with because of its steps; `null` where nothing of them decides it. */
export const ownOutlookOf = ({ method }: MakePlan): ComponentType<OutlookProps> | null =>
  method.steps.flatMap(({ kind }) => BY_KIND[kind] ?? [])[0] ?? null;
