import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import { defaultKitchen, defaultPlan, foldMake, type MakeState } from '@morning-crock/core';
import type { DraftEvent } from '@morning-crock/core/contract';
import { now } from '../../data/clock.ts';
import { answerWith, emptyOutbox, kept, quietKitchen, show } from '../../testing/page.tsx';
import { Pad } from './Pad.tsx';

const MAKE = '01HZZZZZZZZZZZZZZZZZZZZZZM';

/** A make begun an hour ago; with `inWarmth`, inoculated since. */
function makeOf(inWarmth: boolean): MakeState {
  const startMs = now() - 3_600_000;
  let n = 0;
  const entry = (type: string, data: object): DraftEvent =>
    ({
      id: `01HYYYYYYYYYYYYYYYYYYYYY${String(++n).padStart(2, '0')}`,
      streamId: MAKE,
      at: new Date(startMs + n * 60_000).toISOString(),
      cookId: null,
      deviceId: 'tablet',
      version: 1,
      type,
      data,
    }) as DraftEvent;
  const plan = defaultPlan(defaultKitchen('UTC'), new Date(startMs).toISOString(), 2);
  return foldMake(MAKE, [
    entry('make-started', { plan }),
    ...(inWarmth
      ? [
          ...(['pour', 'heat', 'hold', 'cool'] as const).map((step) => entry('step-done', { step })),
          entry('starter-added', { massKg: 0.05, statedRatio: null, typed: { value: 50, unit: 'g' } }),
        ]
      : []),
  ])!;
}
const latest = () => kept().at(-1)?.draft;

beforeEach(() => {
  localStorage.clear();
  emptyOutbox();
  answerWith(quietKitchen);
});
afterEach(cleanup);

describe('the pad', () => {
  test('digits are tapped, and what is typed is kept as typed', async () => {
    const { user } = show(<Pad state={makeOf(false)} focus={false} />);
    for (const key of ['8', '4', '.', '9', 'Delete last digit', '6'])
      await user.click(screen.getByRole('button', { name: key }));
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(latest()).toMatchObject({
      streamId: MAKE,
      type: 'temperature-read',
      data: { celsius: 84.6, instrument: 'hand', typed: { value: 84.6, unit: 'C' } },
    });
    expect(screen.getByLabelText<HTMLInputElement>('Temperature, °C').value).toBe('');
  });

  test('keys go into it from anywhere, and Enter records', async () => {
    const { user } = show(<Pad state={makeOf(false)} focus={false} />);
    await user.keyboard('41,5{Enter}');
    expect(latest()).toMatchObject({ data: { celsius: 41.5 } });
  });

  test.each([
    ['300', /300 °C is not possible for milk/],
    ['1,250', /could mean 1.25 or 1250/],
    ['hot', /“hot” is not a number/],
    ['180', /180 °F is 82 °C/],
  ])('%s is told beside the field, stays there and is not kept', async (typed, words) => {
    const { user } = show(<Pad state={makeOf(false)} focus />);
    const field = screen.getByLabelText<HTMLInputElement>('Temperature, °C');
    await user.type(field, `${typed}{Enter}`);
    expect(screen.getByRole('alert').textContent).toMatch(words);
    expect(field.value).toBe(typed);
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(kept()).toEqual([]);
    await user.type(field, '{Backspace}');
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('in the warmth it asks for pH, and takes what is seen with one tap', async () => {
    const { user } = show(<Pad state={makeOf(true)} focus={false} />);
    await user.type(screen.getByLabelText('pH reading'), '4.62{Enter}');
    expect(latest()).toMatchObject({ type: 'ph-read', data: { ph: 4.62, instrument: 'meter' } });
    await user.click(screen.getByRole('button', { name: 'trembles' }));
    expect(latest()).toMatchObject({ type: 'cue-seen', data: { cue: 'trembles' } });
  });

  test('an acidity is worked out from the lye and the sample', async () => {
    const { user } = show(<Pad state={makeOf(true)} focus={false} />);
    await user.click(screen.getByRole('button', { name: 'Acidity' }));
    await user.type(screen.getByLabelText('0.1 N NaOH used, mL'), '8{Enter}');
    // 8 mL of 0.1 N lye on 9 g: 0.8 mmol of lactic acid, 90.08 g a mole.
    expect(latest()).toMatchObject({ type: 'titrated', data: { naohMl: 8, sampleG: 9 } });
    expect((latest()!.data as { percent: number }).percent).toBeCloseTo((0.8 * 90.08) / 90, 2);
  });
});
