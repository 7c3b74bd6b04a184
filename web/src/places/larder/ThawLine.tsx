import type { ToThaw } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { thawWords } from '../../parts/words/stock-words.ts';

/** Something that is to come out of the freezer, with the one tap that says it did, or that it is not wanted any more. */
export function ThawLine(props: {
  readonly one: ToThaw;
  readonly nowMs: number;
  readonly may: 'thaw' | 'cancel';
}) {
  const { one, nowMs, may } = props;
  const { good, stock, massKg, count } = one;
  const units = useUnits();
  const from = { place: stock.place, size: stock.size };
  const words = thawWords(one, nowMs, units);
  return (
    <div className="row wide thaw-line">
      <span>
        <strong className={one.outMs < nowMs ? 'danger' : ''}>{words.when}</strong>{' '}
        {may === 'thaw' && <Link to={`/larder/${good.id}`}>{good.name}</Link>} {words.what}
      </span>
      {may === 'thaw' ? (
        <Button
          h={56}
          aria-label={`Start thawing: ${good.name}`}
          onClick={() =>
            void record(good.id, 'larder-moved', {
              kind: 'carry',
              from,
              to: 'cold',
              massKg,
              count,
              typed: null,
            })
          }
        >
          Start thawing
        </Button>
      ) : (
        <Button
          variant="default"
          aria-label={`Cancel thawing: ${good.name}`}
          onClick={() =>
            void record(good.id, 'larder-moved', {
              kind: 'thaw-for',
              from,
              massKg,
              count,
              typed: null,
              readyAt: null,
            })
          }
        >
          Cancel thawing
        </Button>
      )}
    </div>
  );
}
