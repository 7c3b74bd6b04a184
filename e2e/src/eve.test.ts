import { expect, test } from '@jest/globals';
import { choose, fill, see, setClock, tap } from './browser.ts';
import { tablets } from './tablets.ts';
import { HOUR_MS } from '@morning-crock/core';

const START = Date.parse('2026-03-02T19:00:00.000Z');
const OPENS = Date.parse('2026-03-03T08:00:00.000Z');
const { open, stored } = tablets(START);
test('planned the evening before, the kefir may begin tonight, and the rest in the morning', async () => {
  const page = await open('/day');
  await fill(page, 'Start on', '03.03.2026', 'textbox');
  await setClock(page, 'at', '08:00');
  for (const method of ['kefir', 'yogurt']) {
    await choose(page, 'Product and method', method);
    await tap(page, 'button', 'Add batch');
  }
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await tap(page, 'button', 'What would help?');
  await see(page, /Kefir: start it before the rest, on Mon 2 Mar at \d\d:\d\d/);
  await page.evaluate(() =>
    document.querySelector<HTMLElement>('button[aria-label^="Use: Kefir: start it before"]')!.click(),
  );
  await see(page, 'Starts before the rest');
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  await tap(page, 'button', 'Start all batches');
  const begun = await stored('make-started', 2);
  const startsMs = (name: string): number =>
    Date.parse(begun.find(({ data }) => data.plan.name === name)!.data.plan.startAt);
  expect(startsMs('Kefir')).toBeLessThan(START + 4 * HOUR_MS);
  expect(startsMs('Yogurt')).toBeGreaterThanOrEqual(OPENS);
  // Nothing of it is at another time because the day begins in the evening.
  const [day] = await stored('day-changed', 1);
  expect(day!.data).toMatchObject({
    kind: 'laid',
    day: { zeroAt: new Date(startsMs('Kefir')).toISOString() },
  });
  await page.waitForFunction(() => location.pathname === '/');
});
