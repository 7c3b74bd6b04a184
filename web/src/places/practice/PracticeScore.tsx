import {
  fromCelsius,
  MINUTE_MS,
  SET_PH,
  LESSONS,
  type BatchScore,
  type MakeState,
} from '@morning-crock/core';
import type { PracticeHand } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { CurveData } from '../../charts/curve-option.ts';
import { MakeCurve } from '../../charts/MakeCurve.tsx';
import { useKitchenAddress } from '../../data/kitchen-address.ts';
import { useUnits } from '../../data/use-units.ts';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { saveFile } from '../../parts/print/save-file.ts';
import { cancelForecast, requestPracticeScore } from '../../workers/kitchen-client.ts';
import {
  cameOut,
  decisionWords,
  figureWords,
  handWords,
  inDegrees,
  practiceAddress,
  TROUBLE_WORDS,
} from './practice-words.ts';
import { noteLesson } from './progress.ts';
import type { Session } from './session.ts';
import { anyNumber, useSessionState } from './use-session.ts';

const KEY = 'practice score';
/** Marks nearer than this share of the whole stand over each other. */
const MARK_SHARE = 0.05;

/** What was only seen or measured stands as a dot, or not at all. */
const SEEN: ReadonlySet<string> = new Set([
  'temperature-read',
  'ph-read',
  'cue-seen',
  'heat-felt',
  'stage-seen',
  'drain-weighed',
]);
const decides = (hand: PracticeHand): boolean =>
  hand.kind === 'told' ? !SEEN.has(hand.event.type) : hand.kind !== 'stir';

/** What truly went on, with what hands did on it. */
function Replay({
  session,
  no,
  score,
}: {
  readonly session: Session;
  readonly no: number;
  readonly score: BatchScore;
}) {
  const units = useUnits();
  const { hands, state } = session.current().batches[no]!;
  const { startMs } = session;
  const data = useMemo((): CurveData => {
    const fromMs = startMs;
    const toMs = startMs + (score.curve.at(-1)?.atMs ?? 0);
    let lastMs = -Infinity;
    const marks = hands.flatMap((hand) => {
      const atMs = startMs + hand.atMs;
      if (!decides(hand) || atMs > toMs || atMs - lastMs < MARK_SHARE * (toMs - fromMs)) return [];
      lastMs = atMs;
      return [{ atMs, text: handWords(hand, state, units) }];
    });
    return {
      temperature: score.curve.map(({ atMs, celsius }): readonly [number, number] => [
        startMs + atMs,
        celsius,
      ]),
      ph: score.curve.flatMap(({ atMs, ph }): (readonly [number, number])[] =>
        ph === null ? [] : [[startMs + atMs, ph]],
      ),
      band: [],
      temperatureDots: state.temperatures.map((t) => ({ atMs: t.atMs, value: t.celsius })),
      felt: [],
      phDots: state.acidity.flatMap((a) =>
        a.reading.kind === 'ph' ? [{ atMs: a.atMs, value: a.reading.ph }] : [],
      ),
      cueMarks: marks,
      setPh: SET_PH,
      setName: 'set',
      room: [],
      nowMs: null,
      fromMs,
      toMs,
      unit: units.temperatureUnit,
      time: (ms) => units.clock(ms),
    };
  }, [hands, state, startMs, score, units]);
  if (data.ph.length === 0)
    return (
      <LittleCurve
        label="Temperature as it truly was"
        lines={[
          {
            name: 'milk or fat',
            colour: 'clay',
            points: score.curve.map(({ atMs, celsius }) => [
              atMs / MINUTE_MS,
              fromCelsius(celsius, units.temperatureUnit),
            ]),
          },
        ]}
        xUnit="min"
        yUnit={`°${units.temperatureUnit}`}
      />
    );
  return (
    <div className="curve">
      <MakeCurve data={data} label="What truly went on, with what you did" />
    </div>
  );
}

/** Heating and washing go by one model only. */
const roughShows = ({ outcome }: BatchScore): boolean =>
  outcome.ph !== null || outcome.churnMin !== null || outcome.thick !== null;

function Batch(props: {
  readonly session: Session;
  readonly no: number;
  readonly score: BatchScore;
  readonly state: MakeState;
  readonly named: boolean;
}) {
  const { session, no, score, state, named } = props;
  const units = useUnits();
  return (
    <section aria-label={state.plan.name} className="practice-result">
      {named && <h2>{state.plan.name}</h2>}
      <div className="practice-columns">
        <div>
          <h3>What came out</h3>
          <table className="practice-table">
            <thead>
              <tr>
                <th scope="col">Goal</th>
                <th scope="col">You</th>
                <th scope="col">This world allowed</th>
              </tr>
            </thead>
            <tbody>
              {score.aims.map((aim) => (
                <tr key={aim.id} className={aim.met ? 'met' : 'missed'}>
                  <th scope="row">
                    {inDegrees(aim.words, units)}
                    <span className="practice-met">{aim.met ? 'Reached' : 'Missed'}</span>
                  </th>
                  <td className="number">{figureWords(aim.figure, aim.unit, units)}</td>
                  <td className="number">{figureWords(aim.allowed, aim.unit, units)}</td>
                </tr>
              ))}
              {cameOut(score, units).map((row) => (
                <tr key={row.noun}>
                  <th scope="row" className="quiet">
                    {row.noun}
                  </th>
                  <td className="number">{row.own}</td>
                  <td className="number">{row.allowed}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <div>
          <h3>What truly went on</h3>
          <Replay session={session} no={no} score={score} />
        </div>
      </div>
      <h3>
        {score.decisions.length > 0
          ? 'What cost most'
          : score.won
            ? 'Nothing cost you much'
            : 'No single decision would have saved it'}
      </h3>
      {score.decisions.length > 0 && (
        <ol className="practice-decisions">
          {score.decisions.map((decision, i) => (
            <li key={i}>{decisionWords(decision, state, units, session.startMs)}</li>
          ))}
        </ol>
      )}
    </section>
  );
}

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
  const [copied, setCopied] = useState(false);
  const noted = useRef(false);
  const { subject, exercise, seed } = session;
  useEffect(() => {
    let wanted = true;
    requestPracticeScore(KEY, session.soFar(), session.now(), (part) => wanted && setShare(part)).then(
      (found) => {
        if (!wanted || !found) return;
        setScores(found);
        if (subject.kind === 'lesson' && !noted.current) {
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
        <Batch
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
          <Button
            variant="default"
            h={56}
            onClick={() => {
              void navigator.clipboard.writeText(`${kitchen}${practiceAddress(subject, seed)}`).then(
                () => setCopied(true),
                () => setCopied(false),
              );
            }}
          >
            {copied ? 'Link copied' : 'Copy link'}
          </Button>
          <Link to="/practice">All lessons</Link>
        </div>
        <p className="quiet">
          World number <span className="number">{seed}</span>. The same number gives everybody the same world.
        </p>
      </section>
    </div>
  );
}
