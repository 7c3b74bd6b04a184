import { clockTime } from '@morning-crock/core';
import type { KeptDay } from '@morning-crock/core/contract';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import type { ReactNode } from 'react';
import { useKitchen } from '../../data/use-units.ts';
import { DayTimeFields, type useDayTime } from '../../parts/words/DayTime.tsx';
import { WEEKDAYS } from '../../parts/words/weekdays.ts';
import { DayMakes } from './DayMakes.tsx';
import { DayWishes } from './DayWishes.tsx';
import { KeptDays } from './KeptDays.tsx';
import { draftOf, type ChangeDraft, type DayDraft } from './day-draft.ts';
import type { DayPlan } from './use-day-plan.ts';

/** What is asked of a day: when, whose hours, which batches; kept for another day. */
export function DayAsked(props: {
  readonly draft: DayDraft;
  readonly setDraft: ChangeDraft;
  readonly plan: DayPlan;
  readonly at: ReturnType<typeof useDayTime>;
  readonly nowMs: number;
  /** Those that are kept, and those made before. */
  readonly days: readonly KeptDay[];
  readonly onKeep: () => void;
  /** What else can be done with the batches. */
  readonly children: ReactNode;
}) {
  const { draft, setDraft, plan, at, nowMs, days, onKeep, children } = props;
  const { zone } = useKitchen().site;
  return (
    <section className="column" aria-label="Batches to make">
      <KeptDays
        days={days}
        room={plan.room}
        nowMs={nowMs}
        onTake={({ id, day }) => setDraft(() => draftOf(id, day, (ms) => clockTime(zone, ms)))}
      />
      <TextInput
        label="Plan name"
        value={draft.name}
        maxLength={80}
        onChange={({ currentTarget: { value: name } }) => setDraft((before) => ({ ...before, name }))}
      />
      <DayTimeFields at={at} dayLabel="Start on" timeLabel="at" />
      <NativeSelect
        label="Finish within"
        value={String(draft.days)}
        data={[1, 2, 3, 4].map((n) => ({ value: String(n), label: n === 1 ? 'one day' : `${n} days` }))}
        onChange={({ currentTarget: { value } }) =>
          setDraft((before) => ({ ...before, days: Number(value) }))
        }
      />
      <DayWishes draft={draft} setDraft={setDraft} answer={plan.answer} />
      <DayMakes draft={draft} setDraft={setDraft} plan={plan} zeroMs={at.atMs} />
      <div className="row">{children}</div>
      {plan.makes.length > 0 && (
        <div className="row wide">
          <NativeSelect
            label="Repeat this plan"
            value={draft.every === null ? '' : String(draft.every)}
            data={[
              { value: '', label: 'never' },
              ...WEEKDAYS.map((name, n) => ({ value: String(n), label: `every ${name}` })),
            ]}
            onChange={({ currentTarget: { value } }) =>
              setDraft((before) => ({ ...before, every: value === '' ? null : Number(value) }))
            }
          />
          <Button variant="default" h={48} disabled={Number.isNaN(at.atMs)} onClick={onKeep}>
            Save plan
          </Button>
        </div>
      )}
    </section>
  );
}
