import { souringOf, type MakeState } from '@morning-crock/core';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { record } from '../../data/store.ts';

/** The end of a make: kept, or discarded with why. */
export function Finish({ state }: { readonly state: MakeState }) {
  const [reason, setReason] = useState('');
  const allDone = state.current === null;
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
      {allDone && (
        <Button
          className="great"
          h={72}
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
