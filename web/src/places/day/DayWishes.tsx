import { formatMinutes, LOOK_MIN, type DayAnswer } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { ulid } from 'ulid';
import { ClockField } from '../../parts/fields/ClockField.tsx';
import type { ChangeDraft, DayDraft } from './day-draft.ts';

const MOST = 4;
/** Wishes as they begin; both times can be changed. */
const IN_BED = { from: '22:00', to: '05:00' };
const AN_HOUR = { from: '14:00', to: '15:00' };
const AN_AFTERNOON = { from: '13:00', to: '17:00' };

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
    price.soonerMin > 0 ? `each batch ready ${formatMinutes(price.soonerMin)} sooner on average` : '',
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
  const changeSession = (to: Partial<NonNullable<DayDraft['session']>>): void =>
    setDraft((before) => ({ ...before, session: before.session && { ...before.session, ...to } }));
  const full = draft.freeHours.length >= MOST;
  return (
    <section aria-label="Your hours" className="column">
      {draft.session && (
        <div className="column">
          <div className="row">
            <ClockField
              label="In the kitchen from"
              shown="In the kitchen from"
              value={draft.session.from}
              onValue={(from) => changeSession({ from })}
            />
            <ClockField
              label="In the kitchen to"
              shown="to"
              value={draft.session.to}
              onValue={(to) => changeSession({ to })}
            />
            <Button
              variant="default"
              mt="auto"
              aria-label="Remove hours in the kitchen"
              onClick={() => setDraft((before) => ({ ...before, session: null }))}
            >
              ×
            </Button>
          </div>
          <span className="quiet">
            Outside these hours, only short jobs of up to {LOOK_MIN} min are planned, if possible.
          </span>
        </div>
      )}
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
        {!draft.session && (
          <Button
            variant="default"
            onClick={() => setDraft((before) => ({ ...before, session: AN_AFTERNOON }))}
          >
            Add hours in the kitchen
          </Button>
        )}
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
