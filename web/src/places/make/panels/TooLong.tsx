import {
  loadStanding,
  slowChurning,
  STAGE_WORDS,
  toCelsius,
  handReading,
  type SlowCause,
  makeAt,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { now, useNow } from '../../../data/clock.ts';
import { chosenThermometer } from '../../../data/device.ts';
import { record } from '../../../data/store.ts';
import { useKitchen, useUnits } from '../../../data/use-units.ts';
import { QuantityField } from '../../../parts/fields/QuantityField.tsx';
import { Remedies } from '../../../parts/tables/Remedies.tsx';
import { valueFault } from '../../../parts/fields/value-checks.ts';
import type { PanelProps } from './panel.ts';
import './too-long.css';

/** No cream in a churn is as warm as this, °C. */
const MELTED_C = 40;

/** Likely reasons, in words. */
const CAUSE_WORDS: Readonly<Record<SlowCause, string>> = {
  cold: 'The cream is too cold. Its fat is too hard to stick together.',
  warm: 'The cream is too warm. Its fat smears instead of clumping.',
  thin: 'The cream is thin. There is too little fat to clump quickly.',
  full: 'The churn is too full to beat the cream.',
  'ultra-heated': 'Ultra-heated or stabilised cream may not break at all.',
  homogenised: 'Homogenised cream breaks late, if at all.',
  unknown:
    'The temperature is right. Check for a slow speed, a stabiliser in the cream, or less fat than you thought.',
};

/** When its next stage is late, and after twice the longest it should take: one question, then what could be done, each played through. */
export function TooLong({ live: { state } }: PanelProps) {
  const units = useUnits();
  const nowMs = useNow(5000);
  const { thermometers } = useKitchen();
  const [typed, setTyped] = useState<number | null>(null);
  const slow = slowChurning(makeAt(state, nowMs));
  if (!slow || nowMs < slow.sinceMs || loadStanding(state)?.broke) return null;
  const unit = units.temperatureUnit;
  if (slow.heatC === null)
    return (
      <form
        className="too-long"
        aria-label="Churning is taking too long"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed === null) return;
          const read = handReading(
            toCelsius(typed, unit),
            { value: typed, unit },
            thermometers,
            chosenThermometer(),
          );
          void record(state.id, 'temperature-read', read, now());
        }}
      >
        <h2>
          {slow.late === null
            ? 'Churning is taking too long.'
            : slow.late === 'froth'
              ? 'Still liquid?'
              : `Not at “${STAGE_WORDS[slow.late]}” yet?`}{' '}
          What temperature is the cream now?
        </h2>
        <div className="row">
          <QuantityField
            label="Cream temperature"
            value={null}
            unit={unit}
            units={[{ value: unit, label: `°${unit}` }]}
            check={(value, u) =>
              valueFault('temperature', value, u) ??
              (toCelsius(value, unit) > MELTED_C
                ? `Cream at ${value} °${unit} would be melted. Check the unit, and measure the cream, not the bath.`
                : null)
            }
            onFault={(faulty) => {
              if (faulty) setTyped(null);
            }}
            onChange={(value) => setTyped(value)}
          />
          <Button type="submit" h={56} disabled={typed === null} className="at-the-end">
            Save temperature
          </Button>
        </div>
      </form>
    );
  return (
    <section className="too-long" aria-label="Churning is taking too long">
      <h2>
        {units.temperature(slow.heatC)}. {CAUSE_WORDS[slow.causes[0] ?? 'unknown']}
      </h2>
      {slow.causes.slice(1).map((cause) => (
        <p key={cause}>{CAUSE_WORDS[cause]}</p>
      ))}
      <Remedies makeId={state.id} remedies={slow.remedies} taken />
      <p className="quiet">Estimates. Measure again afterwards to update the times.</p>
      <Link to={`/why/${state.id}?complaint=no-butter`}>What went wrong?</Link>
    </section>
  );
}
