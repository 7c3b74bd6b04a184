import { formatMinutes, type Remedy } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { record } from '../../data/store.ts';
import type { Units } from '../../data/units-of.ts';
import { useUnits } from '../../data/use-units.ts';

/** What to do, in words with its minutes. */
function remedyWords({ what, bath, water }: Remedy, units: Units): string {
  switch (what) {
    case 'warm-bath':
      return `Stand the cream in water at ${units.temperature(bath!.celsius)} and stir for about ${formatMinutes(bath!.minutes)}, to reach ${units.temperature(bath!.toC)}`;
    case 'cold-bath':
      return `Stand the cream in iced water and stir for about ${formatMinutes(bath!.minutes)}, to reach ${units.temperature(bath!.toC)}`;
    case 'chilled-water':
      return `Add ${units.volume(water!.massKg)} of drinking water at ${units.temperature(water!.celsius)}, to reach ${units.temperature(water!.toC)} (this thins the buttermilk)`;
    case 'two-loads':
      return 'Take out half the cream and churn two loads';
    case 'go-on':
      return 'Carry on churning';
  }
}

/** What could be done about a churning that takes too long, each with how long it would then take. */
export function Remedies(props: {
  readonly makeId: string;
  readonly remedies: readonly Remedy[];
  /** Whether a tap takes one; of a batch that was never entered nothing is recorded. */
  readonly taken: boolean;
}) {
  const { makeId, remedies, taken } = props;
  const units = useUnits();
  return (
    <ol>
      {remedies.map((remedy) => {
        const words = remedyWords(remedy, units);
        return (
          <li key={remedy.what}>
            <span className="grows">
              {words}, <strong>then churn about {formatMinutes(remedy.thenMin)} more</strong>
            </span>
            {!taken ? null : remedy.water !== null ? (
              <Button
                variant="default"
                onClick={() =>
                  void record(makeId, 'water-poured', {
                    massKg: remedy.water!.massKg,
                    celsius: remedy.water!.celsius,
                    typed: { value: Math.round(remedy.water!.massKg * 1000), unit: 'mL' },
                  })
                }
              >
                Mark as added
              </Button>
            ) : (
              remedy.what !== 'go-on' && (
                <Button variant="default" onClick={() => void record(makeId, 'noted', { text: `${words}.` })}>
                  Do this
                </Button>
              )
            )}
          </li>
        );
      })}
    </ol>
  );
}
