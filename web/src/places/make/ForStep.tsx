import { doingOf } from '@morning-crock/core';
import type { LiveMake } from '../../data/use-make.ts';
import { Cautions } from '../../parts/words/Cautions.tsx';
import { WithTerms } from '../../parts/words/WithTerms.tsx';

/** What is to be done in the step a make is at, why, and what to beware of. */
export function ForStep({ live: { state, safety } }: { readonly live: LiveMake }) {
  const step = state.current?.step;
  return (
    <div aria-label="For this step" role="group" className="for-step">
      {step && (
        <p>
          <WithTerms text={doingOf(state)} />{' '}
          <span className="quiet">
            <WithTerms text={step.why} />
          </span>
        </p>
      )}
      {step?.instance.note && (
        <p>
          <strong>Note:</strong> {step.instance.note}
        </p>
      )}
      {safety.verdict !== 'over' && state.inoculatedAtMs !== null && (
        <p className={`caution ${safety.verdict === 'acid' ? 'note' : ''}`}>{safety.text}</p>
      )}
      {step && <Cautions key={step.id} ids={step.cautions} />}
    </div>
  );
}
