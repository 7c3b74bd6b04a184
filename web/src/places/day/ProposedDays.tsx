import { PRODUCTS, type Lacking, type ProposedDay, MINUTE_MS } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useUnits } from '../../data/use-units.ts';
import {
  aimWords,
  givesWords,
  leftOutWords,
  leftWords,
  sortsWords,
  whyBatch,
  workWords,
} from './proposal-words.ts';

/** Days to choose from, each with what comes out, what is left over and what it takes. */
export function ProposedDays(props: {
  readonly days: readonly ProposedDay[];
  readonly lacking: readonly Lacking[];
  readonly zeroMs: number;
  /** Hours in the kitchen were given. */
  readonly inHours: boolean;
  readonly onUse: (day: ProposedDay) => void;
}) {
  const { days, lacking, zeroMs, inHours, onUse } = props;
  const units = useUnits();
  return (
    <ul className="bare column" aria-label="Days to choose from">
      {days.map((one, place) => {
        const aim = aimWords(one);
        const end = units.time(zeroMs + one.finish * MINUTE_MS, zeroMs);
        return (
          <li key={one.aim} className="day-proposal">
            <div className="row">
              <h3 className="grows">{aim}</h3>
              <Button
                variant={place === 0 ? 'filled' : 'default'}
                aria-label={`Use: ${aim}`}
                onClick={() => onUse(one)}
              >
                Use this day
              </Button>
            </div>
            <ul className="bare" aria-label={`Batches: ${aim}`}>
              {one.batches.map((batch) => {
                const why = whyBatch(batch, lacking, units);
                const feeder = one.batches.find((other) => other.n === batch.fedBy);
                return (
                  <li key={batch.n}>
                    <strong>{PRODUCTS[batch.product].label}</strong>{' '}
                    <span className="number">
                      {feeder ? units.mass(batch.litres) : units.volume(batch.litres)}
                    </span>
                    {sortsWords(batch, feeder)}
                    {why !== '' && <span className="quiet"> ({why})</span>}
                  </li>
                );
              })}
            </ul>
            {one.skims.length > 0 && <p>Skim first: {one.skims.map(({ name }) => name).join(', ')}.</p>}
            <p>{workWords(one, { end, inHours, units })}</p>
            <p className="quiet">
              {givesWords(one, units)} {leftWords(one, units)} {leftOutWords(one)}
            </p>
          </li>
        );
      })}
    </ul>
  );
}
