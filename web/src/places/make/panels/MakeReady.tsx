import { preparationOf } from '@morning-crock/core';
import { useUnits } from '../../../data/use-units.ts';
import type { PanelProps } from './panel.ts';

/** What a churning wants to find ready, said in time: tonight, or before the cream comes out. */
export function MakeReady({ live: { state } }: PanelProps) {
  const units = useUnits();
  const ready = preparationOf(state.plan);
  if (!ready) return null;
  const { bath } = ready;
  return (
    <section aria-label="Get ready" className="make-ready">
      <h2>Get ready</h2>
      <ul>
        {ready.washLitres > 0 && (
          <li>
            Chill about {units.aboutVolume(ready.washLitres)} of drinking water in the fridge tonight, or use
            tap water with about {units.mass(Math.ceil(10 * ready.iceKg) / 10)} of ice
          </li>
        )}
        {bath && (
          <li>
            A water bath of {units.aboutVolume(bath.litres)} at {units.temperature(bath.celsius)}
            {bath.iceKg > 0 && `, with ${units.mass(Math.ceil(10 * bath.iceKg) / 10)} of ice`}
            {ready.loads > 1 && ', fresh for each load'}
          </li>
        )}
        <li>
          A bowl of about {units.aboutVolume(ready.bowlLitres)}, a jug of{' '}
          {units.aboutVolume(ready.buttermilkLitres)} for the buttermilk and a sieve lined with a wet cloth
        </li>
        <li>
          Clean everything first: boiled 10 min, steamed, from a hot dishwasher, or in diluted bleach, rinsed
          and drained
        </li>
        <li>
          Scald the churn, paddles and wooden moulds, then soak them in cold water. Butter sticks to dry wood.
        </li>
      </ul>
    </section>
  );
}
