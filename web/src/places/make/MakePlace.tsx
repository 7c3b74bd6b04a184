import '../../parts/fields/form-styles.ts';
import {
  batchOf,
  contradictionWords,
  doneWordsOf,
  isHeated,
  potWords,
  seenSetMs,
  souringOf,
  type MakeState,
  MINUTE_MS,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useNow } from '../../data/clock.ts';
import { shapeOf } from '../../data/make-log.ts';
import { useKeys } from '../../parts/keys/use-keys.ts';
import { liveSlice } from '../../data/live-slice.ts';
import { useAppDispatch, useAppSelector } from '../../data/store.ts';
import { useLive, type LiveMake, type OneMake } from '../../data/use-make.ts';
import { useUnits } from '../../data/use-units.ts';
import { useWakeLock } from './use-wake-lock.ts';
import { readyWords, setWords } from '../../parts/words/seen-words.ts';
import { MakeCurve } from '../../charts/MakeCurve.tsx';
import { aimOf, plainAim } from './aim-words.ts';
import { Beads } from './Beads.tsx';
import { CoolingWays } from './CoolingWays.tsx';
import { Facts } from './Facts.tsx';
import { Finish } from './Finish.tsx';
import { ForStep } from './ForStep.tsx';
import { Jars } from './Jars.tsx';
import { completeStep } from '../../data/complete-step.ts';
import { curveDataOf, curveEndMs } from '../../charts/curve-data.ts';
import { DenatureMeter } from './DenatureMeter.tsx';
import { Looks } from './Looks.tsx';
import { LastReading } from './LastReading.tsx';
import { EntryLog } from '../../parts/tables/EntryLog.tsx';
import { Kin } from '../../parts/tables/Kin.tsx';
import { LaterTaste, More, WentWrongLink } from './More.tsx';
import { Note } from './Note.tsx';
import { Pad } from './Pad.tsx';
import { panelOf, underOf } from './panels/index.ts';
import { StepEntries } from './panels/StepEntries.tsx';
import { Beside } from './Standing.tsx';
import { NightWays } from './SouringWays.tsx';
import { TasteForm } from './TasteForm.tsx';
import { usePractice } from '../../parts/practice/practice-context.ts';
import { ToDiscard } from './ToDiscard.tsx';
import { UndoLine } from '../../parts/tables/UndoLine.tsx';
import { WetHands } from './WetHands.tsx';
import { WhatToLookFor } from './WhatToLookFor.tsx';
import './make.css';

const CURVE_GROWS_MS = 30 * MINUTE_MS;

function UnderWay({ live }: { readonly live: LiveMake }) {
  const { state, forecast, safety } = live;
  const units = useUnits();
  const nowMs = useNow(5000);
  const [search] = useSearchParams();
  const padWanted = search.get('pad') === '1';
  // On a phone the pad would fill the view before anything says what to do with it.
  const narrow = useMediaQuery('(max-width: 900px)');
  const [padOpen, setPadOpen] = useState(padWanted);
  const wet = useAppSelector((s) => s.live.wetHands);
  const working = useAppSelector((s) => s.live.working[state.id] === true);
  const dispatch = useAppDispatch();
  const wake = useWakeLock(!state.finished);
  const practice = usePractice();
  const foreseen = practice?.bare !== true;
  const minuteMs = Math.floor(nowMs / MINUTE_MS) * MINUTE_MS;
  const shape = shapeOf(state);
  const endMs = useMemo(() => curveEndMs(shape, forecast.point, forecast.band), [shape, forecast]);
  // The present moves over the curve, which is drawn anew only where it would leave it.
  const seenToMs = nowMs < endMs ? null : Math.ceil(nowMs / CURVE_GROWS_MS) * CURVE_GROWS_MS;
  const curve = useMemo(
    () => curveDataOf(shape, forecast.point, forecast.band, seenToMs, units),
    [shape, forecast, seenToMs, units],
  );
  useKeys((key) => {
    if (key === 'd') void completeStep(state);
  });
  const step = state.current?.step;
  // What is told of the step stands in the pad's place, but where a weight ends it.
  const ownEntries = step?.facts.tells === true && step.facts.endedBy === null;
  const words = contradictionWords(forecast);
  // Milk that is only warmed unfolds nothing and is not pasteurised.
  const heating = step?.facts.inThePot === 'hot-milk' && isHeated(state.plan);
  if (wet) return <WetHands live={live} onLeave={() => dispatch(liveSlice.actions.wetHandsTurned(false))} />;
  const souring = souringOf(state);
  const set = setWords(state, forecast, units, nowMs);
  const Panel = panelOf(state);
  const Under = underOf(state);
  const label = souring
    ? `Temperature and pH of ${state.plan.name}. ${set.label} ${set.value}, ${readyWords(state, forecast, units, nowMs)}`
    : `Temperature of ${state.plan.name}`;
  return (
    <>
      <div className="make">
        <Beads state={state} forecast={forecast} nowMs={nowMs} bare={!foreseen} />
        <div className="may-shrink">
          {safety.verdict === 'over' && (
            <p className="caution stop larger below-m" role="alert">
              {safety.text}
            </p>
          )}
          {practice?.look}
          {foreseen && <Facts live={live} nowMs={nowMs} />}
          {foreseen &&
            (Panel ? (
              // A practised batch is drawn as it truly is.
              !practice && <Panel live={live} nowMs={minuteMs} />
            ) : (
              <div className={`curve ${working ? 'fading' : ''}`}>
                <MakeCurve data={curve} label={label} nowMs={minuteMs} />
              </div>
            ))}
          {!practice && Under && <Under live={live} nowMs={minuteMs} />}
          {words && foreseen && (
            <p className="caution above-s" role="status">
              {words}{' '}
              {!practice && (
                <Link
                  to={`/why/${state.id}?complaint=${forecast.contradiction?.direction === 'faster' ? 'too-sour' : 'not-set'}`}
                >
                  What went wrong?
                </Link>
              )}
            </p>
          )}
          {foreseen &&
            forecast.neverSets > 0.1 &&
            seenSetMs(state) === null &&
            state.chilledAtMs === null && (
              <p className="caution above-s">
                {souring?.words.maybeNever}. About {Math.round(forecast.neverSets * 100)} in 100 batches like
                this never do.
              </p>
            )}
          {!practice && (
            <>
              <CoolingWays state={state} nowMs={minuteMs} />
              <Beside state={state} />
              <Looks state={state} />
              <NightWays state={state} forecast={forecast} nowMs={minuteMs} />
            </>
          )}
          {heating && foreseen && (
            <div className="above-m">
              <DenatureMeter point={forecast.point} />
            </div>
          )}
          {!narrow && <LastReading state={state} nowMs={nowMs} />}
          {!narrow && <ForStep live={live} />}
          {step && <WhatToLookFor key={step.id} state={state} />}
          {!practice && <Jars state={state} forecast={forecast} nowMs={nowMs} />}
        </div>
        <div className="pad">
          <div>
            <h2>{step ? step.title : 'All done'}</h2>
            <p className="number larger">{foreseen ? aimOf(live, units, nowMs) : plainAim(state, units)}</p>
            {narrow && <LastReading state={state} nowMs={nowMs} />}
          </div>
          {step ? (
            <Button
              className="great"
              h={72}
              onClick={() => void completeStep(state)}
              disabled={!step.facts.whenever && safety.verdict === 'over'}
            >
              {doneWordsOf(state)}
            </Button>
          ) : (
            (practice?.end ?? <Finish state={state} />)
          )}
          {narrow && <ForStep live={live} />}
          <StepEntries state={state} point={forecast.point} />
          {practice ? (
            practice.hands
          ) : step?.facts.endedBy === 'tasted' ? (
            <TasteForm state={state} />
          ) : (narrow || ownEntries) && !padOpen ? (
            <Button variant="default" h={56} onClick={() => setPadOpen(true)}>
              Add reading
            </Button>
          ) : (
            <Pad state={state} focus={padWanted} />
          )}
        </div>
      </div>
      {!practice && <More live={live} nowMs={minuteMs} wake={wake} />}
    </>
  );
}

/** The times are not there yet, or cannot be worked out on this device: entries are taken all the same. */
function WithoutTimes({ state, failed }: { readonly state: MakeState; readonly failed: boolean }) {
  const dispatch = useAppDispatch();
  if (!failed) return <p className="quiet">Working out the times …</p>;
  const step = state.current?.step;
  return (
    <>
      <div className="row">
        <p className="caution" role="alert">
          This device cannot work out the times right now. Time the steps yourself. Everything you enter is
          saved.
        </p>
        <Button variant="default" onClick={() => dispatch(liveSlice.actions.attempted())}>
          Try again
        </Button>
      </div>
      <div className="below">
        <div className="pad">
          <h2>{step ? step.title : 'All done'}</h2>
          {step ? (
            <Button className="great" h={72} onClick={() => void completeStep(state)}>
              {doneWordsOf(state)}
            </Button>
          ) : (
            <Finish state={state} />
          )}
          <Pad state={state} focus={false} />
        </div>
        <EntryLog streamId={state.id} events={state.events} />
      </div>
    </>
  );
}

/** One make, live. */
export function MakePlace({ make, state }: { readonly make: OneMake; readonly state: MakeState }) {
  const { events } = make;
  const { id } = state;
  const live = useLive(state);
  const failed = useAppSelector((s) => s.live.failed[id]);
  const units = useUnits();
  const practice = usePractice();
  // A plan of long ago does not say what its method was called.
  const method = state.plan.method.name;
  return (
    <>
      <div className="with-undo">
        <div className="make-head">
          <h1>{state.plan.name}</h1>
          <span className="quiet">
            {method !== undefined && method !== state.plan.name && `${method} · `}
            {units.volume(batchOf(state.plan).litres)} in {potWords(state.plan.pot)}, started{' '}
            {units.day(state.startedAtMs)}
            {state.tags.length > 0 && `, tag ${state.tags.join(', ')}`}
          </span>
          {state.finished && <Link to={`/daybook/${id}`}>Open in Daybook</Link>}
        </div>
        {!practice && <UndoLine makeId={id} events={events} />}
      </div>
      {state.finished ? (
        <div className="column reading">
          <p className="serif larger">
            {state.finished.verdict === 'kept' ? 'This batch is finished.' : 'This batch was discarded.'}
          </p>
          <Kin state={state} />
          <Note state={state} />
          <LaterTaste state={state} />
          <WentWrongLink makeId={id} />
          <EntryLog streamId={state.id} events={state.events} endedMs={state.finished.atMs} />
        </div>
      ) : live?.safety.verdict === 'over' && !practice ? (
        <ToDiscard live={live} />
      ) : live ? (
        <UnderWay live={live} />
      ) : (
        <WithoutTimes state={state} failed={failed === true} />
      )}
    </>
  );
}
