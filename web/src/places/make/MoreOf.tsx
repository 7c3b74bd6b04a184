import { souringOf, type MakeState } from '@morning-crock/core';
import type { Factor } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { useFactorsQuery } from '../../data/api.ts';
import { record } from '../../data/store.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { WorkBack } from '../../parts/fields/WorkBack.tsx';
import { offerWords } from '../../parts/words/offer-words.ts';

const NOTHING_LEARNED: readonly Factor[] = [];

/** Planning what is left, sums for this make, readings in and out. */
export function MoreOf({ state }: { readonly state: MakeState }) {
  const mayReplan = state.chilledAtMs === null && souringOf(state) !== null;
  const [planning, setPlanning] = useState(false);
  const kitchen = useKitchen();
  const units = useUnits();
  const { data: factors = NOTHING_LEARNED } = useFactorsQuery();
  return (
    <>
      <div className="row">
        {mayReplan && (
          <Button variant="default" aria-expanded={planning} onClick={() => setPlanning(!planning)}>
            Replan batch
          </Button>
        )}
        <Button component={Link} to={`/makes/${state.id}/file`} variant="default">
          Import readings
        </Button>
        <a href={`/api/makes/${state.id}/readings.csv`} download="readings.csv">
          Download CSV
        </a>
        <Link to={`/sums/cool-down?for=${state.id}`}>Tools for this batch</Link>
      </div>
      {planning && mayReplan && (
        <WorkBack
          state={state}
          begun
          kitchen={kitchen}
          factors={factors}
          onTake={(offer) => {
            void record(state.id, 'replanned', {
              ...offer.change,
              why: offerWords(offer, units, offer.startMs),
            });
            setPlanning(false);
          }}
        />
      )}
    </>
  );
}
