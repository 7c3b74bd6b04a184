import { describe, expect, test } from '@jest/globals';
import type { LoggedEvent } from '../log/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { beginPlan } from '../products/index.ts';
import type { ProductId } from '../contract/index.ts';
import {
  bandForecast,
  foldMake,
  markBand,
  markMs,
  marksOf,
  markWords,
  pointForecast,
  stateOfPlan,
} from './index.ts';
import { createLog, MAKE_ID, START } from './fixtures/make-events.ts';
import { MINUTE_MS } from '../science/units/index.ts';

const planOf = (product: ProductId) =>
  beginPlan(product, defaultKitchen('UTC'), new Date(START).toISOString());
const marked = (
  product: ProductId,
  nowMin: number,
  entries: (log: ReturnType<typeof createLog>) => LoggedEvent[],
) => {
  const log = createLog();
  const state = foldMake(MAKE_ID, [log(0, 'make-started', { plan: planOf(product) }), ...entries(log)])!;
  return marksOf(state, bandForecast(state, START + nowMin * MINUTE_MS, 5, 60));
};

describe('marks', () => {
  test.each<[ProductId, string, string[]]>([
    ['yogurt', 'Set', ['safe', 'gel', 'body', 'ready', 'past']],
    ['cultured-cream', 'Thick', ['safe', 'gel', 'body', 'ready', 'past']],
    ['butter', '', []],
  ])('%s: what its souring passes, in its own words, in order of time', (product, body, roles) => {
    const state = stateOfPlan(planOf(product));
    const point = pointForecast(state, START);
    const acid = point.marks.filter((mark) => mark.role !== 'passing');
    expect(new Set(acid.map((mark) => mark.role))).toEqual(new Set(roles));
    const times = acid.map((mark) => mark.atMs ?? Number.POSITIVE_INFINITY);
    expect([...times].sort((a, b) => a - b)).toEqual(times);
    expect(markWords(state, 'body')).toBe(body);
    expect(markMs(point, 'body') === null).toBe(body === '');
  });

  test('a churning passes its stages by shares of its time, the later the wider', () => {
    const marks = marked('butter', 0, () => []);
    expect(marks.map((mark) => mark.id)).toEqual(['froth', 'soft', 'stiff', 'yellow', 'easier', 'broken']);
    const widths = marks.map(({ band }) => band.p90! - band.p10!);
    expect([...widths].sort((a, b) => a - b)).toEqual(widths);
    expect(marks.every((mark) => mark.seenMs === null && mark.step === 'churn')).toBe(true);
    expect(markBand({ marks }, 'body')).toEqual({ p10: null, p50: null, p90: null });
  });

  test('what was seen stands with its time, and moves what is still to come', () => {
    const churning = (log: ReturnType<typeof createLog>) =>
      ['take-out', 'temper'].map((step, i) => log(60 + i, 'step-done', { step }));
    const late = (log: ReturnType<typeof createLog>) => [
      ...churning(log),
      log(121, 'stage-seen', { stage: 'froth' }),
    ];
    const [before, after] = [marked('butter', 121, churning), marked('butter', 121, late)];
    const of = (marks: typeof before, id: string) => marks.find((mark) => mark.id === id)!;
    expect(of(after, 'froth').seenMs).toBe(START + 121 * MINUTE_MS);
    expect(of(after, 'broken').band.p50!).toBeGreaterThan(of(before, 'broken').band.p50!);
    expect(of(after, 'broken').seenMs).toBeNull();
  });

  test('set is seen by a cue or a reading', () => {
    const set = marked('yogurt', 700, (log) => [
      log(90, 'starter-added', { massKg: 0.05, statedRatio: null, typed: null }),
      log(400, 'cue-seen', { cue: 'set', cleanSmell: true }),
    ]).find((mark) => mark.role === 'body');
    expect(set).toMatchObject({ words: 'Set', seenMs: START + 400 * MINUTE_MS, step: 'incubate' });
  });
});
