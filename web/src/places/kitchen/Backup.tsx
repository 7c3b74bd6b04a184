import { Button } from '@mantine/core';
import { useRestoreKitchenMutation } from '../../data/api.ts';
import { JsonFile } from '../../parts/JsonFile.tsx';

/** The whole kitchen as one file, and back into an empty one. */
export function Backup() {
  const [restore, { isLoading }] = useRestoreKitchenMutation();
  return (
    <section className="section" aria-labelledby="backup">
      <h2 id="backup">Back-up</h2>
      <p className="quiet">
        Every make, reading and setting in one open file. It goes back into an empty kitchen.
      </p>
      <JsonFile
        label="Restore"
        what="kitchen file"
        loading={isLoading}
        take={async (content) => {
          const { makes, events, rows } = await restore(content).unwrap();
          return `Restored: ${makes} makes, ${events} entries, ${rows} rows of loggers.`;
        }}
        beside={
          <Button component="a" href="/api/backup" download="kitchen.json" variant="default">
            Save the kitchen
          </Button>
        }
      />
    </section>
  );
}
