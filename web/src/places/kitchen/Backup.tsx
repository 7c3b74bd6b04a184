import { Button, FileButton } from '@mantine/core';
import { useRef, useState } from 'react';
import { errorWords, useRestoreKitchenMutation } from '../../api/api.ts';

/** The whole kitchen as one file, and back into an empty one. */
export function Backup() {
  const [restore, { isLoading }] = useRestoreKitchenMutation();
  /** The same file may be chosen again: the browser must forget that it was. */
  const reset = useRef<() => void>(null);
  const [said, setSaid] = useState<{ text: string; bad: boolean } | null>(null);
  const take = async (file: File | null): Promise<void> => {
    if (!file) return;
    let content: unknown;
    try {
      content = JSON.parse(await file.text());
    } catch {
      setSaid({ text: `“${file.name}” is not a readable kitchen file. Nothing was changed.`, bad: true });
      return;
    }
    try {
      const { makes, events, rows } = await restore(content).unwrap();
      setSaid({ text: `Restored: ${makes} makes, ${events} entries, ${rows} rows of loggers.`, bad: false });
    } catch (error) {
      setSaid({ text: errorWords(error), bad: true });
    }
  };
  return (
    <section className="section" aria-labelledby="backup">
      <h2 id="backup">Back-up</h2>
      <p className="quiet">
        Every make, reading and setting in one open file. It goes back into an empty kitchen.
      </p>
      <div className="field-row">
        <Button component="a" href="/api/backup" download="kitchen.json" variant="default">
          Save the kitchen
        </Button>
        <FileButton
          resetRef={reset}
          accept="application/json,.json"
          onChange={(file) => {
            reset.current?.();
            void take(file);
          }}
        >
          {(props) => (
            <Button {...props} variant="default" loading={isLoading}>
              Restore
            </Button>
          )}
        </FileButton>
      </div>
      {said && (
        <p role={said.bad ? 'alert' : 'status'} className={said.bad ? 'field-error' : ''}>
          {said.text}
        </p>
      )}
    </section>
  );
}
