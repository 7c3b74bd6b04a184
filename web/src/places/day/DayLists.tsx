import { USUAL_COLANDERS, type DayHands, type DayNeed, type EveningThing } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useUnits } from '../../data/use-units.ts';
import type { CalendarMoment } from './day-calendar.ts';
import type { Told } from './day-moments.ts';
import { DaySheet } from './DaySheet.tsx';
import { saveFile } from '../../parts/print/save-file.ts';

/** One thing to do the evening before, in words. */
function eveningWords(thing: EveningThing, volume: (litres: number) => string): string {
  const { what, count, litres, name } = thing;
  return {
    'cream-out': 'Put the cream where you can take it out in time',
    'cold-water': `Chill about ${volume(litres ?? 0)} of wash water and have ice ready`,
    cloths: `Soak or boil ${count ?? 0} ${count === 1 ? 'cloth' : 'cloths'}`,
    moulds: `Set out moulds and a press for ${count ?? 0} ${count === 1 ? 'batch' : 'batches'}`,
    pots: `Clean ${count ?? 0} ${count === 1 ? 'pot' : 'pots'} and keep ${count === 1 ? 'it' : 'them'} free`,
    starter: `Check that the starter is active: ${name?.replace(/^./, (first) => first.toLowerCase()) ?? ''}`,
  }[what];
}

/** The evening before, what to have ready and to buy, and the day on paper or in a calendar. */
export function DayLists(props: {
  readonly name: string;
  readonly evening: readonly EveningThing[];
  readonly needs: readonly DayNeed[];
  /** Which pot each batch has. */
  readonly pots: readonly { readonly make: string; readonly name: string }[];
  /** What the milk room lacks. */
  readonly missing: readonly { readonly sort: string; readonly litres: number }[];
  readonly hands: readonly DayHands[];
  /** What to do in each step, by batch; worked out when it is wanted. */
  readonly instructions: () => Told;
  readonly moments: (told: Told) => readonly CalendarMoment[];
  readonly nameOf: (make: string) => string;
  readonly timeOf: (minute: number) => string;
  readonly nowMs: number;
}) {
  const { name, evening, needs, pots, missing, hands, instructions, moments, nameOf, timeOf, nowMs } = props;
  const units = useUnits();
  return (
    <>
      <div className="day-lists">
        {evening.length > 0 && (
          <section aria-label="The evening before">
            <h2>The evening before</h2>
            <ul>
              {evening.map((thing) => (
                <li key={`${thing.what} ${thing.name ?? ''}`}>
                  {eveningWords(thing, (litres) => units.volume(litres))}{' '}
                  <span className="quiet">{thing.of.join(', ')}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
        <section aria-label="Have ready">
          <h2>Have ready</h2>
          <ul>
            {needs.map((need) => (
              <li key={need.what}>
                <span className="number">
                  {'litres' in need
                    ? units.volume(need.litres)
                    : need.massKg === null
                      ? 'amount on the packet:'
                      : units.mass(need.massKg)}
                </span>{' '}
                {'isHere' in need
                  ? `${need.what}, already here`
                  : need.what.charAt(0).toLowerCase() + need.what.slice(1)}{' '}
                <span className="quiet">{need.of.join(', ')}</span>
              </li>
            ))}
            {[...new Set(pots.map(({ name: pot }) => pot))].map((pot) => (
              <li key={pot}>
                {pot}{' '}
                <span className="quiet">
                  {[...new Set(pots.filter((p) => p.name === pot).map(({ make }) => nameOf(make)))].join(
                    ', ',
                  )}
                </span>
              </li>
            ))}
          </ul>
          <p className="quiet">
            Also assumed: {USUAL_COLANDERS} colanders with cloths, one sink, and jars enough.
          </p>
        </section>
        {missing.length > 0 && (
          <section aria-label="To buy">
            <h2>To buy</h2>
            <ul>
              {missing.map(({ sort, litres }) => (
                <li key={sort}>
                  <span className="number">{units.volume(litres)}</span>{' '}
                  {sort === 'skimmed' ? 'skimmed milk' : sort}
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <div className="row">
        <Button variant="default" onClick={() => window.print()}>
          Print schedule
        </Button>
        <Button
          variant="default"
          onClick={() =>
            void import('./day-calendar.ts').then(({ dayCalendar }) =>
              saveFile(
                'day.ics',
                new Blob([dayCalendar(name, moments(instructions()), nowMs)], { type: 'text/calendar' }),
              ),
            )
          }
        >
          Add to calendar
        </Button>
      </div>
      <DaySheet name={name} hands={hands} instructions={instructions} nameOf={nameOf} timeOf={timeOf}>
        <p>{evening.map((thing) => eveningWords(thing, (litres) => units.volume(litres))).join(' · ')}</p>
      </DaySheet>
    </>
  );
}
