import { traced } from '@morning-crock/core';
import { TAKEN_FOR } from '@morning-crock/core/contract';
import { Button, NativeSelect } from '@mantine/core';
import { Link, useNavigate, useParams } from 'react-router';
import { useMakesQuery } from '../../data/api.ts';
import { useLarderTraceQuery } from '../../data/larder-api.ts';
import type { LarderNow } from '../../data/use-larder.ts';
import { useUnits } from '../../data/use-units.ts';
import { codeWords, stockWords } from '../../parts/words/stock-words.ts';
import { LarderLines } from './LarderLines.tsx';
import { PLACE_WORD } from '@morning-crock/core';

/** Milk older than so many lots is looked up by its jars. */
const MOST_LOTS = 200;

/** From a jar back to the milking, and from a milking forward to every jar and where it went. */
export function Recall({ larder }: { readonly larder: LarderNow }) {
  const { more: id = '' } = useParams();
  const navigate = useNavigate();
  const units = useUnits();
  const { data } = useLarderTraceQuery();
  const { data: makes = [] } = useMakesQuery();
  if (!data || !larder.known) return <p className="quiet">Opening …</p>;
  const lots = new Map(data.lots.map((lot) => [lot.id, lot]));
  const goods = new Map(larder.goods.map((good) => [good.id, good]));
  const milkings = data.lots.filter((lot) => !data.links.some(({ to }) => to === lot.id)).slice(-MOST_LOTS);
  const options = [
    {
      group: 'Larder items',
      items: [...goods.values()].reverse().map((good) => ({
        value: good.id,
        label: `${good.name}, ${codeWords(good.code)}, ${units.day(good.madeMs)}`,
      })),
    },
    {
      group: 'Milk and cream received',
      items: [...milkings].reverse().map((lot) => ({
        value: lot.id,
        label: `${lot.name}, ${lot.source}, ${units.day(lot.atMs)}`,
      })),
    },
  ];
  const chosenGood = goods.get(id);
  const chosenLot = lots.get(id);
  const back = traced(data.links, id, 'back');
  const forward = [...(chosenGood ? [id] : []), ...traced(data.links, id, 'forward')];
  const made = forward.flatMap((one) => goods.get(one) ?? []);
  const gone = larder.lines.filter(
    ({ goodId, kind }) =>
      TAKEN_FOR.some((reason) => reason === kind) && made.some((good) => good.id === goodId),
  );
  const nameOf = (one: string) => {
    const lot = lots.get(one);
    if (lot)
      return (
        <>
          <Link to={`/larder/recall/${one}`}>{lot.name}</Link>{' '}
          <span className="quiet">
            {lot.role} from {lot.source}, {units.day(lot.atMs)}
          </span>
        </>
      );
    const make = makes.find((m) => m.id === one);
    if (make)
      return (
        <>
          <Link to={`/daybook/${one}`}>{make.name}</Link>{' '}
          <span className="quiet">started {units.day(Date.parse(make.startedAt))}</span>
        </>
      );
    const good = goods.get(one);
    return good ? <Link to={`/larder/recall/${one}`}>{`${good.name}, ${codeWords(good.code)}`}</Link> : one;
  };
  const makesMade = forward.filter((one) => makes.some((m) => m.id === one));
  return (
    <div className="column">
      <NativeSelect
        label="Trace"
        value={id}
        data={[{ value: '', label: 'Choose a jar or a milking' }, ...options]}
        onChange={(event) => void navigate(`/larder/recall/${event.currentTarget.value}`)}
      />
      {(chosenGood ?? chosenLot) && (
        <div className="recall-sheet paper">
          <h2>
            {chosenGood
              ? `${chosenGood.name}, ${codeWords(chosenGood.code)}`
              : `${chosenLot!.name}, ${chosenLot!.source}`}
          </h2>
          <p className="months-word">
            {made.length === 0
              ? 'Nothing in the larder was made from this.'
              : `${made.length} ${made.length === 1 ? 'item' : 'items'}: ${units.mass(
                  made.reduce((sum, { stocks }) => sum + stocks.reduce((kg, s) => kg + s.massKg, 0), 0),
                )} in stock, ${units.mass(gone.reduce((sum, { massKg }) => sum + massKg, 0))} gone.`}
          </p>
          {back.length > 0 && (
            <section aria-label="Made from">
              <h3>Made from</h3>
              <ul className="bare">
                {back.map((one) => (
                  <li key={one}>{nameOf(one)}</li>
                ))}
              </ul>
            </section>
          )}
          {makesMade.length > 0 && (
            <section aria-label="Batches made from this">
              <h3>Batches made from this</h3>
              <ul className="bare">
                {makesMade.map((one) => (
                  <li key={one}>{nameOf(one)}</li>
                ))}
              </ul>
            </section>
          )}
          {made.length > 0 && (
            <section aria-label="In stock">
              <h3>In stock</h3>
              <ul className="bare">
                {made.flatMap((good) =>
                  good.stocks
                    .filter(({ massKg }) => massKg > 0)
                    .map((stock) => (
                      <li key={`${good.id} ${stock.place} ${stock.size}`}>
                        {nameOf(good.id)} {stockWords(good, stock, units)} {PLACE_WORD[stock.place]}
                      </li>
                    )),
                )}
              </ul>
            </section>
          )}
          {gone.length > 0 && (
            <section aria-label="Used and sold">
              <h3>Used and sold</h3>
              <LarderLines lines={gone} goods={larder.goods} named />
            </section>
          )}
          <Button variant="default" h={56} onClick={() => window.print()}>
            Print trace
          </Button>
        </div>
      )}
    </div>
  );
}
