import { describe, expect, it } from '@jest/globals';
import type { MakePlan } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import { foldMake, makeAt, type MakeState } from '../make/index.ts';
import { beginPlan, defaultPlan, faultyKindsOf } from '../products/index.ts';
import { between, CLUES, COMPLAINTS_OF, type ClueId, type LogClue } from '../science/causes/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { churningClues, curdClues } from '../steps/index.ts';
import { notAsked } from './batch-clues.ts';
import { kefirLogClues, milkLogClues } from './milk-log-clues.ts';
import { eventsOfNeverEntered } from './never-entered.ts';

const ID = '00000000000000000000000000';
const NOW_MS = Date.parse('2026-03-02T18:00:00.000Z');
const KITCHEN = defaultKitchen('UTC');
const START = new Date(NOW_MS).toISOString();
const PLAN = defaultPlan(KITCHEN, START, 2);

let n = 200;
const entry = (hoursAgo: number, type: string, data: unknown): LoggedEvent =>
  ({
    id: String(++n).padStart(26, '0'),
    streamId: ID,
    at: new Date(NOW_MS - hoursAgo * HOUR_MS).toISOString(),
    cookId: null,
    deviceId: 'test',
    version: 4,
    type,
    data,
  }) as LoggedEvent;
const warm = (hoursAgo: number, celsius: number): LoggedEvent =>
  entry(hoursAgo, 'temperature-read', { celsius, instrument: 'hand', typed: { value: celsius, unit: 'C' } });
/** A batch whose souring or churning began so long ago; `null` over. */
function batch(plan: MakePlan, hours: number | null, more: readonly LoggedEvent[] = []): MakeState {
  const events = eventsOfNeverEntered(ID, {
    plan,
    sinceMs: hours === null ? null : NOW_MS - hours * HOUR_MS,
    nowMs: NOW_MS,
  });
  return foldMake(ID, [...events, ...more])!;
}
const find = (clues: readonly LogClue[], clue: ClueId): LogClue | undefined =>
  clues.find((one) => one.clue === clue);
/** Which of its answers a clue points to. */
const points = (clues: readonly LogClue[], clue: ClueId): number => {
  const { fits } = find(clues, clue)!;
  return fits.indexOf(Math.max(...fits));
};

describe('between cuts', () => {
  it('shares a value out so that all of it is somewhere', () => {
    for (const value of [-5, 0, 36, 37, 44, 90]) {
      const shares = between(value, 0.7, [37, 44]);
      expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 6);
      for (const share of shares) expect(share).toBeGreaterThanOrEqual(0);
    }
    expect(between(37, 1, [37, 44])[0]).toBeCloseTo(0.5, 6);
  });
});

describe('what a log says of milk', () => {
  const clues = (plan: MakePlan, hours: number | null, more: readonly LoggedEvent[] = []) =>
    milkLogClues(batch(plan, hours, more), NOW_MS);

  it('has one fit for each answer, whatever was entered', () => {
    const all = [
      ...clues(PLAN, 6, [warm(6.1, 44), warm(3, 43), entry(1, 'cue-seen', { cue: 'set', cleanSmell: true })]),
      ...kefirLogClues(batch(beginPlan('kefir', KITCHEN, START), 20), NOW_MS),
      ...churningClues(makeAt(batch(beginPlan('butter', KITCHEN, START), 0.5), NOW_MS)),
      ...curdClues(makeAt(batch(beginPlan('skyr', KITCHEN, START), null), NOW_MS)),
    ];
    for (const { clue, fits, said } of all) {
      expect(fits).toHaveLength(CLUES[clue].answers.length);
      expect(Math.max(...fits)).toBeGreaterThan(0);
      expect(said).toMatch(/\.$/);
    }
  });

  it('knows how hot it was before the starter, by the last reading, near the cut less surely', () => {
    const at = (celsius: number) => find(clues(PLAN, 6, [warm(6.1, celsius)]), 'hot-when-added')!.fits;
    expect(at(43)[0]).toBeGreaterThan(0.99);
    expect(at(55)[1]).toBeGreaterThan(0.99);
    expect(at(46.5)[0]).toBeCloseTo(0.5, 2);
    expect(find(clues(PLAN, 6), 'hot-when-added')).toBeUndefined();
  });

  it('knows unheated milk, and is unsure of a heating that nobody measured', () => {
    expect(points(clues({ ...PLAN, heat: { ...PLAN.heat, kind: 'none' } }, 6), 'heated')).toBe(0);
    const planned = find(clues(PLAN, 6), 'heated')!;
    expect(planned.said).toContain('nobody measured');
    expect(Math.min(...planned.fits)).toBeGreaterThan(0.1);
  });

  it('knows the age of a starter, and how it was dosed', () => {
    const with_ = (starter: Partial<MakePlan['starter']>) =>
      clues({ ...PLAN, starter: { ...PLAN.starter, ...starter } }, 6);
    expect(points(with_({ ageD: 3 }), 'starter-age')).toBe(0);
    expect(points(with_({ ageD: 10 }), 'starter-age')).toBe(1);
    expect(points(with_({ ageD: 21 }), 'starter-age')).toBe(2);
    expect(find(with_({ ageD: null }), 'starter-age')).toBeUndefined();
    expect(points(with_({ typed: { value: 40, unit: 'g' } }), 'dosed')).toBe(0);
    expect(points(with_({ typed: { value: 3, unit: 'tbsp-us' } }), 'dosed')).toBe(1);
  });

  it('knows lean milk from whole, and goat milk', () => {
    const milk = (of: Partial<MakePlan['milk']>) => clues({ ...PLAN, milk: { ...PLAN.milk, ...of } }, 6);
    expect(points(milk({ fatFraction: 0.003 }), 'fat')).toBe(0);
    expect(points(milk({ fatFraction: 0.035 }), 'fat')).toBe(1);
    expect(points(milk({ fatFraction: 0.07 }), 'fat')).toBe(2);
    expect(points(milk({ kind: 'goat' }), 'animal')).toBe(1);
  });

  it('tells how warm it stood of yogurt cultures alone', () => {
    expect(points(clues(PLAN, 6, [warm(3, 34), warm(1, 35)]), 'stood')).toBe(0);
    expect(points(clues(PLAN, 6, [warm(3, 47)]), 'stood')).toBe(2);
    const buttermilk = beginPlan('buttermilk', KITCHEN, START);
    expect(find(clues(buttermilk, 6, [warm(3, 22)]), 'stood')).toBeUndefined();
  });
});

describe('what a log says of a churning', () => {
  const plan = beginPlan('butter', KITCHEN, START);
  const clues = (more: readonly LoggedEvent[] = [], of: MakePlan = plan) =>
    churningClues(makeAt(batch(of, 0.5, more), NOW_MS));

  it('knows cream from the fridge, cream as planned, and cream as warm as the room', () => {
    expect(points(clues([warm(0.5, 5)]), 'churned-at')).toBe(0);
    expect(points(clues([warm(0.5, 12.5)]), 'churned-at')).toBe(1);
    expect(points(clues([warm(0.5, 20)]), 'churned-at')).toBe(2);
    expect(find(clues(), 'churned-at')).toBeUndefined();
  });

  it('knows how soon it broke, where somebody saw it, and asks for none of the hours it has itself', () => {
    const broke = entry(0.4, 'stage-seen', { stage: 'broken' });
    expect(points(clues([broke]), 'broke-in')).toBe(0);
    expect(find(clues([broke]), 'broke-in')!.said).toBe('Broke after 6 min.');
    expect(find(clues(), 'broke-in')).toBeUndefined();
    const asked = (state: MakeState) => notAsked(state, 'no-butter', NOW_MS);
    expect(asked(batch(plan, 0.5)).has('churned-for')).toBe(true);
    expect(asked(batch(plan, null)).has('stood-for')).toBe(false);
    expect(asked(batch(PLAN, 6)).has('stood-for')).toBe(true);
  });

  it('knows what the carton says, and what the animals eat, where that was entered', () => {
    const milk = (of: Partial<MakePlan['milk']>) => clues([], { ...plan, milk: { ...plan.milk, ...of } });
    expect(points(milk({ treatment: 'ultra-heated' }), 'carton')).toBe(1);
    expect(points(milk({ treatment: 'raw' }), 'carton')).toBe(0);
    expect(points(milk({ feed: 'hay' }), 'feed')).toBe(1);
    expect(find(milk({}), 'feed')).toBeUndefined();
    expect(points(milk({ fatFraction: 0.16 }), 'cream-fat')).toBe(0);
  });
});

describe('what may be complained of', () => {
  it('fits what is made, the product itself first', () => {
    const kinds = (product: Parameters<typeof beginPlan>[0]) =>
      faultyKindsOf(beginPlan(product, KITCHEN, START));
    expect(kinds('yogurt')).toEqual(['milk']);
    expect(kinds('cultured-cream')).toEqual(['cream']);
    expect(kinds('butter')[0]).toBe('butter');
    expect(kinds('ghee')).toEqual(['ghee']);
    expect(kinds('kefir')).toEqual(['kefir']);
    expect(kinds('skyr')).toContain('curd');
    for (const product of ['yogurt', 'butter', 'ghee', 'kefir', 'skyr', 'fresh-cheese'] as const)
      for (const kind of kinds(product)) expect(COMPLAINTS_OF[kind].length).toBeGreaterThan(3);
  });
});
