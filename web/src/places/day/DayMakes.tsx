import { Button, NativeSelect } from '@mantine/core';
import { ulid } from 'ulid';
import { useUnits } from '../../data/use-units.ts';
import { DayMake } from './DayMake.tsx';
import type { ChangeDraft, DayDraft } from './day-draft.ts';
import type { DayPlan } from './use-day-plan.ts';
import { useMethodChoice } from './use-method-choice.ts';

const MOST_MAKES = 16;

/** What is made, how much, and by when. */
export function DayMakes(props: {
  readonly draft: DayDraft;
  readonly setDraft: ChangeDraft;
  readonly plan: DayPlan;
  readonly zeroMs: number;
}) {
  const { draft, setDraft, plan, zeroMs } = props;
  const units = useUnits();
  const { methodId, choose, last, usual, weighed, options } = useMethodChoice();
  const full = draft.makes.length >= MOST_MAKES;
  const change = (id: string, to: Partial<DayDraft['makes'][number]>): void =>
    setDraft((before) => ({
      ...before,
      makes: before.makes.map((make) => (make.id === id ? { ...make, ...to } : make)),
    }));
  const add = (method: string, litres: number): void =>
    setDraft((before) => ({
      ...before,
      makes: [
        ...before.makes,
        { id: ulid(), methodId: method, litres, by: '', byDay: 0, fixed: {}, who: {} },
      ],
    }));
  return (
    <>
      <ul className="bare column" aria-label="Batches in this plan">
        {plan.makes.map((make) => (
          <DayMake
            key={make.id}
            make={make}
            plan={plan}
            days={draft.days}
            zeroMs={zeroMs}
            change={(to) => change(make.id, to)}
            onRemove={() =>
              setDraft((before) => ({ ...before, makes: before.makes.filter((m) => m.id !== make.id) }))
            }
          />
        ))}
      </ul>
      <div className="row wide">
        <NativeSelect
          label="Product and method"
          value={methodId}
          data={options}
          onChange={(event) => choose(event.currentTarget.value)}
        />
        <Button
          // What a day begins with.
          variant={draft.makes.length === 0 ? 'filled' : 'default'}
          h={48}
          disabled={full}
          onClick={() => add(methodId, usual)}
        >
          Add batch
        </Button>
        {last !== undefined && (
          <span className="quiet">{weighed ? units.mass(last) : units.volume(last)}, as last time</span>
        )}
      </div>
    </>
  );
}
