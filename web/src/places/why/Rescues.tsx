import { HOUR_MS, type MakeState, type Rescue } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { record } from '../../data/store.ts';
import type { Units } from '../../data/units-of.ts';
import { useUnits } from '../../data/use-units.ts';

/** What is done, in words. */
function rescueWords({ what, place, dose }: Rescue, units: Units): string {
  const starter =
    dose?.massKg == null
      ? 'the same packet dose of fresh culture'
      : `${units.mass(dose.massKg)} of fresh starter`;
  switch (what) {
    case 'wait':
      return 'Leave it as it is';
    case 'warm-bath':
      return `Stand it in a warm bath at ${units.temperature(place!.setPointC!)}`;
    case 'more-starter':
      return `Whisk in ${starter}`;
    case 'warm-bath-and-starter':
      return `Whisk in ${starter}, and stand it in a warm bath at ${units.temperature(place!.setPointC!)}`;
  }
}

/** What one tap records: moved, or stirred in, or both. */
async function take(state: MakeState, { place, dose }: Rescue): Promise<void> {
  if (dose)
    await record(state.id, 'starter-added', {
      ...dose,
      typed: dose.massKg === null ? null : { value: Math.round(dose.massKg * 1000), unit: 'g' },
    });
  if (place) await record(state.id, 'replanned', { place, why: 'a warm bath, because it was late' });
}

/** A rescue is offered for so much more chance, or so much sooner. */
const WORTH_CHANCE = 0.05;
const WORTH_MS = HOUR_MS;

/** How much there is to do. */
const WORK: Readonly<Record<Rescue['what'], number>> = {
  wait: 0,
  'warm-bath': 1,
  'more-starter': 1,
  'warm-bath-and-starter': 2,
};

/** Whether a rescue is less work than another and hardly less likely, nor much later. */
const spares = (less: Rescue, more: Rescue): boolean =>
  WORK[less.what] < WORK[more.what] &&
  less.chance > more.chance - WORTH_CHANCE &&
  (less.bodyMs[1] ?? Infinity) < (more.bodyMs[1] ?? Infinity) + WORTH_MS;

/** What may still be done, each walked through from now: when it sets, and how likely. */
export function Rescues(props: {
  readonly state: MakeState;
  readonly rescues: readonly Rescue[];
  readonly nowMs: number;
  /** The safety clock runs out then; `null` it does not. */
  readonly limitMs: number | null;
  /** Of a batch that was never entered nothing can be planned. */
  readonly planned: boolean;
}) {
  const { state, rescues, nowMs, limitMs, planned } = props;
  const units = useUnits();
  const worth = rescues.filter((rescue) => !rescues.some((other) => spares(other, rescue)));
  const hopeless = rescues.every(({ chance }) => chance < 0.1);
  return (
    <section className="rescues" aria-label="What to do now">
      <h2>What to do now</h2>
      {hopeless && (
        <p className="caution">
          Nothing is likely to set it in time. Begin again with fresh milk and a fresh starter.
        </p>
      )}
      <ul className="bare">
        {worth.map((rescue) => {
          const { what, bodyMs, chance } = rescue;
          const [p10, p50, p90] = bodyMs;
          return (
            <li key={what}>
              <span className="grows">
                <strong>{rescueWords(rescue, units)}.</strong>{' '}
                {p50 === null
                  ? 'It will probably not set.'
                  : `Sets ${units.span(p10, p90, nowMs)}${p90 === null ? ', if at all' : ''}.`}{' '}
                <span className="quiet">
                  {limitMs === null ? 'Sets at all' : 'Sets in time'} in about {Math.round(100 * chance)} of
                  100.
                </span>
              </span>
              {planned && (rescue.place || rescue.dose) && (
                <Button variant="default" onClick={() => void take(state, rescue)}>
                  Mark as done
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      <p className="quiet">
        Estimates.{' '}
        {limitMs !== null && `The safety clock runs out at ${units.time(limitMs, nowMs)}. Nothing resets it.`}
      </p>
    </section>
  );
}
