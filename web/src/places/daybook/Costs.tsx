import '../../parts/tables/tables.css';
import {
  formatMinutes,
  makesByMonth,
  PRODUCTS,
  tally,
  tallyByProduct,
  type ProductTally,
  type Tally,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { priceWeight } from '../../parts/words/price-words.ts';
import { saveTable } from '../../parts/print/table-file.ts';
import { monthWords, savedWords } from './answer-words.ts';
import { DaybookHead } from './DaybookHead.tsx';
import { TALLY_COLUMNS, tallyRow } from './tally-row.ts';
import { TallyCells, TallyHeads } from './TallyCells.tsx';
import { useDaybook } from './use-daybook.ts';
import '../../parts/print/paper.css';

/** So many months are drawn; the table file has all. */
const MOST_MONTHS = 24;

const COLUMNS = ['month', 'product', ...TALLY_COLUMNS] as const;

/** What the makes cost and what that saved, by month and product. */
export function Costs() {
  const daybook = useDaybook();
  const units = useUnits();
  const { site } = useKitchen();
  const { done: makes } = daybook;
  const months = useMemo(
    () =>
      makesByMonth(makes, site.zone).map(([month, of]): [string, ProductTally[], Tally] => [
        month,
        tallyByProduct(of),
        tally(of),
      ]),
    [makes, site.zone],
  );
  const whole = useMemo(() => tally(makes), [makes]);
  const [weight] = priceWeight(units);
  return (
    <div className="paper">
      <DaybookHead daybook={daybook}>
        <Button
          variant="default"
          onClick={() =>
            saveTable(
              'costs-by-month',
              COLUMNS,
              months.flatMap(([month, products]) =>
                products.map((p) => [month, PRODUCTS[p.product].label, ...tallyRow(p)]),
              ),
            )
          }
        >
          Download CSV
        </Button>
        <Button variant="default" onClick={() => window.print()}>
          Print
        </Button>
      </DaybookHead>
      {daybook.known && makes.length === 0 && <p>No finished batches to add up yet.</p>}
      {makes.length > 0 && (
        <>
          <p className="answer-sentence below-m">{savedWords(whole, units)}</p>
          <p className="quiet below-m">
            Prices are those of the day each batch started. Estimates: {formatMinutes(whole.handsMin)}{' '}
            hands-on, {whole.energyKwh.toFixed(0)} kW·h for the burners.{' '}
            <Link to="/kitchen/costs">Prices</Link>
          </p>
          <div className="table-box" role="region" aria-label="Costs by month and product" tabIndex={0}>
            <table className="ledger">
              <thead>
                <tr>
                  <th>Month</th>
                  <th>Product</th>
                  <TallyHeads units={units} weight={weight} />
                </tr>
              </thead>
              <tbody>
                {months.slice(0, MOST_MONTHS).map(([month, products, all]) => [
                  ...products.map((p, i) => (
                    <tr key={`${month} ${p.product}`}>
                      <td className="on-one-line">{i === 0 ? monthWords(month) : ''}</td>
                      <td>{PRODUCTS[p.product].label}</td>
                      <TallyCells tally={p} units={units} />
                    </tr>
                  )),
                  ...(products.length > 1
                    ? [
                        <tr key={`${month} all`} className="sum-row">
                          <td />
                          <td>Total</td>
                          <TallyCells tally={all} units={units} />
                        </tr>,
                      ]
                    : []),
                ])}
              </tbody>
            </table>
          </div>
          {months.length > MOST_MONTHS && (
            <p className="quiet above-m">
              Showing the latest {MOST_MONTHS} of {months.length} months. The CSV has them all.
            </p>
          )}
        </>
      )}
    </div>
  );
}
