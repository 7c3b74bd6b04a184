import { litresOfMass, toLitres, type DayPours, type WayOut, MINUTE_MS } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useUnits } from '../../data/use-units.ts';

/** A tap gives so much more or less: half a litre, or a pint. */
const STEP_LITRES = { metric: 0.5, us: toLitres(1, 'pint-us'), imperial: toLitres(1, 'pint-imp') } as const;
const LEAST_LITRES = 0.1;
const MOST_LITRES = 60;

/** Litres of some kilograms of a lot. */
export function litresOfLot(pours: DayPours, lotId: string, massKg: number): number {
  const lot = pours.lots.find(({ id }) => id === lotId);
  return lot ? litresOfMass(massKg, lot.of) : massKg;
}

/** What a batch lacks of its milk, L. */
export const shortOf = (pours: DayPours, { want, from }: DayPours['allocation']['wants'][number]): number =>
  Math.max(
    0,
    want.litres - from.reduce((sum, { lotId, massKg }) => sum + litresOfLot(pours, lotId, massKg), 0),
  );

/** What is made from what a batch gives, by that batch. */
export type Onward = ReadonlyMap<string, { readonly name: string; readonly massKg: number }>;

/** What each batch gets and from where, a little more or less with a tap, and the ways out where it lacks some. */
export function DayShares(props: {
  readonly pours: DayPours;
  readonly nowMs: number;
  readonly onward: Onward;
  readonly onWay: (want: string, way: WayOut) => void;
  readonly onLitres: (want: string, litres: number) => void;
}) {
  const { pours, nowMs, onward, onWay, onLitres } = props;
  const units = useUnits();
  const step = STEP_LITRES[units.system];
  const fromWords = ({ from }: DayPours['allocation']['wants'][number]): string =>
    from.length === 0
      ? 'none in stock'
      : from
          .map(({ lotId, name, massKg }) => {
            const ready = pours.readyMs.get(lotId);
            return `${units.volume(litresOfLot(pours, lotId, massKg))} of ${name}${ready === undefined ? '' : `, ready ${units.time(ready, nowMs)}`}`;
          })
          .join(', ');
  return (
    <ul className="bare" aria-label="Where the milk comes from">
      {pours.allocation.wants.map((of) => {
        const { id, name, litres, sort, part } = of.want;
        const make = part?.of ?? id;
        const share = part?.share ?? 1;
        const next = onward.get(id);
        /** What all of it would be, were this part so much. */
        const whole = (own: number): number => Math.round((own / share) * 1000) / 1000;
        // Of creamy milk the cream follows the milk.
        const steps = id === make;
        return (
          <li key={id} className="day-want">
            <div className="row">
              <span className="grows">
                <strong>{name}</strong> <span className="quiet">{fromWords(of)}</span>
                {next && (
                  <>
                    . Then <span className="number">{units.mass(next.massKg)}</span> into {next.name}
                  </>
                )}
              </span>
              {steps && (
                <Button
                  variant="default"
                  aria-label={`Less for ${name}`}
                  disabled={litres - step < LEAST_LITRES}
                  onClick={() => onLitres(make, whole(litres - step))}
                >
                  −
                </Button>
              )}
              <span className="number" aria-live="polite">
                {units.volume(litres)}
              </span>
              {steps && (
                <Button
                  variant="default"
                  aria-label={`More for ${name}`}
                  disabled={litres + step > MOST_LITRES}
                  onClick={() => onLitres(make, whole(litres + step))}
                >
                  +
                </Button>
              )}
            </div>
            {of.shortKg > 0 && (
              <span className="danger">
                short of {units.volume(shortOf(pours, of))} of {sort === 'skimmed' ? 'skimmed milk' : sort}
              </span>
            )}
            {(pours.ways.get(id) ?? []).length > 0 && (
              <div className="row">
                {pours.ways.get(id)!.map((way) =>
                  way.way === 'buy' ? (
                    <span key="buy">or buy {units.volume(way.litres)}</span>
                  ) : (
                    <Button
                      key={way.way === 'skim' ? way.lotId : 'less'}
                      variant="default"
                      onClick={() =>
                        onWay(make, way.way === 'less' ? { ...way, litres: whole(way.litres) } : way)
                      }
                    >
                      {way.way === 'less'
                        ? `Make only ${units.volume(way.litres)}`
                        : `Skim ${way.name} ${way.atMs <= nowMs + 6 * MINUTE_MS ? 'now' : `at ${units.time(way.atMs, nowMs)}`} (about ${units.volume(way.gives)} of cream)`}
                    </Button>
                  ),
                )}
              </div>
            )}
          </li>
        );
      })}
    </ul>
  );
}
