import { isFrozen, toThaw, turningFirst, DAY_MS } from '@morning-crock/core';
import { Link } from 'react-router';
import { useCultures } from '../../data/use-cultures.ts';
import { useLarder } from '../../data/use-larder.ts';
import { useMilkRoom } from '../../data/use-milk.ts';
import { useUnits } from '../../data/use-units.ts';
import { endWords, lotAmount } from '../../parts/words/milk-words.ts';
import { stockWords, thawWords } from '../../parts/words/stock-words.ts';

/** What turns within these days is told on the Bench. */
const SOON_MS = 2 * DAY_MS;
/** What must come out of the freezer within a day is told. */
const THAW_SOON_MS = 86_400_000;
const MOST_TOLD = 3;

/** What must be used first, of goods, milk and cream; nothing when nothing turns soon. */
export function BenchLarder({ nowMs }: { readonly nowMs: number }) {
  const units = useUnits();
  const larder = useLarder();
  const room = useMilkRoom();
  const { due } = useCultures(nowMs);
  const soon = turningFirst(larder.goods, room.lots, nowMs, due).filter(
    (thing) => thing.fromMs - nowMs < SOON_MS && !isFrozen(thing),
  );
  const thaws = toThaw(larder.goods).filter(({ outMs }) => outMs - nowMs < THAW_SOON_MS);
  if (soon.length === 0 && thaws.length === 0) return null;
  return (
    <section aria-labelledby="use-first" className="below-m">
      <h2 id="use-first">
        <Link to="/larder">Use first</Link>
      </h2>
      <ul className="bare">
        {thaws.map((one) => {
          const { when, what } = thawWords(one, nowMs, units);
          return (
            <li key={`thaw ${one.good.id} ${one.stock.size}`}>
              <span className={one.outMs < nowMs ? 'danger' : ''}>{when}</span>{' '}
              <Link to={`/larder/${one.good.id}`}>{one.good.name}</Link>, {what}
            </li>
          );
        })}
        {soon.slice(0, MOST_TOLD).map((thing) => {
          const end = endWords(thing, nowMs, units);
          const [id, to, name, amount] =
            thing.of === 'goods'
              ? [
                  `${thing.good.id} ${thing.stock.place} ${thing.stock.size}`,
                  `/larder/${thing.good.id}`,
                  thing.good.name,
                  stockWords(thing.good, thing.stock, units),
                ]
              : thing.of === 'milk'
                ? [thing.lot.id, `/milk?lot=${thing.lot.id}`, thing.lot.name, lotAmount(thing.lot, units)]
                : [
                    `${thing.due.id} ${thing.due.kind}`,
                    `/cultures?culture=${thing.due.id}`,
                    thing.due.name,
                    'a culture',
                  ];
          return (
            <li key={id}>
              <Link to={to}>{name}</Link>, {amount}{' '}
              <span className={end.late ? 'danger' : 'quiet'}>{end.text}</span>
            </li>
          );
        })}
        {soon.length > MOST_TOLD && (
          <li className="quiet">and {soon.length - MOST_TOLD} more to use within two days</li>
        )}
      </ul>
    </section>
  );
}
