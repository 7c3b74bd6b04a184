import {
  formatMinutes,
  loadStanding,
  slowChurning,
  STAGE_WORDS,
  toCelsius,
  handReading,
  type Remedy,
  type SlowCause,
  makeAt,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { now, useNow } from '../../../data/clock.ts';
import { chosenThermometer } from '../../../data/device.ts';
import { record } from '../../../data/store.ts';
import type { Units } from '../../../data/units-of.ts';
import { useKitchen, useUnits } from '../../../data/use-units.ts';
import { QuantityField } from '../../../parts/fields/QuantityField.tsx';
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
      <ol>
        {slow.remedies.map((remedy) => {
          const words = remedyWords(remedy, units);
          return (
            <li key={remedy.what}>
              <span className="grows">
                {words}, <strong>then churn about {formatMinutes(remedy.thenMin)} more</strong>
              </span>
              {remedy.water !== null ? (
                <Button
                  variant="default"
                  onClick={() =>
                    void record(state.id, 'water-poured', {
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
                  <Button
                    variant="default"
                    onClick={() => void record(state.id, 'noted', { text: `${words}.` })}
                  >
                    Do this
                  </Button>
                )
              )}
            </li>
          );
        })}
      </ol>
      <p className="quiet">Estimates. Measure again afterwards to update the times.</p>
    </section>
  );
}
