import { LESSONS, type BatchScore } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useKitchenAddress } from '../../data/kitchen-address.ts';
import { useUnits } from '../../data/use-units.ts';
import { saveFile } from '../../parts/print/save-file.ts';
import { cancelForecast, requestPracticeScore } from '../../workers/kitchen-client.ts';
import { decisionWords, inDegrees, practiceAddress, TROUBLE_WORDS } from './practice-words.ts';
import { BatchResult, roughShows } from './BatchResult.tsx';
import { noteLesson } from './progress.ts';
import type { Session } from './session.ts';
import { anyNumber, useSessionState } from './use-session.ts';

const KEY = 'practice score';
/** How a practice went: what came out against what its world allowed, what truly went on, what cost most, and one thing to do next. */
export function PracticeScore({
  session,
  onAgain,
}: {
  readonly session: Session;
  readonly onAgain: () => void;
}) {
  const units = useUnits();
  const navigate = useNavigate();
  const kitchen = useKitchenAddress();
  const { batches, backs, asked } = useSessionState(session);
  const [scores, setScores] = useState<readonly BatchScore[] | null>(null);
  const [share, setShare] = useState(0);
  const [failed, setFailed] = useState(false);
  const noted = useRef(false);
  const { subject, exercise, seed } = session;
  useEffect(() => {
    let wanted = true;
    requestPracticeScore(KEY, session.soFar(), session.now(), (part) => wanted && setShare(part)).then(
      (found) => {
        if (!wanted || !found) return;
        setScores(found);
        if (subject.kind === 'lesson' && !session.opened && !noted.current) {
          noted.current = true;
          noteLesson(
            subject.lesson,
            found.every(({ won }) => won),
          );
        }
      },
      () => {
        if (wanted) setFailed(true);
      },
    );
    return () => {
      wanted = false;
      cancelForecast(KEY);
    };
  }, [session, subject]);
  if (failed)
    return (
      <p role="alert">
        This device could not work out the score. Your practice is kept while this page is open.{' '}
        <Button variant="default" onClick={onAgain}>
          Practise again
        </Button>
      </p>
    );
  if (!scores)
    return (
      <p role="status">
        Replaying your decisions … <progress value={share} max={1} aria-label="Replayed so far" />
      </p>
    );
  const won = scores.every((score) => score.won);
  const here = subject.kind === 'lesson' ? LESSONS.findIndex(({ id }) => id === subject.lesson) : -1;
  const next = here >= 0 ? LESSONS[here + 1] : undefined;
  const dearest = scores.flatMap((score, no) => score.decisions.map((decision) => ({ decision, no })))[0];
  return (
    <div className="practice-score">
      <p className="practice-verdict serif">
        {won ? 'You reached every goal.' : 'Not every goal was reached.'}
      </p>
      <p>
        {exercise.troubles.length > 0
          ? exercise.troubles.map((trouble) => TROUBLE_WORDS[trouble]).join(' ')
          : 'Nothing was wrong with this one but the usual scatter.'}
        {exercise.batches.some(({ world }, no) => world.truth.rough && roughShows(scores[no]!)) &&
          ' It behaved by a rougher model than the forecast’s, so the forecast was less right than usual.'}
      </p>
      <p className="quiet">
        {backs > 0 && `You stepped back ${backs === 1 ? 'once' : `${backs} times`}. `}
        {asked > 0 && `You asked for help ${asked === 1 ? 'once' : `${asked} times`}. `}
        Figures are those of a simulation.
      </p>
      {scores.map((score, no) => (
        <BatchResult
          key={no}
          session={session}
          no={no}
          score={score}
          state={batches[no]!.state}
          named={scores.length > 1}
        />
      ))}
      <section aria-labelledby="practice-next">
        <h2 id="practice-next">Next</h2>
        <p>
          {!won && dearest
            ? `Try this world again, and change one thing. ${decisionWords(dearest.decision, batches[dearest.no]!.state, units, session.startMs)}`
            : !won
              ? 'Try this world again.'
              : next
                ? `Go on to “${next.title}”: ${inDegrees(next.idea, units)}`
                : 'Try a world with a surprise.'}
        </p>
        <div className="row">
          {won && next ? (
            <Button
              className="great"
              h={72}
              component={Link}
              to={practiceAddress({ kind: 'lesson', lesson: next.id }, anyNumber())}
            >
              Next lesson
            </Button>
          ) : (
            <Button className="great" h={72} onClick={onAgain}>
              Try again
            </Button>
          )}
          {won && next && (
            <Button variant="default" h={56} onClick={onAgain}>
              Try again
            </Button>
          )}
          <Button
            variant="default"
            h={56}
            onClick={() => void navigate(practiceAddress(subject, anyNumber()))}
          >
            Another world
          </Button>
          <Button
            variant="default"
            h={56}
            onClick={() => {
              saveFile(
                `practice-${seed}.json`,
                new Blob([JSON.stringify(session.file(), null, 2)], { type: 'application/json' }),
              );
            }}
          >
            Download practice
          </Button>
          <Link to="/practice">All lessons</Link>
        </div>
        <p className="quiet">
          World number <span className="number">{seed}</span>. The same number gives everybody the same world:{' '}
          <span className="practice-link">{`${kitchen}${practiceAddress(subject, seed)}`}</span>
        </p>
      </section>
    </div>
  );
}
