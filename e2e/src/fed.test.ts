import { expect, test } from '@jest/globals';
import type { EventOf } from '@morning-crock/core/contract';
import { draft, intakeDraft } from '@morning-crock/server/testing';
import type { Page } from 'puppeteer-core';
import { ulid } from 'ulid';
import { choose, goTo, see, tap } from './browser.ts';
import { violations } from './axe.ts';
import { later } from './later.ts';
import { tablets } from './tablets.ts';
import { HOUR_MS } from '@morning-crock/core';
import { putUpLike } from '@morning-crock/core/fixtures';

const START = Date.parse('2026-03-02T08:00:00.000Z');
const { kitchen, open, stored } = tablets(START);

/** Butter and ghee of it in the plan. @returns the butter's identity in the day */
async function putIn(page: Page): Promise<string> {
  for (const method of ['butter', 'ghee']) {
    await choose(page, 'Product and method', method);
    await tap(page, 'button', 'Add batch');
  }
  await see(page, 'Made from');
  const butterInDay = await page.evaluate(
    () => (JSON.parse(localStorage.getItem('day-draft') ?? '') as { makes: { id: string }[] }).makes[0]!.id,
  );
  await choose(page, 'Ghee: made from', butterInDay);
  await see(page, 'It starts when Butter is done, with what there is of it then.');
  await see(page, /Finished by (?:[A-Z][a-z]{2} )?\d\d:\d\d/);
  return butterInDay;
}

test('ghee of the butter of the same day: planned after it, waits for it, begins with what there really is', async () => {
  const pot = ulid();
  await kitchen().send(
    intakeDraft(pot, 2, START - 20 * HOUR_MS, {
      what: 'cream',
      fatFraction: 0.34,
      name: 'Cream from Fern',
      source: 'Fern',
    }),
  );
  const page = await open('/day');
  const butterInDay = await putIn(page);
  await tap(page, 'button', 'Start all batches');
  const [butter] = await stored('make-started', 1);
  await page.waitForFunction(() => location.pathname === '/');
  await see(page, 'Waits until Butter is done.');
  const [day] = await stored('day-changed', 1);
  expect(day!.data).toMatchObject({
    day: {
      makes: [{ makeId: butter!.streamId }, { fedBy: butterInDay, makeId: null, plan: { name: 'Ghee' } }],
    },
  });
  await goTo(page, '/day');
  await see(page, '12 of 12 still to do');
  await tap(page, 'button', 'Change Clarify, Ghee');
  await see(page, 'Waits until Butter is done.');
  expect(await violations(page)).toEqual([]);
  // The butter is made; nobody weighed it yet.
  const make = butter!.streamId;
  const steps = butter!.data.plan.method.steps.map(({ id }) => id);
  const at = (minutes: number) => START + minutes * 60_000;
  await later(kitchen(), 180, page);
  await kitchen().send(
    draft(make, at(5), 'step-done', { step: steps[0]! }),
    ...steps.slice(1, -1).map((step, i) => draft(make, at(90 + 5 * i), 'step-done', { step })),
  );
  await goTo(page, '/');
  await see(page, 'Weigh');
  await kitchen().send(draft(make, at(130), 'weighed', { massKg: 0.74, typed: { value: 740, unit: 'g' } }));
  await see(page, 'with 740 g from Butter');
  await goTo(page, '/day');
  await see(page, 'with 740 g from Butter');
  await goTo(page, `/makes/${make}`);
  await see(page, 'with 740 g from Butter');
  await see(page, 'Finish batch');
  await goTo(page, '/');
  await see(page, 'All done: Butter');
  await see(page, 'with 740 g from Butter');
  expect(await violations(page)).toEqual([]);
  await tap(page, 'button', 'Start Ghee');
  await stored('planned', 2);
  const [, ghee] = await stored('make-started', 2);
  const [part] = ghee!.data.plan.milk.goods!;
  // Less than was thought, and all of it.
  expect(part).toMatchObject({ name: 'Butter', massKg: expect.closeTo(0.74, 6) });
  const moved = await stored('larder-moved', 2);
  expect(moved.map(({ streamId, data }) => [streamId, data.kind])).toEqual([
    [part!.goodId, 'put-up'],
    [part!.goodId, 'take'],
  ]);
  expect(moved[1]!.data).toMatchObject({ for: 'made-into', into: ghee!.streamId });
  const [over] = await stored('finished', 1);
  expect([over!.streamId, over!.data.reason]).toEqual([make, 'used in Ghee']);
  // The day goes on with it, from now.
  await see(page, 'Take off the heat');
  await see(page, /Next, in about (?:1|2|3)\d min/);
  for (let tries = 0; ; tries++) {
    const laid = await kitchen().entries<EventOf<'day-changed'>['data']>('day-changed');
    const last = laid.at(-1)!.data;
    const own = last.kind === 'laid' ? last.day.makes.find(({ fedBy }) => fedBy === butterInDay) : undefined;
    if (own?.makeId === ghee!.streamId) break;
    if (tries > 100) throw new Error('the day does not know its ghee');
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
});

test('what waits may be left out, and put back', async () => {
  const page = await open('/day');
  await putIn(page);
  await tap(page, 'button', 'Start all batches');
  await page.waitForFunction(() => location.pathname === '/');
  await goTo(page, '/day');
  await see(page, '12 of 12 still to do');
  await tap(page, 'button', 'Change Clarify, Ghee');
  await tap(page, 'button', 'Leave out Ghee');
  await see(page, 'Ghee left out.');
  await see(page, '7 of 7 still to do');
  await tap(page, 'button', 'Undo');
  await see(page, '12 of 12 still to do');
  expect(await kitchen().entries('make-started')).toHaveLength(1);
});

test('butter that was finished waits in the larder for its ghee, and till then the page says so', async () => {
  const page = await open('/day');
  await putIn(page);
  await tap(page, 'button', 'Start all batches');
  const [butter] = await stored('make-started', 1);
  await page.waitForFunction(() => location.pathname === '/');
  const make = butter!.streamId;
  const steps = butter!.data.plan.method.steps.map(({ id }) => id);
  const at = (minutes: number) => START + minutes * 60_000;
  await later(kitchen(), 150, page);
  await kitchen().send(
    ...steps.slice(0, -1).map((step, i) => draft(make, at(5 + 15 * i), 'step-done', { step })),
    draft(make, at(130), 'weighed', { massKg: 0.74, typed: { value: 740, unit: 'g' } }),
    draft(make, at(135), 'finished', { verdict: 'kept', reason: '' }),
  );
  await see(page, 'Butter is finished. Add it to the larder to make Ghee from it.');
  await kitchen().send(
    draft(ulid(), at(140), 'larder-moved', putUpLike({ name: 'Butter', makeId: make }, 1, 0.7)),
  );
  await see(page, 'with 700 g from Butter');
  await tap(page, 'button', 'Start Ghee');
  const [, ghee] = await stored('make-started', 2);
  expect(ghee!.data.plan.milk.goods).toEqual([expect.objectContaining({ massKg: expect.closeTo(0.7, 6) })]);
});
