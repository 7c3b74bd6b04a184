import {
  COST_WORD,
  formatMinutes,
  goodsIntoMakes,
  worthOf,
  type CostLine,
  type MakeState,
} from '@morning-crock/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useLarder } from '../../data/use-larder.ts';
import type { Units } from '../../data/units-of.ts';
import { perWeight } from '../../parts/words/price-words.ts';

/** How much of a part went in, in the measure it is priced by. */
function amountWords({ amount, unit }: CostLine, units: Units): string {
  switch (unit) {
    case 'kg':
      return units.mass(amount);
    case 'kWh':
      return `about ${amount.toFixed(1)} kW·h`;
    case 'min':
      return `about ${formatMinutes(amount)}`;
    case 'packet':
      return `${Math.round(amount * 100) / 100} of a packet`;
  }
}

/** "saved 3.10 groats a kg against the shop", or what it cost more. */
function againstShop(savedPerKg: number, units: Units): string {
  if (Math.abs(savedPerKg) < 0.005) return 'same as the shop price';
  return savedPerKg > 0
    ? `${perWeight(savedPerKg, units)} less than the shop price`
    : `${perWeight(-savedPerKg, units)} more than the shop price`;
}

/** What a make cost, part by part, by the prices it was begun with; and what that is against the shop. */
export function Cost({ state, units }: { readonly state: MakeState; readonly units: Units }) {
  const { goods, lines: moved } = useLarder();
  const worth = useMemo(
    () => worthOf(state, goodsIntoMakes(goods, moved).get(state.id)),
    [state, goods, moved],
  );
  const { lines, total, perKg, savedPerKg, handsMin } = worth;
  const jars = state.plan.jars?.length ?? 0;
  const unpriced = lines.filter(({ cost }) => cost === null).map(({ part }) => COST_WORD[part]);
  const headline =
    perKg === null
      ? total === null
        ? 'Cost not known. Enter prices for the ingredients.'
        : `Cost ${units.cost(total)}. Weigh the batch to see its cost by weight.`
      : [
          `Cost ${perWeight(perKg, units)}`,
          ...(total === null || jars === 0 ? [] : [`${units.cost(total / jars)} per jar`]),
          ...(savedPerKg === null ? [] : [againstShop(savedPerKg, units)]),
          `about ${formatMinutes(handsMin)} hands-on`,
        ].join(', ') + '.';
  return (
    <section aria-label="Cost" className="below-l">
      <h2 className="below-s">Cost</h2>
      <p>{headline}</p>
      <div className="table-box" role="region" aria-label="Cost by item" tabIndex={0}>
        <table className="ledger">
          <thead>
            <tr>
              <th>Item</th>
              <th className="num">Amount</th>
              <th className="num">Cost{units.money ? `, ${units.money}` : ''}</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr key={line.part}>
                <td>{COST_WORD[line.part]}</td>
                <td className="num">{amountWords(line, units)}</td>
                <td className="num">{line.cost === null ? '–' : line.cost.toFixed(2)}</td>
              </tr>
            ))}
            {total !== null && (
              <tr>
                <td>
                  <strong>Total</strong>
                </td>
                <td />
                <td className="num">
                  <strong>{total.toFixed(2)}</strong>
                </td>
              </tr>
            )}
          </tbody>
        </table>
      </div>
      <p className="quiet">
        Prices are those of the day the batch started. Hands-on time and burner energy are estimates. Warm
        places, rennet and hot water are not counted. By-products count as free.
        {unpriced.length > 0 && (
          <>
            {' '}
            No price for: {unpriced.join(', ')}.{' '}
            <Link to="/kitchen/costs" className="not-on-paper">
              Prices
            </Link>
          </>
        )}
      </p>
    </section>
  );
}
