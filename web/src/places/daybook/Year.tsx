import '../../parts/tables/tables.css';
import {
  daybookChoices,
  fatLostBy,
  formatMinutes,
  honestAnswer,
  localDate,
  PRODUCTS,
  tally,
  tallyByMonth,
  tallyByProduct,
  TAKEN_WORD,
  thrownAway,
  yearOf,
} from '@morning-crock/core';
import { TAKEN_FOR } from '@morning-crock/core/contract';
import { Button, NativeSelect } from '@mantine/core';
import { useMemo } from 'react';
import { useNow } from '../../data/clock.ts';
import { useLarder } from '../../data/use-larder.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { priceWeight } from '../../parts/words/price-words.ts';
import { saveTable } from '../../parts/print/table-file.ts';
import { fatWords, honestWords, inOutWords, monthWords, savedWords, thrownWords } from './answer-words.ts';
import { DaybookHead } from './DaybookHead.tsx';
import { TALLY_COLUMNS, tallyRow } from './tally-row.ts';
import { TallyCells, TallyHeads } from './TallyCells.tsx';
import { useDaybook } from './use-daybook.ts';
import '../../parts/print/paper.css';

/** A year on a page, to be printed: what was made of what, what it gave, what became of it. */
export function Year() {
  const daybook = useDaybook();
  const units = useUnits();
  const { site } = useKitchen();
  const { lines, goods } = useLarder();
  const nowMs = useNow(60_000);
  const years = useMemo(() => daybookChoices(daybook.all, site.zone).years, [daybook.all, site.zone]);
  const year = daybook.filter.year ?? years[0] ?? localDate(site.zone, nowMs).slice(0, 4);
  const makes = useMemo(
    () => daybook.done.filter((make) => yearOf(make, site.zone) === year),
    [daybook.done, year, site.zone],
  );
  const whole = tally(makes);
  const products = tallyByProduct(makes);
  const months = tallyByMonth(makes, site.zone).reverse();
  const [weight] = priceWeight(units);
  const left = useMemo(() => {
    const inYear = lines.filter(({ atMs }) => localDate(site.zone, atMs).startsWith(year));
    return TAKEN_FOR.map((why) => {
      const of = inYear.filter(({ kind }) => kind === why);
      return {
        why,
        kg: of.reduce((sum, { massKg }) => sum + massKg, 0),
        paid: of.reduce((sum, { price }) => sum + (price ?? 0), 0),
      };
    }).filter(({ kg }) => kg > 0);
  }, [lines, year, site.zone]);
  const fat = fatLostBy(makes, 'season');
  const most = products[0];
  return (
    <div>
      <DaybookHead daybook={daybook} ownYear>
        <NativeSelect
          label="Year"
          value={year}
          w={130}
          data={years.includes(year) ? years : [year, ...years]}
          onChange={(event) => daybook.set('year', event.currentTarget.value)}
        />
        <Button
          variant="default"
          disabled={makes.length === 0}
          onClick={() =>
            saveTable(
              `year-${year}`,
              ['of', ...TALLY_COLUMNS],
              [
                ...products.map((p) => [PRODUCTS[p.product].label, ...tallyRow(p)]),
                ...months.map((m) => [m.month, ...tallyRow(m)]),
              ],
            )
          }
        >
          Download CSV
        </Button>
        <Button onClick={() => window.print()} disabled={makes.length === 0}>
          Print year
        </Button>
      </DaybookHead>
      {daybook.known && makes.length === 0 && <p>Nothing was made in {year}.</p>}
      {makes.length > 0 && (
        <article className="paper year-sheet" aria-label={`The year ${year}`}>
          <h2>The year {year}</h2>
          <p className="answer-sentence">{inOutWords(whole, months.length, units)}</p>
          <p>
            {most && `Made most often: ${PRODUCTS[most.product].label.toLowerCase()}, ${most.makes} times. `}
            About {formatMinutes(whole.handsMin)} hands-on. {savedWords(whole, units)}
          </p>
          <p>{honestWords(honestAnswer(makes))}</p>
          {fat.length > 0 && <p>{fatWords(fat)}</p>}
          <p>Thrown away: {thrownWords(thrownAway(makes, lines, goods), whole.litres, units)}</p>
          {left.length > 0 && (
            <p>
              From the larder:{' '}
              {left
                .map(
                  ({ why, kg, paid }) =>
                    `${units.mass(kg)} ${TAKEN_WORD[why]}${paid > 0 ? ` for ${units.cost(paid)}` : ''}`,
                )
                .join(', ')}
              .
            </p>
          )}
          {(
            [
              ['Product', 'By product', products.map((p) => [PRODUCTS[p.product].label, p] as const)],
              ['Month', 'By month', months.map((m) => [monthWords(m.month), m] as const)],
            ] as const
          ).map(([head, label, rows]) => (
            <div key={head} className="table-box above-m" role="region" aria-label={label} tabIndex={0}>
              <table className="ledger">
                <thead>
                  <tr>
                    <th>{head}</th>
                    <TallyHeads units={units} weight={weight} />
                  </tr>
                </thead>
                <tbody>
                  {rows.map(([name, t]) => (
                    <tr key={name}>
                      <td className="on-one-line">{name}</td>
                      <TallyCells tally={t} units={units} />
                    </tr>
                  ))}
                  <tr className="sum-row">
                    <td>Total</td>
                    <TallyCells tally={whole} units={units} />
                  </tr>
                </tbody>
              </table>
            </div>
          ))}
          <p className="quiet above-m">
            Hands-on time, burner energy and forecasts are estimates. This is a record, not a certificate.
            Selling milk products is regulated where you live.
          </p>
        </article>
      )}
    </div>
  );
}
