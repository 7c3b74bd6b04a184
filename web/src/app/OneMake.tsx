import { Button } from '@mantine/core';
import type { ComponentType } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { choicesOfWaking } from '@morning-crock/core/contract';
import { today, type MakeState } from '@morning-crock/core';
import { liveSlice } from '../data/live-slice.ts';
import type { KeptEntry } from '../data/outbox.ts';
import { refusalWords } from '../data/refusal-words.ts';
import { dropRefused, useAppDispatch } from '../data/store.ts';
import { useMake, type OneMake as Make } from '../data/use-make.ts';
import { EntryLog } from '../parts/tables/EntryLog.tsx';

/** What was typed was refused by the server: why, and how it goes on from there. */
function NotBegun({ make, beginning }: { readonly make: Make; readonly beginning: KeptEntry }) {
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const { refused } = beginning;
  // It may have waited here since before an update.
  const draft = today(beginning.draft);
  if (draft.type !== 'make-started') return null;
  const waking = choicesOfWaking(draft.data.plan);
  /** What was entered after it has nothing to stand on either. */
  const leave = async (to: string): Promise<void> => {
    await navigate(to);
    for (const entry of make.kept) await dropRefused(entry.draft.id);
  };
  return (
    <section className="column reading">
      <h1>{draft.data.plan.name} did not start</h1>
      <p role="alert">{refused && refusalWords(refused)}</p>
      <p>Nothing is lost. Your choices are saved on this device.</p>
      <Button
        h={72}
        onClick={() => {
          if (!waking) {
            dispatch(liveSlice.actions.draftKept(draft.data.plan));
            void leave('/new?draft=1');
          } else {
            dispatch(liveSlice.actions.wakingDraftKept(waking));
            void leave('/cultures/wake');
          }
        }}
      >
        Edit plan
      </Button>
      <Button variant="default" h={56} onClick={() => void leave('/')}>
        Discard batch
      </Button>
    </section>
  );
}

function Unreadable({ id, make }: { readonly id: string; readonly make: Make }) {
  return (
    <section className="column reading">
      <h1>The entries of this batch contradict each other</h1>
      <p role="alert">
        Everything you entered is safe, but one entry does not fit the others. Undo the wrong one, or download
        the entries.
      </p>
      {make.events.length > 0 && <EntryLog streamId={id} events={make.events} />}
      <div className="row">
        <Button component="a" href={`/api/events?stream=${id}&limit=5000`} download="entries.json">
          Download entries
        </Button>
        <Button variant="default" onClick={make.again}>
          Try again
        </Button>
        <Button component={Link} to="/daybook" variant="default">
          Open Daybook
        </Button>
      </div>
    </section>
  );
}

/** What stands at the address of one make: the make, or words and a way on. */
export function OneMake(props: {
  readonly Make: ComponentType<{ readonly make: Make; readonly state: MakeState }>;
}) {
  const { Make } = props;
  const { id = '' } = useParams();
  const make = useMake(id);
  if (make.refused) return <NotBegun make={make} beginning={make.refused} />;
  if (make.state) return <Make make={make} state={make.state} />;
  if (make.failed === 'unreadable') return <Unreadable id={id} make={make} />;
  if (make.failed === 'away')
    return (
      <p role="alert">
        The kitchen’s server is not answering, and this batch has never been opened on this device.{' '}
        <Button variant="default" onClick={make.again}>
          Try again
        </Button>
      </p>
    );
  if (make.failed === 'missing')
    return (
      <p>
        This batch does not exist. <Link to="/">Back to the Bench</Link> or{' '}
        <Link to="/daybook">open the Daybook</Link>
      </p>
    );
  return <p className="quiet">Opening …</p>;
}
