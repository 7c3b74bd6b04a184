import { drainingNow, makeAt, type MakeState } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';

/** Less than this is not worth stirring in, kg. */
const LEAST_KG = 0.01;

/** What drained too far is mended with its own whey: how much, and a tap that says so. */
export function WheyBack(props: {
  readonly state: MakeState;
  readonly nowMs: number;
  /** Of a batch that was never entered nothing is recorded. */
  readonly taken: boolean;
}) {
  const { state, nowMs, taken } = props;
  const units = useUnits();
  const at = makeAt(state, nowMs);
  const drain = drainingNow(at, at.denatured());
  if (!drain) return null;
  const leftKg = Math.round((drain.backKg - drain.returnedKg) * 1000) / 1000;
  if (leftKg < LEAST_KG) return null;
  return (
    <section aria-label="What to do now" className="rescues">
      <h2>What to do now</h2>
      <p>
        Stir about <strong className="number">{units.mass(leftKg)}</strong> of its whey back in, a little at a
        time. The curd takes it up within an hour. An estimate.
      </p>
      {taken && (
        <Button
          variant="default"
          onClick={() =>
            void record(state.id, 'whey-returned', {
              step: drain.step,
              massKg: leftKg,
              typed: { value: Math.round(leftKg * 1000), unit: 'g' },
            })
          }
        >
          Mark as stirred in
        </Button>
      )}
    </section>
  );
}
