import type { MakeState } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { useCallback, useEffect, useMemo, useState, type ComponentType } from 'react';
import { Link, useLocation, useParams, useSearchParams } from 'react-router';
import { practiceFile, type PracticeFile } from '@morning-crock/core/contract';
import { ClockContext, now } from '../../data/clock.ts';
import type { OneMake } from '../../data/use-make.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { PracticeContext, type PracticeSlots } from '../../parts/practice/practice-context.ts';
import { Coach } from './Coach.tsx';
import { HandsBoard } from './HandsBoard.tsx';
import { NowLook } from './NowLook.tsx';
import { PracticeScore } from './PracticeScore.tsx';
import { inDegrees } from './practice-words.ts';
import { Session } from './session.ts';
import { TimeBar } from './TimeBar.tsx';
import { beginMs, numberOf, subjectOf, useOneSession, usePractised, useSessionState } from './use-session.ts';
import './practice.css';

type Make = ComponentType<{ readonly make: OneMake; readonly state: MakeState }>;

/** One batch of a practice, on the same screens as in earnest. */
function PractisedBatch(props: {
  readonly session: Session;
  readonly no: number;
  readonly Make: Make;
  readonly shown: boolean;
}) {
  const { session, no, Make, shown } = props;
  usePractised(session, no);
  const { batches } = useSessionState(session);
  const { events, state } = batches[no]!;
  const step = state.current?.step.id;
  const narrow = useMediaQuery('(max-width: 900px)');
  const [told, setTold] = useState(session.exercise.level === 1);
  const slots = useMemo(
    (): PracticeSlots => ({
      bare: !told,
      // On a phone what is seen comes before what is done.
      look: narrow ? null : <NowLook session={session} no={no} />,
      hands: (
        <>
          <HandsBoard session={session} no={no} />
          <Coach key={step} session={session} no={no} hidden={!told} onForecast={() => setTold(true)} />
        </>
      ),
      end: (
        <Button className="great" h={72} onClick={() => session.end()}>
          See how it went
        </Button>
      ),
    }),
    [session, no, told, narrow, step],
  );
  const make = useMemo(
    (): OneMake => ({
      events,
      shaping: events,
      state,
      unreadable: false,
      kept: [],
      refused: null,
      loading: false,
      failed: null,
      again: () => undefined,
    }),
    [events, state],
  );
  if (!shown) return null;
  return (
    <PracticeContext value={slots}>
      {narrow && <NowLook session={session} no={no} />}
      <Make make={make} state={state} />
    </PracticeContext>
  );
}

function Running({
  session,
  Make,
  onAgain,
}: {
  readonly session: Session;
  readonly Make: Make;
  readonly onAgain: () => void;
}) {
  const units = useUnits();
  const { over, batches, failed } = useSessionState(session);
  const [no, setNo] = useState(0);
  const { exercise } = session;
  const ended = session.ended();
  useEffect(() => {
    if (ended && !over) session.end();
  }, [session, ended, over]);
  const task = (
    <p className="practice-task">
      <strong>{exercise.title}.</strong> {inDegrees(exercise.task, units)}{' '}
      {exercise.batches.map(({ ends }, i) => {
        const step = batches[i]!.state.steps.find(({ step: own }) => own.id === ends)?.step;
        return step ? (
          <span key={i} className="quiet">
            Ends with “{step.doneWords}”.{' '}
          </span>
        ) : null;
      })}
    </p>
  );
  if (over)
    return (
      <div className="practice">
        <div className="practice-head">
          <div className="practice-word">Practice</div>
          {task}
        </div>
        <PracticeScore session={session} onAgain={onAgain} />
      </div>
    );
  return (
    <ClockContext value={session}>
      <div className="practice">
        <TimeBar session={session} no={no} />
        {task}
        {failed && (
          <p className="caution" role="alert">
            This device could not go on with the simulation. End the practice, or try again.{' '}
            <Button variant="default" onClick={onAgain}>
              Try again
            </Button>
          </p>
        )}
        {batches.length > 1 && (
          <div className="hands" role="group" aria-label="Batch">
            {batches.map((batch, i) => (
              <button
                key={batch.id}
                type="button"
                className="hand"
                aria-pressed={i === no}
                onClick={() => setNo(i)}
              >
                {batch.state.plan.name}
              </button>
            ))}
          </div>
        )}
        {batches.map((batch, i) => (
          <PractisedBatch key={batch.id} session={session} no={i} Make={Make} shown={i === no} />
        ))}
      </div>
    </ClockContext>
  );
}

/** What a file brought along, where this address was opened by one. */
function fileOf(state: unknown): PracticeFile | undefined {
  const read = practiceFile.safeParse(
    typeof state === 'object' && state !== null && 'practice' in state ? state.practice : undefined,
  );
  return read.success ? read.data : undefined;
}

/** A practice: what its address says, in the world of its number. */
export function PracticeRun({ Make }: { readonly Make: Make }) {
  const { what = '' } = useParams();
  const [search] = useSearchParams();
  const location = useLocation();
  const { site } = useKitchen();
  const [tries, setTries] = useState(0);
  const subject = useMemo(() => subjectOf(what, search), [what, search]);
  const seed = numberOf(search);
  const from = tries === 0 ? fileOf(location.state) : undefined;
  const make = useCallback(
    () => (subject ? new Session(subject, seed, from?.startMs ?? beginMs(site.zone, now()), from) : null),
    [subject, seed, from, site.zone],
  );
  const session = useOneSession(make, `${location.key} ${what} ${search.toString()} ${tries}`);
  if (!session)
    return (
      <p>
        This practice does not exist. <Link to="/practice">Choose a lesson</Link>
      </p>
    );
  return <Running key={tries} session={session} Make={Make} onAgain={() => setTries((n) => n + 1)} />;
}
