import { Button } from '@mantine/core';
import { useRestoreKitchenMutation } from '../../data/api.ts';
import { JsonFile } from '../../parts/print/JsonFile.tsx';

/** The whole kitchen as one file, and back into an empty one. */
export function Backup() {
  const [restore, { isLoading }] = useRestoreKitchenMutation();
  return (
    <section className="section" aria-labelledby="backup">
      <h2 id="backup">Back-up</h2>
      <p className="quiet">
        Every batch, reading and setting in one plain file. Restore the file into an empty kitchen.
      </p>
      <JsonFile
        label="Restore kitchen"
        what="kitchen file"
        loading={isLoading}
        take={async (content) => {
          const { makes, events, rows } = await restore(content).unwrap();
          return `Restored ${makes} ${makes === 1 ? 'batch' : 'batches'}, ${events} ${events === 1 ? 'entry' : 'entries'} and ${rows} logger rows.`;
        }}
        beside={
          <Button component="a" href="/api/backup" download="kitchen.json" variant="default">
            Download back-up
          </Button>
        }
      />
    </section>
  );
}
