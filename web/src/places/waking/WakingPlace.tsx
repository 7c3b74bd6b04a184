import {
  MILK_FACTS,
  safetyLimit,
  wakingNow,
  wakingStep,
  type Feed,
  type WakingState,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { useNow } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { EntryForm } from '../../parts/EntryForm.tsx';
import { AmountField, useAsTyped, type TypedAmount } from '../../parts/AmountField.tsx';
import { EntryLog } from '../../parts/EntryLog.tsx';
import { UndoLine } from '../../parts/UndoLine.tsx';
import { FeedTable } from '../../parts/FeedTable.tsx';
import '../../parts/register.css';

const HOUR_MS = 3_600_000;
const MILK = MILK_FACTS['shop-whole'].composition;

/** Keeps what was woken as a living culture. */
function Keep({ state }: { readonly state: WakingState }) {
  const asTyped = useAsTyped('weight');
  const [amount, setAmount] = useState<TypedAmount | null>(() => asTyped(0.1, MILK));
  return (
    <EntryForm
      label="Keep some"
      onEntry={() => {
        if (!amount) return;
        void record(state.id, 'reserved', amount).then(() =>
          record(state.id, 'finished', { verdict: 'kept', reason: '' }),
        );
      }}
    >
      <p>Awake. Keep some as the culture it has become; the rest can be eaten or used.</p>
      <AmountField label="Kept" of={MILK} by="weight" amount={amount} onAmount={setAmount} />
      <Button type="submit" h={72}>
        Keep it and finish
      </Button>
    </EntryForm>
  );
}

/** A feed is given: as planned, or as much as was really poured. */
function Fed({ state, feed }: { readonly state: WakingState; readonly feed: Feed }) {
  const asTyped = useAsTyped('weight');
  const [other, setOther] = useState(false);
  const [amount, setAmount] = useState<TypedAmount | null>(() => asTyped(feed.massKg, MILK));
  return (
    <EntryForm
      label="Feed"
      onEntry={() => {
        const given = other ? amount : { massKg: feed.massKg, typed: null };
        if (given) void record(state.id, 'waking-done', { feed: feed.n, did: 'fed', ...given });
      }}
    >
      {other && <AmountField label="Milk given" of={MILK} by="weight" amount={amount} onAmount={setAmount} />}
      <Button type="submit" h={72}>
        It is fed
      </Button>
      {!other && (
        <Button variant="default" onClick={() => setOther(true)}>
          Another amount
        </Button>
      )}
    </EntryForm>
  );
}

/** A waking under way: the feed that is due, all feeds with their times, and what there is to watch. */
export function WakingPlace({ state }: { readonly state: WakingState }) {
  const kitchen = useKitchen();
  const units = useUnits();
  const nowMs = useNow(15_000);
  const waking = wakingNow(state, kitchen, nowMs);
  const step = wakingStep(waking);
  const limit = safetyLimit('with-starter', state.plan.celsius);
  /** A feed just given wants nothing before it can be set at the earliest. */
  const early = step?.wants === 'look' && nowMs < (step.feed.fedMs ?? nowMs) + step.feed.set.p10 * HOUR_MS;
  const done = (did: 'set' | 'not-yet'): void => {
    if (step) void record(state.id, 'waking-done', { feed: step.feed.n, did, massKg: null, typed: null });
  };
  return (
    <div>
      <div className="make-head place-head">
        <h1>{state.plan.name}</h1>
        <span className="quiet">a waking over several days</span>
      </div>
      <div className="milk-room">
        <div style={{ minWidth: 0 }}>
          <FeedTable waking={waking} nowMs={nowMs} />
          {waking.milkWords && (
            <p className="caution note" style={{ marginTop: 12 }}>
              {waking.milkWords}
            </p>
          )}
          <p className="caution note" style={{ marginTop: 12 }}>
            {limit.reason} If a feed has not set by then, smells foul or shows colour or mould: do not taste
            it, discard it, clean, and begin again.
          </p>
          <div style={{ marginTop: 16 }}>
            <EntryLog streamId={state.id} events={state.events} endedMs={state.finished?.atMs} />
          </div>
        </div>
        <aside className="lot-panel" aria-label="Now">
          {state.finished ? (
            <>
              <h2>{state.finished.verdict === 'kept' ? '✓ Awake' : '✗ Discarded'}</h2>
              <p>
                {units.day(state.finished.atMs)}
                {state.finished.reason && `: ${state.finished.reason}`}
              </p>
              <Link to="/cultures">To the cultures</Link>
            </>
          ) : waking.overLimit ? (
            <>
              <h2 className="danger">✗ Do not use this feed</h2>
              <p role="alert">
                It stood longer than {waking.limitH} h and nobody saw it set. Do not taste it: discard it and
                clean everything.
              </p>
              <Button
                h={72}
                color="madder"
                onClick={() =>
                  void record(state.id, 'finished', { verdict: 'discarded', reason: 'Not set in time.' })
                }
              >
                Discard the waking
              </Button>
              <Button variant="default" onClick={() => done('set')}>
                It was set in time, seen and clean in smell
              </Button>
            </>
          ) : step ? (
            <>
              <div className="quiet">
                {step.wants === 'look'
                  ? 'Look, about'
                  : waking.scald
                    ? 'Scald the milk, about'
                    : 'Feed, about'}
              </div>
              <h2 className="number">
                {units.time(step.wants === 'look' ? step.feed.lookMs : step.feed.beginMs, nowMs)}
              </h2>
              <p>
                {step.wants === 'look'
                  ? `Feed ${step.feed.n}: tilt it. Set, and clean in smell?`
                  : `Feed ${step.feed.n}: ${units.mass(step.feed.massKg)} of milk${waking.scald ? ', scalded and cooled to' : ' at'} ${units.temperature(state.plan.celsius)}; stir the culture in.`}
              </p>
              {step.wants === 'look' ? (
                <>
                  {early && <p className="quiet">Nothing to do until then.</p>}
                  <Button h={72} variant={early ? 'default' : 'filled'} onClick={() => done('set')}>
                    It is set
                  </Button>
                  <Button variant="default" h={56} onClick={() => done('not-yet')}>
                    Not yet
                  </Button>
                </>
              ) : (
                <Fed key={step.feed.n} state={state} feed={step.feed} />
              )}
            </>
          ) : (
            <Keep state={state} />
          )}
          {!state.finished && <UndoLine makeId={state.id} events={state.events} />}
          {!state.finished && !waking.overLimit && (
            <Button
              variant="subtle"
              onClick={() => void record(state.id, 'finished', { verdict: 'discarded', reason: 'Given up.' })}
            >
              Discard the waking
            </Button>
          )}
        </aside>
      </div>
    </div>
  );
}
