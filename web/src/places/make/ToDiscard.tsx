import { DISCARDED } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useNow } from '../../data/clock.ts';
import { recordAll } from '../../data/store.ts';
import type { LiveMake } from '../../data/use-make.ts';
import { Beads } from './Beads.tsx';
import { More } from './More.tsx';
import { Pad } from './Pad.tsx';
import { useWakeLock } from './use-wake-lock.ts';

/** A make past its safety clock: nothing more is foreseen of it. A reading that was taken in time may still be entered. */
export function ToDiscard({ live }: { readonly live: LiveMake }) {
  const { state, forecast, safety } = live;
  const nowMs = useNow(5000);
  const wake = useWakeLock(true);
  return (
    <>
      <div className="make">
        <Beads state={state} forecast={forecast} nowMs={nowMs} bare />
        <div className="may-shrink">
          <p className="caution stop larger below-m" role="alert">
            {safety.text}
          </p>
        </div>
        <div className="pad">
          <h2>Discard this batch</h2>
          <Button
            className="great"
            color="madder"
            h={72}
            onClick={() => void recordAll(state.id, [DISCARDED])}
          >
            Discard batch
          </Button>
          <Pad state={state} focus={false} />
        </div>
      </div>
      <More live={live} nowMs={nowMs} wake={wake} />
    </>
  );
}
