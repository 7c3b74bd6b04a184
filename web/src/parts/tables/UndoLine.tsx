import { undoTarget, type LoggedEvent } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useCallback } from 'react';
import { deviceId } from '../../data/device.ts';
import { useKeys } from '../keys/use-keys.ts';
import { record, useAppSelector } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { entryWords } from '../words/entry-words.ts';

/** This tablet's latest entry with its undo, until the next one. */
export function UndoLine({
  makeId,
  events,
}: {
  readonly makeId: string;
  readonly events: readonly LoggedEvent[];
}) {
  const units = useUnits();
  const pending = useAppSelector((s) => s.outbox.entries);
  const target = undoTarget(events, deviceId());
  const undo = useCallback((): void => {
    if (target) void record(makeId, 'voided', { target: target.id });
  }, [makeId, target]);
  useKeys((key) => {
    if (key === 'u') undo();
  });
  return (
    <div className="undo-line" role="status">
      {target ? (
        <>
          <span>
            {entryWords(target, units)}
            {pending.some((p) => p.draft.id === target.id) ? ' · waiting to send' : ' · saved'}
          </span>
          <Button variant="subtle" onClick={undo}>
            Undo
          </Button>
        </>
      ) : (
        <span>Nothing to undo on this tablet</span>
      )}
    </div>
  );
}
