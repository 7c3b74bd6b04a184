import { expect, test } from '@jest/globals';
import type { Argument } from '@morning-crock/core';
import { argumentQuestion, argumentWords, sinceWords } from './settle-words.ts';

const ARGUMENT: Argument = {
  differs: 'feed',
  product: 'butter',
  sides: ['grass', 'hay'],
  methodIds: null,
  by: 'lost',
  middles: [0.031, 0.048],
  batches: [8, 11],
  between: [0.009, 0.026],
  verdict: 'second-more',
  moreOfEach: 0,
};

test('an argument is asked as two makers would, and settled in a sentence with its range', () => {
  expect(argumentQuestion(ARGUMENT)).toBe('Butter: fed on grass or hay, which loses more fat?');
  expect(argumentWords(ARGUMENT)).toBe(
    'Fed on hay loses more fat, by 0.9 points to 2.6 points. Grass: 3.1 % of the fat (8). Hay: 4.8 % of the fat (11).',
  );
});

test('too few, and no difference, are said so', () => {
  expect(argumentWords({ ...ARGUMENT, verdict: 'too-few', moreOfEach: 3 })).toMatch(
    /^Too few to tell\. .* 3 more of “grass” would tell\.$/,
  );
  expect(argumentWords({ ...ARGUMENT, verdict: 'too-few', moreOfEach: 1, batches: [2, 2] })).toContain(
    'One more of each',
  );
  expect(argumentWords({ ...ARGUMENT, verdict: 'too-few', moreOfEach: 2, batches: [9, 1] })).toContain(
    '2 more of “hay” would tell',
  );
  expect(argumentWords({ ...ARGUMENT, verdict: 'no-difference' })).toMatch(/^No difference that matters\./);
});

test('whether a change helped is told after three batches', () => {
  const since = {
    product: 'yogurt',
    complaint: 'not-set',
    cause: 'place-cold',
    makeId: 'x',
    atMs: 0,
    again: 0,
  } as const;
  expect(sinceWords({ ...since, since: 1 })).toContain('1 batch since. It shows after 3');
  expect(sinceWords({ ...since, since: 4 })).toContain(
    '4 batches since, none with the same fault. The change helped.',
  );
  expect(sinceWords({ ...since, since: 4, again: 2 })).toContain('did not help enough');
});
