import { alikeBut, type Unlike } from '@morning-crock/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useMakesQuery } from '../../data/api.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useUnits } from '../../data/use-units.ts';

const WORDS: Readonly<Record<Exclude<Unlike, 'way'>, string>> = {
  method: 'Method',
  place: 'Place',
  starter: 'Starter',
  milk: 'Milk',
  feed: 'Feed',
  pot: 'Pot',
  amount: 'Amount',
};

/** A batch that came out well and differed from this one in a single thing; nothing where there is none. */
export function AlikeBut({ makeId }: { readonly makeId: string }) {
  const units = useUnits();
  const { shown } = useMethods();
  const { data: makes } = useMakesQuery();
  const found = useMemo(() => {
    const own = makes?.find(({ id }) => id === makeId);
    return own && makes ? alikeBut(own, makes) : null;
  }, [makes, makeId]);
  if (!found) return null;
  const { make, unlike, here, there } = found;
  const say = (value: string): string =>
    unlike === 'amount'
      ? units.volume(Number(value))
      : unlike === 'method'
        ? (shown.find(({ id }) => id === value)?.method.name ?? value)
        : value;
  return (
    <section aria-label="Alike but for one thing">
      <h2>Alike but for one thing</h2>
      <p>
        <strong>{make.name}</strong>, {units.day(Date.parse(make.startedAt))}, was kept with no complaint.{' '}
        {unlike === 'way'
          ? here === ''
            ? `It was ${there}; this batch was not.`
            : there === ''
              ? `This batch was ${here}; it was not.`
              : `It was ${there}; this batch was ${here}.`
          : `${WORDS[unlike]}: ${say(there)} then, ${say(here)} now.`}
      </p>
      <p className="quiet">As far as it was entered.</p>
      <Link to={`/daybook/${makeId}/beside/${make.id}`}>Compare both</Link>
    </section>
  );
}
