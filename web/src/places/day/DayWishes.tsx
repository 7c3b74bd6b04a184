import { formatMinutes, type DayAnswer } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { ulid } from 'ulid';
import { ClockField } from '../../parts/fields/ClockField.tsx';
import type { ChangeDraft, DayDraft } from './day-draft.ts';

const MOST = 4;
/** Wishes as they begin; both times can be changed. */
const IN_BED = { from: '22:00', to: '05:00' };
const AN_HOUR = { from: '14:00', to: '15:00' };

/** What a wish costs, in words. */
function priceWords(id: string, answer: DayAnswer | null): string {
  if (!answer?.fits) return '';
  if (answer.givenUp.includes(id))
    return 'The schedule does not fit with this time off. Change or remove it.';
  const price = answer.prices.find((p) => p.id === id);
  if (!price) return '';
  if (price.soonerMin === 0 && price.lessLateMin === 0) return 'This time off causes no delay.';
  return [
    price.lessLateMin > 0 ? `${formatMinutes(price.lessLateMin)} less late` : '',
    price.soonerMin > 0 ? `everything finished ${formatMinutes(price.soonerMin)} sooner` : '',
  ]
    .filter((words) => words !== '')
    .join(', and ')
    .replace(/^/, 'Without this time off: ')
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
    <section aria-label="Time off" className="column">
      {draft.freeHours.map(({ id, from, to }, n) => (
        <div key={id} className="column">
          <div className="row">
            <ClockField
              label={`Time off ${n + 1}, from`}
              shown="Nobody available from"
              value={from}
              onValue={(value) => change(id, { from: value })}
            />
            <ClockField
              label={`Time off ${n + 1}, to`}
              shown="to"
              value={to}
              onValue={(value) => change(id, { to: value })}
            />
            <Button
              variant="default"
              mt="auto"
              aria-label={`Remove time off ${n + 1}`}
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
          Add bedtime
        </Button>
        <Button variant="default" disabled={full} onClick={() => add(AN_HOUR)}>
          Add time off
        </Button>
      </div>
    </section>
  );
}
