import type { Measured } from '@morning-crock/core';
import type { StepInstance } from '@morning-crock/core/contract';
import { useUnits } from '../../data/use-units.ts';
import { durationWords } from './duration-words.ts';
import { MINUTE_MS } from '@morning-crock/core';

/** The steps of a method down a cord: knots are hands, plain cord is waiting, as long as it takes. */
export function MethodCord({
  measured,
  steps,
  label,
}: {
  readonly measured: Measured;
  readonly steps: readonly StepInstance[];
  readonly label: string;
}) {
  const units = useUnits();
  const zero = measured.steps[0]?.startMs ?? 0;
  return (
    <ol className="method-cord" aria-label={label}>
      {measured.steps.map((step) => {
        const minutes = (step.endMs - step.startMs) / MINUTE_MS;
        const waits = minutes > step.handsMin + 1;
        const note = steps.find(({ id }) => id === step.id)?.note;
        return (
          <li key={step.id} className={waits ? 'waits' : 'hands'}>
            <span className={`knot ${step.mustAct ? 'must' : ''}`} aria-hidden="true" />
            <span className="method-step">
              <span>{step.title}</span>
              <span className="number quiet">
                {step.endless
                  ? 'never finishes like this'
                  : waits
                    ? `about ${durationWords(minutes)}`
                    : `${Math.round(step.handsMin)} min hands-on`}
              </span>
              {note && <span className="quiet method-note">{note}</span>}
            </span>
            <span className="number quiet method-at">
              {minutesFrom(zero, step.startMs) < 1
                ? 'start'
                : `+${durationWords(minutesFrom(zero, step.startMs))}`}
            </span>
          </li>
        );
      })}
      <li className="hands">
        <span className="knot end" aria-hidden="true" />
        <span className="method-step">
          <span>
            makes about <strong className="number">{units.mass(measured.outKg)}</strong>
          </span>
          {measured.wheyKg > 0.05 && (
            <span className="quiet number">and {units.mass(measured.wheyKg)} of whey</span>
          )}
        </span>
        <span className="number quiet method-at">{durationWords(measured.hours * 60)}</span>
      </li>
    </ol>
  );
}

const minutesFrom = (zero: number, ms: number): number => (ms - zero) / MINUTE_MS;
