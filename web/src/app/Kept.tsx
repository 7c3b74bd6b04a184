import { Button } from '@mantine/core';
import { dropRefused, useAppSelector } from './store.ts';

/** Says what is kept on this device and what the server refused, with what to do. */
export function Kept() {
  const { entries, reachable } = useAppSelector((s) => s.outbox);
  const refused = entries.filter((e) => e.refused);
  const waiting = entries.length - refused.length;
  if (reachable && refused.length === 0) return null;
  return (
    <div className="kept-strip">
      {!reachable && (
        <div className="banner" role="status">
          <strong>Kept here</strong>
          <span>
            The kitchen’s server does not answer. {waiting} {waiting === 1 ? 'entry is' : 'entries are'} safe
            on this device and will be sent by {waiting === 1 ? 'itself' : 'themselves'}. Go on working.
          </span>
        </div>
      )}
      {refused.map(({ draft, refused: error }) => (
        <div key={draft.id} className="banner" role="alert">
          <strong className="danger">Not taken</strong>
          <span>
            {error?.message} {error?.details.map((d) => d.message).join('; ')}. {error?.next}
          </span>
          <Button variant="default" onClick={() => void dropRefused(draft.id)}>
            Take it away
          </Button>
        </div>
      ))}
    </div>
  );
}
