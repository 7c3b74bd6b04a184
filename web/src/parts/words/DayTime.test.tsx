import { afterEach, expect, test } from '@jest/globals';
import { cleanup, screen, waitFor } from '@testing-library/react';
import { defaultKitchen } from '@morning-crock/core';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { store } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { answerWith, quietKitchen, show } from '../../testing/page.tsx';
import { ClockField } from '../fields/ClockField.tsx';
import { DayField } from '../fields/DayField.tsx';

afterEach(() => {
  cleanup();
  store.dispatch(api.util.resetApiState());
});

/** A kitchen with habits of its own. */
function kitchenThat(habits: { readonly clock?: '12h'; readonly dayOrder?: 'month-day' }): void {
  const settings = defaultKitchen('UTC');
  answerWith((path, entry) => {
    const answer = quietKitchen(path, entry);
    if (path !== '/api/kitchen' || answer === 'away') return answer;
    return {
      ...answer,
      body: {
        ...(answer.body as object),
        settings: { ...settings, units: { ...settings.units, ...habits } },
      },
    };
  });
}

function Both() {
  const [time, setTime] = useState('');
  const [day, setDay] = useState('');
  const units = useUnits();
  return (
    <>
      <ClockField label="By" value={time} onValue={setTime} />
      <DayField label="On" value={day} onValue={setDay} />
      <p>{`${day} ${time} (${units.clockHabit}, ${units.dayHabit})`}</p>
    </>
  );
}

test('a day and a time are typed in the kitchen’s order, and mean the same', async () => {
  kitchenThat({});
  const { user } = show(<Both />);
  await screen.findByText(/24h, DD\.MM\.YYYY/);
  await user.type(screen.getByLabelText('By, hours'), '18');
  await user.type(screen.getByLabelText('By, minutes'), '05');
  await user.type(screen.getByLabelText('On'), '24.03.2026');
  await screen.findByText(/^2026-03-24 18:05/);
});

test('by twelve hours, the month first', async () => {
  kitchenThat({ clock: '12h', dayOrder: 'month-day' });
  const { user } = show(<Both />);
  await screen.findByText(/12h, MM\/DD\/YYYY/);
  await user.type(screen.getByLabelText('By, hours'), '6');
  await user.type(screen.getByLabelText('By, minutes'), '05');
  await user.selectOptions(screen.getByLabelText('By, morning or afternoon'), 'PM');
  await user.type(screen.getByLabelText('On'), '03/24/2026');
  await screen.findByText(/^2026-03-24 18:05/);
});

test('half a day, and one of another order, is none', async () => {
  kitchenThat({});
  const { user } = show(<Both />);
  await screen.findByText(/24h/);
  const on = screen.getByLabelText<HTMLInputElement>('On');
  for (const typed of ['24.03.', '03/24/2026', '31.02.2026']) {
    await user.clear(on);
    await user.type(on, typed);
    await waitFor(() => expect(screen.getByText(/24h/).textContent).toMatch(/^ +\(24h/));
  }
});
