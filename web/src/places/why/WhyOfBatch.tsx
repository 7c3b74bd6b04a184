import '../../parts/fields/form-styles.ts';
import {
  COMPLAINT_IDS,
  complaintKnown,
  FAULTS_TOLD,
  faultyKindsOf,
  MINUTE_MS,
  told,
  type ClueId,
  type ComplaintId,
  type MakeState,
  type Suspect,
} from '@morning-crock/core';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useNow } from '../../data/clock.ts';
import { useMakesQuery } from '../../data/api.ts';
import { record } from '../../data/store.ts';
import type { OneMake } from '../../data/use-make.ts';
import { AlikeBut } from './AlikeBut.tsx';
import { ComplaintChoice } from './ComplaintChoice.tsx';
import { WhyFace } from './WhyFace.tsx';

/** What went wrong is not another thing each minute. */
const EVERY_MS = 15 * MINUTE_MS;

/** What went wrong with a batch of the kitchen: complaint, answers and what it was are kept in its log. */
export function WhyOfBatch({ make, state }: { readonly make: OneMake; readonly state: MakeState }) {
  const [search, setSearch] = useSearchParams();
  const faults = useMemo(() => told(state, FAULTS_TOLD), [state]);
  const nowMs = Math.ceil(useNow(MINUTE_MS) / EVERY_MS) * EVERY_MS - EVERY_MS;
  const last = make.events.reduce((most, { at }) => Math.max(most, Date.parse(at)), 0);
  const asked = search.get('complaint');
  const complaint: ComplaintId | null = COMPLAINT_IDS.find((id) => id === asked) ?? complaintKnown(state);
  const fault = complaint === null ? undefined : faults.get(complaint);
  const answers = fault?.answers ?? {};
  const settled: Suspect | undefined =
    fault?.settled == null ? undefined : fault.settled === 'none' ? null : fault.settled;
  const { data: makes } = useMakesQuery();
  // What the same complaint turned out to be in other batches of this kitchen.
  const before = useMemo(
    () =>
      (makes ?? []).flatMap(({ id, faults: known = [] }) =>
        id === state.id
          ? []
          : known.flatMap((one): Suspect[] =>
              one.complaint === complaint ? [one.settled === 'none' ? null : one.settled] : [],
            ),
      ),
    [makes, state.id, complaint],
  );
  const say = (more: { answers?: typeof answers; settled?: Suspect }): void => {
    if (complaint === null) return;
    const said = 'settled' in more ? more.settled : settled;
    void record(state.id, 'fault-told', {
      complaint,
      answers: more.answers ?? answers,
      settled: said === undefined ? null : (said ?? 'none'),
    });
  };
  return (
    <div className="why-place">
      <div className="make-head">
        <h1>What went wrong?</h1>
        <Link to={state.finished ? `/daybook/${state.id}` : `/makes/${state.id}`}>{state.plan.name}</Link>
      </div>
      <ComplaintChoice
        kinds={faultyKindsOf(state.plan)}
        complaint={complaint}
        onComplaint={(id) => setSearch({ complaint: id }, { replace: true })}
      />
      {complaint !== null && (
        <WhyFace
          beside={state.finished ? <AlikeBut makeId={state.id} /> : null}
          key={complaint}
          state={state}
          events={make.events}
          complaint={complaint}
          answers={answers}
          settled={settled}
          before={before}
          // Never before what was entered last.
          nowMs={Math.max(nowMs, last)}
          entered
          onAnswer={(clue: ClueId, answer) => say({ answers: { ...answers, [clue]: answer } })}
          onTaken={({ type, data }) => void record(state.id, type, data)}
          onSettle={(cause) => say({ settled: cause })}
          onForget={() =>
            say({ answers: Object.fromEntries(Object.entries(answers).slice(0, -1)) as typeof answers })
          }
        />
      )}
    </div>
  );
}
