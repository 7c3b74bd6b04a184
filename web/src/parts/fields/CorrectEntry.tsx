import { Dialog } from './Dialog.tsx';
import type { LoggedEvent } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import { refusalWords } from '../../data/refusal-words.ts';
import { dropRefused, record, whenSettled } from '../../data/store.ts';
import { DayTimeFields, useDayTime } from '../words/DayTime.tsx';
import { EntryForm } from './EntryForm.tsx';

/** What an entry says after its correction, or what is wrong with a field. */
export type Corrected = { readonly data: Readonly<Record<string, unknown>> } | { readonly fault: string };

/**
 * Corrects an entry, or takes it back: its time, and what the fields inside say. What the server has against it is
 * said here, and what was typed stays.
 */
export function CorrectEntry(props: {
  readonly event: LoggedEvent;
  /** What the entry is. */
  readonly about?: ReactNode;
  readonly corrected: () => Corrected;
  readonly takeBack?: boolean;
  readonly onClose: () => void;
  readonly children?: ReactNode;
}) {
  const { event, about, corrected, takeBack = false, onClose, children } = props;
  const at = useDayTime(Date.parse(event.at));
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const settle = async (entryId: string): Promise<void> => {
    setBusy(true);
    const refused = await whenSettled(entryId);
    setBusy(false);
    if (!refused) return onClose();
    await dropRefused(entryId);
    setFault(refusalWords(refused));
  };
  const save = async (): Promise<void> => {
    const next = corrected();
    if ('fault' in next) return setFault(next.fault);
    setFault(null);
    const id = await record(event.streamId, 'corrected', {
      target: event.id,
      // Said again even when it is unchanged: only the latest correction counts, and an earlier one may have moved it.
      at: at.changed ? new Date(at.atMs).toISOString() : event.at,
      data: { ...next.data },
    });
    if (id !== '') await settle(id);
  };
  return (
    <Dialog onClose={onClose} title="Edit entry">
      <EntryForm label="Edit entry" onEntry={() => void save()}>
        {about}
        {children}
        <DayTimeFields at={at} happened />
        {fault && (
          <p className="field-error" role="alert">
            {fault}
          </p>
        )}
        <p className="quiet">The original entry stays in the record.</p>
        <Button type="submit" h={56} disabled={busy}>
          Save changes
        </Button>
        {takeBack && (
          <Button
            variant="default"
            disabled={busy}
            onClick={() => {
              setFault(null);
              void record(event.streamId, 'voided', { target: event.id }).then((id) =>
                id === '' ? undefined : settle(id),
              );
            }}
          >
            Undo entry
          </Button>
        )}
      </EntryForm>
    </Dialog>
  );
}
