import {
  batchOf,
  contradictionWords,
  formatMinutes,
  CHURN_STAGES,
  GHEE_STAGE_WORDS,
  GHEE_STAGES,
  type GheeStage,
  fatBalance,
  likelyKg,
  productOf,
  markWords,
  seenSetMs,
  showsSet,
  souringOf,
  STARTER_FACTS,
  type ChurnStage,
  type MakeState,
  STAGE_WORDS,
} from '@morning-crock/core';
import { Button, TextInput } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useNow } from '../../data/clock.ts';
import { useKeys } from '../../parts/use-keys.ts';
import { liveSlice } from '../../data/live-slice.ts';
import { record, useAppDispatch, useAppSelector } from '../../data/store.ts';
import { useLive, type LiveMake, type OneMake } from '../../data/use-make.ts';
import { useUnits } from '../../data/use-units.ts';
import { useWakeLock } from './use-wake-lock.ts';
import { Cautions } from '../../parts/Cautions.tsx';
import { firmnessWords, readyWords, setWords } from '../../parts/seen-words.ts';
import { MakeCurve } from '../../charts/MakeCurve.tsx';
import { Beads } from './Beads.tsx';
import { CoolingWays } from './CoolingWays.tsx';
import { Jars } from './Jars.tsx';
import { completeStep, skipStep } from '../../data/complete-step.ts';
import { curveDataOf } from '../../charts/curve-data.ts';
import { DenatureMeter } from './DenatureMeter.tsx';
import { LastReading } from './LastReading.tsx';
import { EntryLog } from '../../parts/EntryLog.tsx';
import { MoreOf } from './MoreOf.tsx';
import { Pad } from './Pad.tsx';
import { panelOf, underOf } from './panels/index.ts';
import { StepEntries } from './panels/StepEntries.tsx';
import { TasteForm } from './TasteForm.tsx';
import { UndoLine } from '../../parts/UndoLine.tsx';
import './make.css';

/** What the present step aims at, in a few words. */
function aimOf(live: LiveMake, units: ReturnType<typeof useUnits>, nowMs: number): string {
  const { state, forecast } = live;
  const step = state.current?.step;
  const time = forecast.point.steps.find((s) => s.id === step?.id);
  const left = time ? (time.endMs - nowMs) / 60_000 : 0;
  const soon = left > 1 ? `in about ${formatMinutes(left)}` : 'about now';
  switch (step?.aim?.to) {
    case 'heat':
      return `To ${units.temperature(step.aim.celsius)}, ${soon}`;
    case 'time':
      return `Hold ${step.aim.minutes} min, over ${soon}`;
    case 'dose': {
      const { massKg, kind } = state.plan.starter;
      return massKg === null ? STARTER_FACTS[kind].label : `${units.mass(massKg)} of starter`;
    }
    case 'amount':
      return `${units.mass(step.aim.massKg)} of milk`;
    case 'break': {
      const end = forecast.steps.find((s) => s.step === step.id)?.end;
      return end ? `Breaks ${units.span(end.p10, end.p90, nowMs)}` : '';
    }
    case 'ready': {
      const ready = readyWords(state, forecast, units, nowMs);
      return ready.charAt(0).toUpperCase() + ready.slice(1);
    }
    case 'words':
      return step.aim.words;
    default:
      return '';
  }
}

function Finish({ state }: { readonly state: MakeState }) {
  const [reason, setReason] = useState('');
  const allDone = state.current === null;
  const { current } = state;
  /** Near the end, and nothing put by for the next turn. */
  const keepFirst =
    souringOf(state) !== null &&
    state.reservedKg === null &&
    state.plan.starter.kind !== 'none' &&
    state.inoculatedAtMs !== null &&
    (current === null || (current.step.facts.whenever && current.step.facts.endedBy !== 'reserved'));
  return (
    <div className="column">
      {keepFirst && (
        <p className="caution note">
          Nothing is kept for the next turn yet: put some by before it is all eaten.
        </p>
      )}
      {allDone && (
        <Button
          className="great"
          h={72}
          onClick={() => void record(state.id, 'finished', { verdict: 'kept', reason: '' })}
        >
          Finish this make
        </Button>
      )}
      <details>
        <summary className="unfolds">Finish early or discard</summary>
        <div className="field-row">
          <TextInput
            label="Why"
            value={reason}
            maxLength={400}
            onChange={(e) => setReason(e.currentTarget.value)}
            flex={1}
          />
          <Button
            variant="default"
            onClick={() => void record(state.id, 'finished', { verdict: 'kept', reason: reason.trim() })}
          >
            Finish
          </Button>
          <Button
            color="madder"
            onClick={() => void record(state.id, 'finished', { verdict: 'discarded', reason: reason.trim() })}
          >
            Discard
          </Button>
        </div>
      </details>
    </div>
  );
}

function Note({ state }: { readonly state: MakeState }) {
  const [text, setText] = useState('');
  return (
    <form
      className="field-row"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '') return;
        void record(state.id, 'noted', { text: text.trim() });
        setText('');
      }}
    >
      <TextInput
        label="Note"
        value={text}
        maxLength={2000}
        onChange={(e) => setText(e.currentTarget.value)}
        flex={1}
      />
      <Button type="submit" variant="default">
        Keep the note
      </Button>
    </form>
  );
}

/** The two things that are told most of a step, when they are not cues of a souring. */
function wetButtons(state: MakeState): readonly [WetButton, WetButton] | null {
  const { tells } = state.current?.step.facts ?? {};
  if (tells === 'stages') {
    const say = (stage: ChurnStage): WetButton => ({
      words: STAGE_WORDS[stage],
      say: () => void record(state.id, 'stage-seen', { stage }),
    });
    const last = state.stages.at(-1)?.stage;
    const next = last ? CHURN_STAGES.indexOf(last) + 1 : 0;
    const [first = 'easier', second = 'lump'] = CHURN_STAGES.slice(next).filter((s) => s !== 'broken');
    return [say(first), say(second)];
  }
  if (tells === 'pan') {
    const last = state.panStages.at(-1)?.stage;
    const next = GHEE_STAGES.slice(last ? GHEE_STAGES.indexOf(last) + 1 : 0);
    const say = (stage: GheeStage): WetButton => ({
      words: GHEE_STAGE_WORDS[stage],
      say: () => void record(state.id, 'stage-seen', { stage }),
    });
    return [say(next[0] ?? 'brown'), say(next[1] ?? 'brown')];
  }
  if (tells !== 'rinses') return null;
  const say = (clear: boolean): WetButton => ({
    words: clear ? 'Washed, clear' : 'Washed, cloudy',
    say: () => void record(state.id, 'rinsed', { clear }),
  });
  return [say(false), say(true)];
}
interface WetButton {
  readonly words: string;
  readonly say: () => void;
}

/** Four large buttons for wet hands. */
function WetHands({ live, onLeave }: { readonly live: LiveMake; readonly onLeave: () => void }) {
  const { state } = live;
  const incubating = state.inoculatedAtMs !== null && state.chilledAtMs === null;
  const quick = wetButtons(state);
  const souring = souringOf(state);
  const mark = markWords(state, 'body').toLowerCase();
  const notSet = souring?.cues[0] ?? 'liquid';
  const isSet = souring?.cues.find(showsSet) ?? 'set';
  return (
    <div className="wet">
      <button
        type="button"
        className="first"
        onClick={() => void completeStep(state)}
        disabled={!state.current}
      >
        {state.current?.step.doneWords ?? 'All done'}
      </button>
      <button
        type="button"
        disabled={!quick && !incubating}
        onClick={() =>
          quick ? quick[0].say() : void record(state.id, 'cue-seen', { cue: isSet, cleanSmell: null })
        }
      >
        {quick ? quick[0].words : `It is ${mark}`}
      </button>
      <button
        type="button"
        disabled={!quick && !incubating}
        onClick={() =>
          quick ? quick[1].say() : void record(state.id, 'cue-seen', { cue: notSet, cleanSmell: null })
        }
      >
        {quick ? quick[1].words : notSet === 'liquid' ? 'Still liquid' : 'It runs'}
      </button>
      <button type="button" onClick={onLeave}>
        Dry hands
      </button>
    </div>
  );
}

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
  const minuteMs = Math.floor(nowMs / 60_000) * 60_000;
  const curve = useMemo(
    () => curveDataOf(state, forecast.point, forecast.band, minuteMs, units),
    [state, forecast, minuteMs, units],
  );
  useKeys((key) => {
    if (key === 'd') void completeStep(state);
  });
  const step = state.current?.step;
  const words = contradictionWords(forecast);
  const heating = step && ['milk', 'hot-milk'].includes(step.facts.inThePot);
  if (wet) return <WetHands live={live} onLeave={() => dispatch(liveSlice.actions.wetHandsTurned(false))} />;
  const souring = souringOf(state);
  const set = setWords(state, forecast, units, nowMs);
  const Panel = panelOf(state);
  const Under = underOf(state);
  const balance = fatBalance(state, minuteMs);
  const gives = likelyKg(state);
  const { goods } = productOf(state.plan);
  const label = souring
    ? `Temperature and pH of ${state.plan.name}. ${set.label} ${set.value}, ${readyWords(state, forecast, units, nowMs)}`
    : `Temperature of ${state.plan.name}`;
  return (
    <>
      <div className="make">
        <Beads state={state} forecast={forecast} nowMs={nowMs} />
        <div className="may-shrink">
          {safety.verdict === 'over' && (
            <p className="caution stop larger below-m" role="alert">
              {safety.text}
            </p>
          )}
          {souring && (
            <div className="facts below-s">
              <div className="fact">
                <div className="label">{set.label}</div>
                <div className="value number">{set.value}</div>
              </div>
              <div className="fact">
                <div className="label">{souring.words.body}</div>
                <div className="value">{firmnessWords(state, forecast)}</div>
              </div>
              <div className="fact">
                <div className="label">{state.plan.place.name}</div>
                <div className="value number">
                  {units.temperature(forecast.ambientC)}{' '}
                  <span className="quiet">
                    ± {(forecast.ambientSigmaC * (units.temperatureUnit === 'F' ? 1.8 : 1)).toFixed(1)} °
                    {units.temperatureUnit}
                  </span>
                </div>
              </div>
            </div>
          )}
          {!balance && gives !== null && (
            <div className="facts below-s">
              <div className="fact">
                <div className="label">
                  {goods.out.charAt(0).toUpperCase() + goods.out.slice(1)}
                  {state.weighedKg === null ? ' (about)' : ', weighed'}
                </div>
                <div className="value number">{units.mass(state.weighedKg ?? gives)}</div>
              </div>
              <div className="fact">
                <div className="label">{goods.into.charAt(0).toUpperCase() + goods.into.slice(1)} in</div>
                <div className="value number">{units.mass(batchOf(state.plan).massKg)}</div>
              </div>
            </div>
          )}
          {balance && (
            <div className="facts below-s">
              <div className="fact">
                <div className="label">Butter (about)</div>
                <div className="value number">
                  {balance.realKg === null
                    ? units.mass(balance.likelyKg)
                    : `${units.mass(balance.realKg)}, weighed`}
                </div>
              </div>
              <div className="fact">
                <div className="label">Possible</div>
                <div className="value number">{units.mass(balance.possibleKg)}</div>
              </div>
              <div className="fact">
                <div className="label">Buttermilk</div>
                <div className="value number">
                  {balance.buttermilkKg === null
                    ? `about ${units.mass(balance.creamKg - balance.likelyKg)}`
                    : `${units.mass(balance.buttermilkKg)}, weighed`}
                </div>
              </div>
            </div>
          )}
          {Panel ? (
            <Panel live={live} nowMs={minuteMs} />
          ) : (
            <div className={`curve ${working ? 'fading' : ''}`}>
              <MakeCurve data={curve} label={label} />
            </div>
          )}
          {Under && <Under live={live} nowMs={minuteMs} />}
          {words && (
            <p className="caution above-s" role="status">
              {words}
            </p>
          )}
          {forecast.neverSets > 0.1 && seenSetMs(state) === null && state.chilledAtMs === null && (
            <p className="caution above-s">
              {souring?.words.maybeNever}: about {Math.round(forecast.neverSets * 100)} in 100 such makes
              never do.
            </p>
          )}
          <CoolingWays state={state} nowMs={minuteMs} />
          {heating && (
            <div className="above-m">
              <DenatureMeter point={forecast.point} />
            </div>
          )}
          {!narrow && <LastReading state={state} nowMs={nowMs} />}
          <div aria-label="For this step" role="group" className="for-step">
            {step && (
              <p>
                {step.doing} <span className="quiet">{step.why}</span>
              </p>
            )}
            {safety.verdict !== 'over' && state.inoculatedAtMs !== null && (
              <p className={`caution ${safety.verdict === 'acid' ? 'note' : ''}`}>{safety.text}</p>
            )}
            {step && <Cautions key={step.id} ids={step.cautions} />}
          </div>
          <Jars state={state} forecast={forecast} nowMs={nowMs} />
        </div>
        <div className="pad">
          <div>
            <h2>{step ? step.title : 'All done'}</h2>
            <p className="number larger">{aimOf(live, units, nowMs)}</p>
            {narrow && <LastReading state={state} nowMs={nowMs} />}
          </div>
          {step ? (
            <Button
              className="great"
              h={72}
              onClick={() => void completeStep(state)}
              disabled={!step.facts.whenever && safety.verdict === 'over'}
            >
              {step.doneWords}
            </Button>
          ) : (
            <Finish state={state} />
          )}
          <StepEntries state={state} />
          {step?.facts.endedBy === 'tasted' ? (
            <TasteForm state={state} />
          ) : (narrow || step?.facts.tells !== undefined) && !padOpen ? (
            <Button variant="default" h={56} onClick={() => setPadOpen(true)}>
              Enter a reading, or what you see
            </Button>
          ) : (
            <Pad state={state} focus={padWanted} />
          )}
        </div>
      </div>
      <div className="below">
        <EntryLog streamId={state.id} events={state.events} endedMs={state.finished?.atMs} />
        <section className="column" aria-label="More">
          <Note state={state} />
          <MoreOf state={state} />
          <div className="row">
            {step && (
              <Button variant="default" onClick={() => void skipStep(state.id, step.id)}>
                Leave out: {step.title.toLowerCase()}
              </Button>
            )}
            <Button variant="default" onClick={() => dispatch(liveSlice.actions.wetHandsTurned(true))}>
              Wet hands
            </Button>
          </div>
          {step && <Finish state={state} />}
          {wake === 'unsupported' && (
            <p className="quiet">
              This browser does not keep the screen awake: set the tablet’s own screen time longer.
            </p>
          )}
        </section>
      </div>
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
          The times cannot be worked out on this device now. Go on by clock and hand: all that is entered is
          stored.
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
              {step.doneWords}
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
  const { events, kept } = make;
  const { id } = state;
  const live = useLive(state);
  const failed = useAppSelector((s) => s.live.failed[id]);
  const units = useUnits();
  return (
    <>
      <div className="make-head">
        <h1>{state.plan.name}</h1>
        <span className="quiet">
          {units.volume(batchOf(state.plan).litres)} in {state.plan.pot.name}, begun{' '}
          {units.day(state.startedAtMs)}
        </span>
        {kept.length > 0 && (
          <span className="quiet" role="status">
            {kept.length} kept here
          </span>
        )}
        <span className="to-the-end">
          <UndoLine makeId={id} events={events} />
        </span>
        {state.finished && <Link to={`/daybook/${id}`}>See it in the Daybook</Link>}
      </div>
      {state.finished ? (
        <div className="column reading">
          <p className="serif larger">
            {state.finished.verdict === 'kept' ? 'This make is finished.' : 'This make was discarded.'}
          </p>
          <Note state={state} />
          <EntryLog streamId={state.id} events={state.events} endedMs={state.finished.atMs} />
        </div>
      ) : live ? (
        <UnderWay live={live} />
      ) : (
        <WithoutTimes state={state} failed={failed === true} />
      )}
    </>
  );
}
