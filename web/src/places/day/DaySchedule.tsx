import { formatMinutes, type DayAnswer } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { useKitchen } from '../../data/use-units.ts';
import { DayBlock } from './DayBlock.tsx';
import { DayPicture } from './DayPicture.tsx';
import type { DayDraft } from './day-draft.ts';
import type { DayPlan } from './use-day-plan.ts';

type DraftMake = DayDraft['makes'][number];

/** The schedule as a picture and as a list: any step can be chosen, moved, pinned and given to somebody. */
export function DaySchedule(props: {
  readonly draft: DayDraft;
  readonly plan: DayPlan;
  readonly answer: Extract<DayAnswer, { readonly fits: true }>;
  readonly zeroMs: number;
  readonly nameOf: (make: string) => string;
  readonly timeOf: (minute: number) => string;
  readonly changeMake: (id: string, to: (make: DraftMake) => Partial<DraftMake>) => void;
}) {
  const { draft, plan, answer, zeroMs, nameOf, timeOf, changeMake } = props;
  const kitchen = useKitchen();
  const [by, setBy] = useState<'make' | 'who'>('make');
  const [chosen, setChosen] = useState<string | null>(null);
  const { makes } = plan;
  const move = (make: string, step: string, minute: number): void => {
    setChosen(`${make} ${step}`);
    // A draft tells it from the day's own beginning, whatever begins before it.
    changeMake(make, ({ fixed }) => ({ fixed: { ...fixed, [step]: Math.round(minute - plan.opensMin) } }));
  };
  const block = answer.hands.find((h) => `${h.make} ${h.step}` === chosen);
  const blockMake = draft.makes.find(({ id }) => id === block?.make);
  const fixed = new Set(
    draft.makes.flatMap(({ id, fixed: own }) => Object.keys(own).map((step) => `${id} ${step}`)),
  );
  return (
    <>
      <div className="row">
        <h2 className="grows">Schedule</h2>
        {(['make', 'who'] as const).map((way) => (
          <Button
            key={way}
            variant={by === way ? 'filled' : 'default'}
            aria-pressed={by === way}
            onClick={() => setBy(way)}
          >
            {way === 'make' ? 'By batch' : 'By person and equipment'}
          </Button>
        ))}
      </div>
      <DayPicture
        makes={[...makes, ...plan.chores.map(({ id }) => ({ id, name: 'Milk room' }))]}
        hands={answer.hands}
        zeroMs={zeroMs}
        finish={answer.finish}
        kept={plan.kept}
        by={by}
        chosen={chosen}
        fixed={fixed}
        onChoose={(key) => setChosen(key === chosen ? null : key)}
        onMove={move}
      />
      {block && (
        <DayBlock
          block={block}
          hands={answer.hands}
          nameOf={nameOf}
          timeOf={timeOf}
          fixed={fixed.has(`${block.make} ${block.step}`)}
          who={blockMake?.who[block.step] ?? ''}
          onMove={(minute) => move(block.make, block.step, minute)}
          onFree={() =>
            changeMake(block.make, ({ fixed: own }) => ({
              fixed: Object.fromEntries(Object.entries(own).filter(([step]) => step !== block.step)),
            }))
          }
          onWho={(cook) =>
            changeMake(block.make, ({ who }) => ({
              who:
                cook === ''
                  ? Object.fromEntries(Object.entries(who).filter(([step]) => step !== block.step))
                  : { ...who, [block.step]: cook },
            }))
          }
        />
      )}
      <ol className="bare day-list" aria-label="Steps in time order">
        {answer.hands.map((h) => (
          <li key={`${h.make} ${h.step}`} className={chosen === `${h.make} ${h.step}` ? 'chosen' : ''}>
            <span className="number">{timeOf(h.from)}</span>
            <button
              type="button"
              className="plain"
              aria-pressed={chosen === `${h.make} ${h.step}`}
              onClick={() => setChosen(`${h.make} ${h.step}`)}
            >
              {h.act} <span className="quiet">{nameOf(h.make)}</span>
            </button>
            <span className="quiet">
              {formatMinutes(h.to - h.from)}
              {kitchen.cooks.length > 1 && `, ${h.cook}`}
              {fixed.has(`${h.make} ${h.step}`) && ', pinned'}
            </span>
          </li>
        ))}
      </ol>
      {answer.after.length > 0 && (
        <ul className="bare" aria-label="Continues after this plan">
          {answer.after
            .filter((tail, n, all) => all.findIndex(({ make }) => make === tail.make) === n)
            .map(({ make, title, at: minute }) => (
              <li key={make}>
                {nameOf(make)} continues: {title.toLowerCase()} about{' '}
                <span className="number">{timeOf(minute)}</span>
              </li>
            ))}
        </ul>
      )}
    </>
  );
}
