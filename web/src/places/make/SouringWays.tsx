import {
  markWords,
  nightWays,
  turnings,
  type BandForecast,
  type DoseGiven,
  type MakeState,
  type NightWay,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { completeStep } from '../../data/complete-step.ts';
import { record } from '../../data/store.ts';
import type { Units } from '../../data/units-of.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import './ways.css';

const WAY_WORDS = {
  chill: 'Move to fridge at bedtime',
  cooler: 'Move somewhere cooler',
  leave: 'Leave in place',
} as const;

/** How it is in the morning, in a few words. */
function morningWords(way: NightWay, body: string): string {
  if (!way.hasBody) return `not ${body.toLowerCase()} yet, about pH ${way.ph.toFixed(1)}`;
  return `${body.toLowerCase()}, tastes about ${way.sourness}${way.tooSour ? ', sourer than you wanted' : ''}`;
}

/** Going to bed: into the cold, somewhere cooler, or left, each with its morning. */
export function NightWays({
  state,
  forecast,
  nowMs,
}: {
  readonly state: MakeState;
  readonly forecast: BandForecast;
  readonly nowMs: number;
}) {
  const units = useUnits();
  const kitchen = useKitchen();
  // Five minutes change nothing of a night.
  const atMs = Math.floor(nowMs / 300_000) * 300_000;
  const night = useMemo(() => nightWays(state, forecast, kitchen, atMs), [state, forecast, kitchen, atMs]);
  if (!night) return null;
  const body = markWords(state, 'body');
  return (
    <section aria-label="Overnight choices" className="night-ways">
      <h2>
        Overnight from <span className="number">{units.time(night.bedMs, nowMs)}</span>
      </h2>
      <ul className="bare">
        {night.ways.map((way) => (
          <li key={way.what} className={way.best ? 'best' : ''}>
            <span>
              <strong>{WAY_WORDS[way.what]}</strong>
              {way.place && <span className="quiet"> ({way.place.name})</span>}
              {way.best && ' '}
              {way.best && <span className="night-best">closest to what you want</span>}
              <br />
              at <span className="number">{units.time(night.wakeMs, nowMs)}</span>: {morningWords(way, body)}
            </span>
            {way.what === 'cooler' && way.place && (
              <Button
                variant="default"
                onClick={() =>
                  void record(state.id, 'replanned', {
                    place: way.place!,
                    why: 'moved somewhere cooler for the night',
                  })
                }
              >
                Mark as moved
              </Button>
            )}
            {way.what === 'chill' && (
              // Not called as the large button is: this one comes and goes with the forecast.
              <Button variant="default" onClick={() => void completeStep(state)}>
                Mark as chilled
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface TurningProps {
  readonly state: MakeState;
  readonly forecast: BandForecast;
  readonly nowMs: number;
}

/** Too slow, or too fast: what another place or more starter would do, each tried out before it is chosen. */
export function Turnings(props: TurningProps) {
  const { state } = props;
  const [open, setOpen] = useState(false);
  if (state.current?.step.facts.sours !== true) return null;
  return (
    <details
      onToggle={(event) => {
        setOpen(event.currentTarget.open);
      }}
    >
      <summary className="unfolds">Too slow or too fast?</summary>
      {open && <TurningList {...props} />}
    </details>
  );
}

/** As much starter again, in words. */
const moreWords = (dose: DoseGiven | null, units: Units): string =>
  dose?.massKg == null ? 'Same packet dose again' : `${units.mass(dose.massKg)} more starter`;

function TurningList({ state, forecast, nowMs }: TurningProps) {
  const units = useUnits();
  const all = useMemo(() => turnings(state, forecast, nowMs), [state, forecast, nowMs]);
  if (!all) return null;
  const when = (ms: number | null): string =>
    ms === null ? 'not reached' : `about ${units.time(ms, nowMs)}`;
  return (
    <ul className="bare night-ways">
      <li>
        <span>
          No change: <span className="number">{when(all.asItIs.readyMs)}</span>
        </span>
      </li>
      {all.ways.map((way) => (
        <li key={way.what}>
          <span>
            <strong>{way.place?.name ?? moreWords(way.dose, units)}</strong>:{' '}
            <span className="number">{when(way.readyMs)}</span>
          </span>
          {way.place ? (
            <Button
              variant="default"
              onClick={() =>
                void record(state.id, 'replanned', {
                  place: way.place!,
                  why:
                    way.what === 'colder'
                      ? 'somewhere cooler, to slow the souring'
                      : 'a warm bath, to speed up the souring',
                })
              }
            >
              Mark as moved
            </Button>
          ) : (
            <Button
              variant="default"
              onClick={() =>
                void record(state.id, 'starter-added', {
                  ...way.dose!,
                  typed:
                    way.dose!.massKg === null
                      ? null
                      : { value: Math.round(way.dose!.massKg * 1000), unit: 'g' },
                })
              }
            >
              Mark as stirred in
            </Button>
          )}
        </li>
      ))}
      <li className="quiet">
        In a warm bath, check every 15 minutes. None of these choices resets the safety clock.
      </li>
    </ul>
  );
}
