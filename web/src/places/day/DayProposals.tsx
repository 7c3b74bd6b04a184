import {
  litresOfMass,
  massOfLitresKg,
  onDay,
  PRODUCTS,
  type PourSort,
  type ProposedDay,
} from '@morning-crock/core';
import type { ProductId } from '@morning-crock/core/contract';
import { Button, Progress } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { ulid } from 'ulid';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { AmountField, PLAIN_MILK, useAsTyped } from '../../parts/fields/AmountField.tsx';
import type { DayDraft } from './day-draft.ts';
import { SORT_WORD } from './proposal-words.ts';
import { ProposedDays } from './ProposedDays.tsx';
import type { DayPlan } from './use-day-plan.ts';
import { useProposals } from './use-proposals.ts';

const MOST_LITRES = 80;
const SORTS: readonly PourSort[] = ['milk', 'cream', 'skimmed'];
/** So many products are shown before the rest is asked for. */
const SHOWN = 6;

/** What shall I make: a whole day proposed from what is there, or two or three to choose from. */
export function DayProposals(props: {
  readonly draft: DayDraft;
  readonly plan: DayPlan;
  readonly zeroMs: number;
  readonly onTake: (day: Pick<DayDraft, 'makes' | 'skims'>) => void;
}) {
  const { draft, plan, zeroMs, onTake } = props;
  const units = useUnits();
  const kitchen = useKitchen();
  const asTyped = useAsTyped('volume');
  const [all, setAll] = useState(false);
  const proposals = useProposals(plan, draft, zeroMs);
  const { could, habits, chosen, there, supply, found, share, failed, ask, propose, stop } = proposals;
  if (!supply || !plan.room.known) return null;
  // Whatever is ticked stays where it is.
  const offered = could.filter((product, n) => all || n < SHOWN || habits.includes(product));
  const turning = SORTS.filter((sort) => supply.turning[sort] >= 0.1).map(
    (sort) => `${units.volume(supply.turning[sort])} of ${SORT_WORD[sort]}`,
  );
  const toggle = (product: ProductId): void =>
    ask((before) => ({
      ...before,
      products: chosen.includes(product) ? chosen.filter((one) => one !== product) : [...chosen, product],
    }));
  const nothing = SORTS.every((sort) => there(sort) < 0.1) || chosen.length === 0;
  const take = ({ batches, skims }: ProposedDay): void => {
    const idOf = new Map(batches.map(({ n }) => [n, ulid()]));
    onTake({
      skims: skims.map(({ lotId, atMs }) => ({ lotId, at: new Date(atMs).toISOString() })),
      makes: batches.map(({ n, method, litres, fedBy, byMs }) => {
        const by = byMs === null ? null : onDay(byMs, { zeroMs, days: draft.days, kitchen });
        return {
          id: idOf.get(n)!,
          ...(fedBy === null ? {} : { fedBy: idOf.get(fedBy)! }),
          methodId: method.id,
          litres,
          by: by?.time ?? '',
          byDay: by?.day ?? 0,
          fixed: {},
          who: {},
        };
      }),
    });
  };
  return (
    <section aria-label="What to make" className="column day-proposals">
      <h2>What shall I make?</h2>
      <div className="row">
        {SORTS.map((sort) => (
          <AmountField
            key={sort}
            label={`${SORT_WORD[sort].charAt(0).toUpperCase()}${SORT_WORD[sort].slice(1)} to use`}
            of={PLAIN_MILK}
            by="volume"
            none
            amount={asTyped(massOfLitresKg(there(sort), PLAIN_MILK), PLAIN_MILK)}
            check={(kg) =>
              litresOfMass(kg, PLAIN_MILK) > MOST_LITRES
                ? `Enter ${units.volume(MOST_LITRES)} or less.`
                : null
            }
            onAmount={(amount) => {
              if (amount)
                ask((before) => ({
                  ...before,
                  typed: { ...before.typed, [sort]: litresOfMass(amount.massKg, PLAIN_MILK) },
                }));
            }}
          />
        ))}
      </div>
      {turning.length > 0 && <p className="quiet">Use soon: {turning.join(', ')}.</p>}
      <fieldset className="choices">
        <legend className="below-s">Choose from</legend>
        {offered.map((product) => (
          <label key={product}>
            <input type="checkbox" checked={chosen.includes(product)} onChange={() => toggle(product)} />
            <span>{PRODUCTS[product].label}</span>
          </label>
        ))}
      </fieldset>
      {offered.length < could.length && (
        <Button variant="subtle" mr="auto" onClick={() => setAll(true)}>
          More products
        </Button>
      )}
      {share === null ? (
        <div className="row">
          <Button
            className={found ? undefined : 'great'}
            variant={found ? 'default' : 'filled'}
            h={found ? 48 : 72}
            disabled={nothing}
            onClick={propose}
          >
            {found ? 'Suggest again' : 'Suggest a day'}
          </Button>
          {nothing && (
            <span className="quiet">
              {chosen.length === 0
                ? 'Choose at least one product.'
                : 'Enter how much milk or cream there is.'}
            </span>
          )}
        </div>
      ) : (
        <div className="row">
          <span className="quiet">Working out days …</span>
          <Progress value={share * 100} aria-label="Working out days" className="grows" />
          <Button variant="default" onClick={stop}>
            Stop
          </Button>
        </div>
      )}
      {failed && (
        <p className="field-error" role="alert">
          This device could not work that out. Nothing was changed. Try again.
        </p>
      )}
      {found?.days.length === 0 && (
        <p className="caution" role="alert">
          None of this fits into your hours. Allow more hours or days, or choose other products.
        </p>
      )}
      {found && found.days.length > 0 && (
        <ProposedDays
          days={found.days}
          lacking={found.lacking}
          zeroMs={zeroMs}
          inHours={draft.session !== null}
          onUse={take}
        />
      )}
      <p className="quiet">
        Say what should be in stock under <Link to="/larder/wanted">Larder, Keep in stock</Link>.
      </p>
    </section>
  );
}
