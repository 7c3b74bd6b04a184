import { CAUTIONS, gravestFirst, type CautionId } from '@morning-crock/core';
import { WithTerms } from './WithTerms.tsx';
import './cautions.css';

/** The caution that matters most now in full, the others behind it: four under each other are read by nobody. */
export function Cautions({ ids }: { readonly ids: readonly CautionId[] }) {
  const [first, ...others] = gravestFirst(ids);
  if (first === undefined) return null;
  return (
    <>
      <p className="caution">
        <WithTerms text={CAUTIONS[first]} />
      </p>
      {others.length > 0 && (
        <details className="more-cautions">
          <summary>
            {others.length === 1 ? 'One more caution' : `${others.length} more cautions`} for this step
          </summary>
          {others.map((id) => (
            <p key={id} className="caution">
              {CAUTIONS[id]}
            </p>
          ))}
        </details>
      )}
    </>
  );
}
