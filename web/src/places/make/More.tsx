import type { MakeState } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { skipStep } from '../../data/complete-step.ts';
import { liveSlice } from '../../data/live-slice.ts';
import { useAppDispatch } from '../../data/store.ts';
import type { LiveMake } from '../../data/use-make.ts';
import { EntryLog } from '../../parts/tables/EntryLog.tsx';
import { Kin } from '../../parts/tables/Kin.tsx';
import { Finish } from './Finish.tsx';
import { GoesInto } from './GoesInto.tsx';
import { MoreOf } from './MoreOf.tsx';
import { Note } from './Note.tsx';
import { Parting, PouringTogether } from './Parting.tsx';
import { PartingButter } from './PartingButter.tsx';
import { Turnings } from './SouringWays.tsx';
import { Tags } from './Tags.tsx';
import { TasteForm } from './TasteForm.tsx';
import type { useWakeLock } from './use-wake-lock.ts';

/** Something is not as it should be: what went wrong, and what now. */
export const WentWrongLink = ({ makeId }: { readonly makeId: string }) => (
  <Link to={`/why/${makeId}`} className="unfolds">
    Not as it should be? What went wrong?
  </Link>
);

/** What no step asks to be tasted can be tasted once it is weighed. */
export function LaterTaste({ state }: { readonly state: MakeState }) {
  if (state.weighedKg === null || state.steps.some((s) => s.step.facts.endedBy === 'tasted')) return null;
  return (
    <details>
      <summary className="unfolds">Taste</summary>
      <TasteForm state={state} />
    </details>
  );
}

/** The entries of a batch under way, and all that is seldom done with it. @param nowMs to the minute */
export function More(props: {
  readonly live: LiveMake;
  readonly nowMs: number;
  /** Whether the screen stays on. */
  readonly wake: ReturnType<typeof useWakeLock>;
}) {
  const { live, nowMs: minuteMs, wake } = props;
  const { state, forecast, safety } = live;
  const dispatch = useAppDispatch();
  const step = state.current?.step;
  return (
    <div className="below">
      <EntryLog streamId={state.id} events={state.events} endedMs={state.finished?.atMs} />
      <section className="column" aria-label="More">
        <Kin state={state} />
        <Note state={state} />
        <LaterTaste state={state} />
        <Tags state={state} />
        <Turnings state={state} forecast={forecast} nowMs={minuteMs} />
        <WentWrongLink makeId={state.id} />
        {safety.verdict !== 'over' && <GoesInto state={state} />}
        <Parting state={state} />
        <PartingButter state={state} />
        <PouringTogether state={state} forecast={forecast} />
        <MoreOf state={state} />
        <div className="row">
          {step && (
            <Button variant="default" onClick={() => void skipStep(state.id, step.id)}>
              Skip {step.title.toLowerCase()}
            </Button>
          )}
          <Button variant="default" onClick={() => dispatch(liveSlice.actions.wetHandsTurned(true))}>
            Use wet-hands mode
          </Button>
        </div>
        {step && <Finish state={state} />}
        {wake === 'unsupported' && (
          <p className="quiet">
            This browser cannot keep the screen on. Set a longer screen timeout on the tablet.
          </p>
        )}
      </section>
    </div>
  );
}
