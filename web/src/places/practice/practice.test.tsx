import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import {
  defaultKitchen,
  exerciseOf,
  foldMake,
  eventsOf,
  handOf,
  HOUR_MS,
  LESSONS,
  momentAt,
  powderIn,
  practiceId,
  walkPractice,
  type Decision,
  type Moment,
} from '@morning-crock/core';
import { openPracticeDoor } from '../../data/practice-door.ts';
import { record } from '../../data/store.ts';
import { unitsOf } from '../../data/units-of.ts';
import { Look, type Seen } from '../../parts/drawings/looks/Look.tsx';
import { ThreeLooks } from '../../parts/drawings/looks/ThreeLooks.tsx';
import { answerWith, emptyOutbox, kept, quietKitchen, show } from '../../testing/page.tsx';
import { PracticePlace } from './PracticePlace.tsx';
import { decisionWords, figureWords, handWords, inDegrees, practiceAddress } from './practice-words.ts';
import { noteLesson } from './progress.ts';
import { beginMs, numberOf, subjectOf } from './use-session.ts';

const START = Date.parse('2026-03-03T07:00:00.000Z');
const kitchen = defaultKitchen('UTC');
const units = unitsOf(kitchen);
const fahrenheit = unitsOf({ ...kitchen, units: { temperature: 'F', measures: 'us' } });

beforeEach(() => {
  localStorage.clear();
  emptyOutbox();
  answerWith(quietKitchen);
});
afterEach(cleanup);

const { world } = exerciseOf({ kind: 'lesson', lesson: 'cold-warmer' }, 4, START).batches[0]!;
const state = foldMake(practiceId(1), eventsOf(world, [], practiceId(1)))!;

test('entries of a practice go through its door and wait for no server; others still do', async () => {
  const told: string[] = [];
  const close = openPracticeDoor(practiceId(1), (type) => {
    told.push(type);
    return 'in practice';
  });
  expect(await record(practiceId(1), 'noted', { text: 'one' })).toBe('in practice');
  expect(told).toEqual(['noted']);
  expect(kept()).toEqual([]);
  close();
  // The practice is left: nothing of it goes to the kitchen either.
  expect(await record(practiceId(1), 'noted', { text: 'late' })).toBe('');
  expect(kept()).toEqual([]);
  await record('01HZZZZZZZZZZZZZZZZZZZZZZY', 'noted', { text: 'two' });
  expect(kept().map(({ draft }) => draft.type)).toEqual(['noted']);
});

test('lessons stand in order with how this device stands with them, and the next one is offered', () => {
  noteLesson('heat-and-hold', false);
  noteLesson('heat-and-hold', true);
  show(<PracticePlace />);
  const rows = screen.getAllByRole('listitem').filter((row) => row.classList.contains('lesson'));
  expect(rows).toHaveLength(LESSONS.length);
  expect(rows[0]!.textContent).toContain('Reached, 2 tries');
  expect(rows[1]!.textContent).toContain('Not tried yet');
  expect(screen.getByRole('link', { name: 'Go on: Cool to the right moment' }).getAttribute('href')).toMatch(
    /^\/practice\/cool-in-time\?n=\d+$/,
  );
});

test('free practice offers the troubles that can show in a method; a number must be one', async () => {
  const { user } = show(<PracticePlace />);
  expect(screen.getByRole('button', { name: 'Old starter' })).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Wet butter' })).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Old starter' }));
  expect(screen.getByRole('button', { name: 'Surprise me' }).getAttribute('aria-pressed')).toBe('false');
  expect(screen.getByRole('button', { name: 'Old starter' }).getAttribute('aria-pressed')).toBe('true');
  await user.type(screen.getByRole('textbox', { name: /World number/ }), '-3');
  expect(screen.getByText('Enter a whole number, 0 or more.')).toBeTruthy();
});

test('an address says what is practised; what makes no sense is nothing', () => {
  const search = (text: string): URLSearchParams => new URLSearchParams(text);
  expect(subjectOf('ghee', search(''))).toEqual({ kind: 'lesson', lesson: 'ghee' });
  expect(subjectOf('nothing', search(''))).toBeNull();
  expect(subjectOf('free', search('method=none'))).toBeNull();
  const subject = {
    kind: 'free' as const,
    method: 'butter',
    kitchen: 'summer' as const,
    troubles: ['slow-churn' as const, 'thin-cream' as const],
    level: 3 as const,
  };
  const [, query = ''] = practiceAddress(subject, 12).split('?');
  expect(subjectOf('free', search(query))).toEqual(subject);
  expect(numberOf(search(query))).toBe(12);
  expect(numberOf(search('n=-4'))).toBe(1);
  expect(new Date(beginMs('UTC', Date.parse('2026-03-03T22:10:00Z'))).toISOString()).toBe(
    '2026-03-03T07:00:00.000Z',
  );
});

test('milk powder is told by all that is in the milk', () => {
  const hand = handOf({ kind: 'say', said: powderIn(0.04) }, START, START, 0);
  expect(handWords(hand, state, units)).toBe('40 g of milk powder in all');
});

test('a decision is told with the figure that it moves, in the kitchen’s units', () => {
  const hand = handOf(
    { kind: 'say', said: { type: 'step-done', data: { step: 'incubate' } } },
    START + HOUR_MS,
    START,
    0,
  );
  const decision: Decision = {
    hand,
    otherwise: { kind: 'shifted', minutes: -10 },
    noun: 'butter',
    unit: 'mass',
    from: 0.4,
    to: 0.44,
    gain: 0.2,
  };
  expect(decisionWords(decision, state, units, START)).toBe(
    '“Move to fridge” 10 min earlier: butter 440 g instead of 400 g.',
  );
  expect(
    decisionWords(
      {
        ...decision,
        hand: null,
        otherwise: { kind: 'done', act: { kind: 'bath', to: 'warm', atMs: HOUR_MS } },
      },
      state,
      units,
      START,
    ),
  ).toContain('Into warm water at 08:00, and the rest as it should be');
  expect(handWords({ kind: 'move', atMs: 0, to: 'planned' }, state, units)).toBe('To Yogurt maker');
  expect(figureWords(null, 'min', units)).toBe('not reached');
  expect(figureWords(0.012, 'percent', units)).toBe('1.2 %');
  expect(figureWords(44, 'celsius', fahrenheit)).toBe('111 °F');
  expect(inDegrees('Hold {85}.', fahrenheit)).toBe('Hold 185 °F.');
});

const seenOf = (moment: Moment): Seen => ({ ...moment, lost: 0, whey: 0, cream: false });

test('what is drawn follows the crock: a jar that runs, then stands, then shows its whey', () => {
  const { moments } = walkPractice(world, [], START + 20 * HOUR_MS);
  const drawn = [0, 12, 30].map((hours) => {
    show(<Look seen={seenOf(momentAt({ moments }, START + hours * HOUR_MS))} />);
    const paths = document.querySelector('svg')!.innerHTML;
    cleanup();
    return paths;
  });
  expect(new Set(drawn).size).toBe(3);
});

test('a pot shows its fire, its lid, its steam and what caught; a churn its grains', () => {
  const base = seenOf(momentAt(walkPractice(world, [], START), START));
  const html = (seen: Partial<Seen>): string => {
    show(<Look seen={{ ...base, ...seen }} />);
    const drawn = document.querySelector('svg')!.innerHTML;
    cleanup();
    return drawn;
  };
  const stove = { work: 'stove' as const, celsius: 90, boilC: 100 };
  const flames = (drawn: string): number => drawn.split('var(--madder)').length - 1;
  expect(html({ ...stove, flame: 'full' })).not.toBe(html({ ...stove, flame: 'low' }));
  expect(flames(html({ ...stove, flame: 'full' }))).toBe(1);
  expect(html({ ...stove, lidded: true })).not.toContain('opacity="0.8"');
  expect(html({ ...stove, scorched: 0.6 })).toContain('var(--clay)');
  const circles = (drawn: string): number => drawn.split('<circle').length - 1;
  expect(circles(html({ work: 'churn', churned: 1 }))).toBeGreaterThan(
    circles(html({ work: 'churn', churned: 0.7 })),
  );
});

test.each(['stove', 'place', 'churn', 'bowl', 'pan', 'set', 'cloth'] as const)(
  'of %s there are three drawings: not yet, now, too far',
  (work) => {
    show(<ThreeLooks work={work} cream={false} />);
    const figures = screen.getAllByRole('figure');
    expect(figures.map((figure) => figure.textContent.split(':')[0])).toEqual(['Not yet', 'Now', 'Too far']);
    expect(new Set(figures.map((figure) => figure.querySelector('svg')!.innerHTML)).size).toBe(3);
  },
);
