import { formatMinutes, type Tally } from '@morning-crock/core';
import type { Units } from '../../data/units-of.ts';
import { priceWeight } from '../../parts/words/price-words.ts';

const NOTHING = '–';

/** The heads over what some makes took, gave and cost. */
export function TallyHeads({ units, weight }: { readonly units: Units; readonly weight: string }) {
  const money = units.money ? `, ${units.money}` : '';
  return (
    <>
      <th className="num">Batches</th>
      <th className="num">In</th>
      <th className="num">Out</th>
      <th className="num">Cost{money}</th>
      <th className="num">per {weight}</th>
      <th className="num">Saved</th>
      <th className="num">Hands-on</th>
    </>
  );
}

/** What some makes took, gave and cost, in a row. */
export function TallyCells({ tally: t, units }: { readonly tally: Tally; readonly units: Units }) {
  const [, kg] = priceWeight(units);
  const money = (value: number | null): string => (value === null ? NOTHING : value.toFixed(2));
  return (
    <>
      <td className="num">
        {t.makes}
        {t.lost > 0 && <span className="danger"> ({t.lost} ✗)</span>}
      </td>
      <td className="num">{units.volume(t.litres)}</td>
      <td className="num">{units.mass(t.kgOut)}</td>
      <td className="num">{t.costed > 0 ? money(t.cost) : NOTHING}</td>
      <td className="num">{money(t.costPerKg === null ? null : t.costPerKg * kg)}</td>
      <td className="num">{money(t.saved)}</td>
      <td className="num">{formatMinutes(t.handsMin)}</td>
    </>
  );
}
