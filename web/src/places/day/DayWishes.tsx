import { formatMinutes, type DayAnswer } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { ulid } from 'ulid';
import { ClockField } from '../../parts/ClockField.tsx';
import type { ChangeDraft, DayDraft } from './day-draft.ts';

const MOST = 4;
/** Wishes as they begin; both times can be changed. */
const IN_BED = { from: '22:00', to: '05:00' };
const AN_HOUR = { from: '14:00', to: '15:00' };

/** What a wish costs, in words. */
function priceWords(id: string, answer: DayAnswer | null): string {
  if (!answer?.fits) return '';
  if (answer.givenUp.includes(id)) return 'Cannot be kept: without giving it up nothing fits.';
  const price = answer.prices.find((p) => p.id === id);
  if (!price) return '';
  if (price.soonerMin === 0 && price.lessLateMin === 0) return 'Costs nothing.';
  return [
    price.lessLateMin > 0 ? `without it ${formatMinutes(price.lessLateMin)} less late` : '',
    price.soonerMin > 0 ? `without it all is done ${formatMinutes(price.soonerMin)} sooner` : '',
  ]
    .filter((words) => words !== '')
    .join(', ')
    .replace(/^w/, 'W')
    .concat('.');
}

/** Hours somebody wants for themselves, the dearest first, each with its price. */
export function DayWishes(props: {
  readonly draft: DayDraft;
  readonly setDraft: ChangeDraft;
  readonly answer: DayAnswer | null;
}) {
  const { draft, setDraft, answer } = props;
  const add = (hours: { readonly from: string; readonly to: string }): void =>
    setDraft((before) => ({ ...before, freeHours: [...before.freeHours, { id: ulid(), ...hours }] }));
  const change = (id: string, to: Partial<DayDraft['freeHours'][number]>): void =>
    setDraft((before) => ({
      ...before,
      freeHours: before.freeHours.map((h) => (h.id === id ? { ...h, ...to } : h)),
    }));
  const full = draft.freeHours.length >= MOST;
  return (
    <section aria-label="Hours kept free" className="column">
      {draft.freeHours.map(({ id, from, to }, n) => (
        <div key={id} className="column">
          <div className="row">
            <ClockField
              label={`Free hours ${n + 1}, from`}
              shown="Nobody from"
              value={from}
              onValue={(value) => change(id, { from: value })}
            />
            <ClockField
              label={`Free hours ${n + 1}, to`}
              shown="to"
              value={to}
              onValue={(value) => change(id, { to: value })}
            />
            <Button
              variant="default"
              mt="auto"
              aria-label={`Free hours ${n + 1}: give up`}
              onClick={() =>
                setDraft((before) => ({ ...before, freeHours: before.freeHours.filter((h) => h.id !== id) }))
              }
            >
              ×
            </Button>
          </div>
          <span className="quiet">{priceWords(id, answer)}</span>
        </div>
      ))}
      <div className="row">
        <Button variant="default" disabled={full} onClick={() => add(IN_BED)}>
          In bed by …
        </Button>
        <Button variant="default" disabled={full} onClick={() => add(AN_HOUR)}>
          Nobody there from … to …
        </Button>
      </div>
    </section>
  );
}
