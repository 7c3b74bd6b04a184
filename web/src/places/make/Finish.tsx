import { souringOf, type MakeState, waitingFor } from '@morning-crock/core';
import { Button, TextInput } from '@mantine/core';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { record, useAppSelector } from '../../data/store.ts';
import { useDays } from '../../data/use-days.ts';

/** Only where a day is going on. */
const FedByThis = lazy(async () => ({
  default: (await import('../../parts/goods/FedByThis.tsx')).FedByThis,
}));

/** The end of a make: kept, or discarded with why. */
export function Finish({ state }: { readonly state: MakeState }) {
  const [reason, setReason] = useState('');
  const navigate = useNavigate();
  const followed = useAppSelector((s) => s.live.day);
  const going = useDays().find(({ id }) => id === followed?.id);
  const allDone = state.current === null;
  /** Something of the day is to be made from it: that comes first. */
  const waits = going !== undefined && waitingFor(going.day, state.id).length > 0;
  const { current } = state;
  /** Near the end, and nothing put by for the next turn. */
  const keepFirst =
    souringOf(state) !== null &&
    state.reservedKg === null &&
    state.plan.starter.kind !== 'none' &&
    state.inoculatedAtMs !== null &&
    (current === null || (current.step.facts.whenever && current.step.facts.endedBy !== 'reserved'));
  return (
    <div className="column">
      {keepFirst && (
        <p className="caution note">
          No starter is set aside for the next batch. Keep a spoonful before it is all eaten.
        </p>
      )}
      {allDone && waits && (
        <Suspense>
          <FedByThis makeId={state.id} onStarted={(id) => void navigate(`/makes/${id}`)} />
        </Suspense>
      )}
      {allDone && (
        <Button
          className="great"
          h={72}
          variant={waits ? 'default' : 'filled'}
          onClick={() => void record(state.id, 'finished', { verdict: 'kept', reason: '' })}
        >
          Finish batch
        </Button>
      )}
      <details>
        <summary className="unfolds">Finish early or discard</summary>
        <div className="field-row">
          <TextInput
            label="Reason"
            value={reason}
            maxLength={400}
            onChange={(e) => setReason(e.currentTarget.value)}
            flex={1}
          />
          <Button
            variant="default"
            onClick={() => void record(state.id, 'finished', { verdict: 'kept', reason: reason.trim() })}
          >
            Finish batch
          </Button>
          <Button
            color="madder"
            onClick={() => void record(state.id, 'finished', { verdict: 'discarded', reason: reason.trim() })}
          >
            Discard batch
          </Button>
        </div>
      </details>
    </div>
  );
}
