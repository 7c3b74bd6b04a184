import { allocate, freeKg, litresOfMass, massOfLitresKg, type Want } from '@morning-crock/core';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { ulid } from 'ulid';
import { useMakesQuery } from '../../data/api.ts';
import { useUnits } from '../../data/use-units.ts';
import { AmountField, useAsTyped } from '../../parts/fields/AmountField.tsx';
import { ROLE_WORD, someOf } from '../../parts/words/milk-words.ts';
import { type MilkRoomNow } from '../../data/use-milk.ts';

const SORTS: readonly { value: Want['sort']; label: string }[] = [
  { value: 'milk', label: 'whole milk' },
  { value: 'skimmed', label: 'skimmed milk' },
  { value: 'cream', label: 'cream' },
];
const FIRST_MAKES = 2;
/** Milk between skimmed and whole, for reading amounts by weight. */
const SOME_MILK = { fatFraction: 0.037, proteinFraction: 0.032, lactoseFraction: 0.047, ashFraction: 0.0072 };

/** Given what is here: is it enough for these makes, what is short, what is left, what does it cost? */
export function Enough({ room, nowMs }: { readonly room: MilkRoomNow; readonly nowMs: number }) {
  const units = useUnits();
  const asTyped = useAsTyped('volume');
  const { data: makes = [] } = useMakesQuery();
  const [own, setOwn] = useState<readonly Want[] | null>(null);
  const usual = [...new Map(makes.filter((m) => !m.waking).map((m) => [m.name, m])).values()]
    .slice(0, FIRST_MAKES)
    .map((m): Want => ({ id: m.id, name: m.name, sort: 'milk', litres: m.litres }));
  const wants = own ?? usual;
  const set = (id: string, part: Partial<Want>): void =>
    setOwn(wants.map((w) => (w.id === id ? { ...w, ...part } : w)));
  const result = allocate(room.lots, wants, nowMs);
  const short = result.wants.filter((w) => w.shortKg > 0);
  const wanted = (sort: Want['sort'], massKg: number): string =>
    someOf({ role: sort, of: SOME_MILK }, massKg, units);
  const some = (lotId: string, massKg: number): string => {
    const lot = room.lots.find(({ id }) => id === lotId);
    return lot ? someOf(lot, massKg, units) : units.mass(massKg);
  };
  return (
    <div className="enough">
      <p className="months-word" role="status">
        {wants.length === 0
          ? 'Add a batch to check.'
          : result.enough
            ? 'There is enough.'
            : `Short of ${short.map((s) => `${wanted(s.want.sort, s.shortKg)} for ${s.want.name}`).join(', ')}.`}
      </p>
      <ul className="wants">
        {result.wants.map(({ want, from, shortKg, cost }) => (
          <li key={want.id} className="want">
            <div className="field-row">
              <TextInput
                label="Batch"
                value={want.name}
                maxLength={80}
                onChange={(e) => set(want.id, { name: e.currentTarget.value })}
                w={180}
              />
              <NativeSelect
                label="Needs"
                value={want.sort}
                data={[...SORTS]}
                onChange={(e) => set(want.id, { sort: e.currentTarget.value as Want['sort'] })}
                w={160}
              />
              <AmountField
                label="Amount"
                of={SOME_MILK}
                by="volume"
                amount={asTyped(massOfLitresKg(want.litres, SOME_MILK), SOME_MILK)}
                onAmount={(amount) => {
                  if (amount) set(want.id, { litres: litresOfMass(amount.massKg, SOME_MILK) });
                }}
              />
              <Button
                variant="subtle"
                aria-label={`Remove ${want.name}`}
                onClick={() => setOwn(wants.filter((w) => w.id !== want.id))}
              >
                Remove
              </Button>
            </div>
            <p>
              {from.length === 0
                ? 'None in stock for this'
                : from.map((f) => `${some(f.lotId, f.massKg)} of ${f.name}`).join(', ')}
              {shortKg > 0 && <strong className="danger"> ✗ {wanted(want.sort, shortKg)} short</strong>}
              {cost !== null && from.length > 0 && `, ${units.cost(cost)}`}{' '}
              {want.sort !== 'cream' && shortKg === 0 && from.length > 0 && (
                <Link to={`/new?from=${from.map((f) => `${f.lotId}:${f.massKg.toFixed(3)}`).join(',')}`}>
                  Start batch
                </Link>
              )}
              {want.sort !== 'milk' &&
                shortKg > 0 &&
                room.lots.some((l) => l.role === 'milk' && l.place === 'cold') &&
                ' Skim the milk in the fridge to get some.'}
            </p>
          </li>
        ))}
      </ul>
      <Button
        variant="default"
        onClick={() => setOwn([...wants, { id: ulid(), name: 'Batch', sort: 'milk', litres: 2 }])}
      >
        Add batch
      </Button>
      <h2 className="above-l below-s">Left over</h2>
      <div className="table-box" role="region" aria-label="Left over" tabIndex={0}>
        <table className="ledger">
          <thead>
            <tr>
              <th>Lot</th>
              <th>Type</th>
              <th className="num">Available now</th>
              <th className="num">Left</th>
            </tr>
          </thead>
          <tbody>
            {result.left.map(({ lot, leftKg }) => (
              <tr key={lot.id}>
                <td>
                  <Link to={`/milk?lot=${lot.id}`}>{lot.name}</Link>
                </td>
                <td className="quiet">{ROLE_WORD[lot.role]}</td>
                <td className="num">{someOf(lot, freeKg(lot), units)}</td>
                <td className="num">{someOf(lot, leftKg, units)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}
