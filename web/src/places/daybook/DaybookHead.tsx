import '../../parts/fields/form-styles.ts';
import { daybookChoices, MILK_FACTS, PRODUCTS, type DaybookFilter } from '@morning-crock/core';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useMemo, useState, type ReactNode } from 'react';
import { NavLink, useLocation } from 'react-router';
import { useCulturesQuery } from '../../data/api.ts';
import { useKitchen } from '../../data/use-units.ts';
import type { DaybookNow } from './use-daybook.ts';
import './daybook.css';

const PARTS = [
  { to: '/daybook', label: 'Batches' },
  { to: '/daybook/answers', label: 'Answers' },
  { to: '/daybook/costs', label: 'Costs' },
  { to: '/daybook/year', label: 'Year' },
] as const;

/** One filter, offered where there is something to choose. */
function Only(props: {
  readonly label: string;
  readonly of: Exclude<keyof DaybookFilter, 'words'>;
  readonly values: readonly string[];
  readonly word: (value: string) => string;
  readonly daybook: DaybookNow;
}) {
  const { label, of, values, word, daybook } = props;
  const value = daybook.filter[of] ?? '';
  // What the address asks for stays to be seen, and to be taken back.
  const shown = value !== '' && !values.includes(value) ? [value, ...values] : values;
  if (shown.length < 2 && value === '') return null;
  return (
    <NativeSelect
      label={label}
      value={value}
      w={210}
      data={[{ value: '', label: 'any' }, ...shown.map((v) => ({ value: v, label: word(v) }))]}
      onChange={(event) => daybook.set(of, event.currentTarget.value)}
    />
  );
}

/** The Daybook's name, its parts, and what of it is looked at. */
export function DaybookHead(props: {
  readonly daybook: DaybookNow;
  /** The years are chosen otherwise. */
  readonly ownYear?: boolean;
  readonly children?: ReactNode;
}) {
  const { daybook, ownYear, children } = props;
  const { all, filter, isFiltered } = daybook;
  const { search } = useLocation();
  const kitchen = useKitchen();
  const { data: cultures } = useCulturesQuery();
  const choices = useMemo(() => daybookChoices(all, kitchen.site.zone), [all, kitchen.site.zone]);
  const [open, setOpen] = useState(isFiltered);
  // An address follows a moment later: who types fast would lose letters to it.
  const [typed, setTyped] = useState(filter.words);
  return (
    <>
      <div className="make-head place-head">
        <h1>Daybook</h1>
        <nav aria-label="Daybook" className="place-parts">
          {PARTS.map(({ to, label }) => (
            <NavLink key={to} to={{ pathname: to, search }} end>
              {label}
            </NavLink>
          ))}
        </nav>
      </div>
      <div className="row wide below-m daybook-seek not-on-paper">
        <TextInput
          label="Search"
          value={typed}
          maxLength={80}
          w={220}
          onChange={(event) => {
            setTyped(event.currentTarget.value);
            daybook.set('words', event.currentTarget.value);
          }}
        />
        <Button variant="default" aria-expanded={open} onClick={() => setOpen(!open)}>
          Filter
        </Button>
        {isFiltered && (
          <Button
            variant="subtle"
            onClick={() => {
              setTyped('');
              daybook.clear();
            }}
          >
            Clear filter
          </Button>
        )}
        {children}
      </div>
      {open && (
        <div className="row wide below-m daybook-seek not-on-paper" role="group" aria-label="Filter">
          <Only
            label="Product"
            of="product"
            values={choices.products}
            word={(id) => choices.products.flatMap((p) => (p === id ? [PRODUCTS[p].label] : []))[0] ?? id}
            daybook={daybook}
          />
          <Only
            label="Animal"
            of="animal"
            values={choices.animals}
            word={(kind) =>
              choices.animals.flatMap((k) => (k === kind ? [MILK_FACTS[k].label] : []))[0] ?? kind
            }
            daybook={daybook}
          />
          <Only
            label="Culture"
            of="lineId"
            values={choices.lines}
            word={(id) => cultures?.cultures.find((c) => c.id === id)?.name ?? 'a deleted culture'}
            daybook={daybook}
          />
          <Only label="Pot" of="pot" values={choices.pots} word={(pot) => pot} daybook={daybook} />
          <Only
            label="Cook"
            of="cookId"
            values={choices.cooks}
            word={(id) => kitchen.cooks.find((c) => c.id === id)?.name ?? 'a former cook'}
            daybook={daybook}
          />
          {!ownYear && (
            <Only label="Year" of="year" values={choices.years} word={(year) => year} daybook={daybook} />
          )}
        </div>
      )}
      {daybook.failed && (
        <p className="danger">
          The Daybook cannot be loaded now. Your records are safe.{' '}
          <Button variant="default" onClick={daybook.again}>
            Try again
          </Button>
        </p>
      )}
    </>
  );
}
