import { describe, expect, it } from '@jest/globals';
import type { MakePlan } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import { foldMake, makeAt, type MakeState } from '../make/index.ts';
import { beginPlan, defaultPlan } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { DEFECTS_OF } from '../science/souring/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';
import { churningLog, told } from '../steps/index.ts';
import { churnEvidence, churnSuspects } from './churning-fit.ts';
import { toDegrees } from './degrees.ts';
import { diagnosedBatches, rightShare, whyOf } from './fixtures/diagnosed.ts';
import { FAULTS_TOLD } from './faults-told.ts';
import { complaintOf } from './complaint-known.ts';
import { batchOf } from '../setup/index.ts';
import { changedFor, complaintKnown, drainRescue, eventsOfNeverEntered, methodChangedFor } from './index.ts';

const ID = '00000000000000000000000000';
const NOW_MS = Date.parse('2026-03-02T18:00:00.000Z');
const KITCHEN = defaultKitchen('UTC');
const PLAN = defaultPlan(KITCHEN, new Date(NOW_MS).toISOString(), 2);

let n = 100;
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
  entry(hoursAgo, 'temperature-read', {
    celsius,
    instrument: 'hand',
    typed: { value: celsius, unit: 'C' },
  });
/** A yogurt whose starter went in so long ago, with more entries. */
function souring(hours: number, more: readonly LoggedEvent[] = [], plan: MakePlan = PLAN): MakeState {
  const events = eventsOfNeverEntered(ID, { plan, sinceMs: NOW_MS - hours * HOUR_MS, nowMs: NOW_MS });
  return foldMake(ID, [...events, ...more])!;
}
const why = (state: MakeState, answers: Parameters<typeof whyOf>[0]['answers'] = {}) =>
  whyOf({ state, complaint: 'not-set', answers, nowMs: NOW_MS });
const shareOf = ({ causes }: ReturnType<typeof why>, cause: string | null): number =>
  causes.find((one) => one.cause === cause)?.share ?? 0;

describe('a batch that was never entered', () => {
  it('stands in the step that goes on by itself, since when it was told', () => {
    const state = souring(8);
    expect(state.current?.step.facts.sours).toBe(true);
    expect(state.inoculatedAtMs).toBe(NOW_MS - 8 * HOUR_MS);
  });

  it('is over where nothing is on any more', () => {
    const events = eventsOfNeverEntered(ID, { plan: PLAN, sinceMs: null, nowMs: NOW_MS });
    expect(foldMake(ID, events)!.current).toBeNull();
  });
});

describe('a yogurt that is not set', () => {
  it('has shares that add up to one, each between 0 and 1', () => {
    const { causes } = why(souring(7));
    expect(causes.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    for (const { share } of causes) expect(share).toBeGreaterThanOrEqual(0);
  });

  it('that was read cold stands in a cold place, with its figures as evidence, and a bath helps most', () => {
    const found = why(souring(7, [warm(3, 30.5), warm(0.1, 30)]));
    expect(found.causes[0]!.cause).toBe('place-cold');
    expect(found.causes[0]!.share).toBeGreaterThan(0.8);
    const [best] = found.causes[0]!.evidence;
    expect(best!.words).toMatch(/^\{30\.\d\}, planned \{4\d\.\d\}\.$/);
    expect(best!.nats).toBeGreaterThan(1);
    expect(best!.atMs).toBeGreaterThan(NOW_MS - 4 * HOUR_MS);
    expect(found.placeOffC!).toBeLessThan(-9);
    expect(found.placeOffC!).toBeGreaterThan(-16);
    expect(found.rescues[0]!.what).toMatch(/warm-bath/);
    const chance = (what: string): number => found.rescues.find((r) => r.what === what)!.chance;
    expect(chance('warm-bath')).toBeGreaterThan(chance('wait') + 0.1);
  });

  it('that was warm all along was not: the starter is to blame, and an answer moves that', () => {
    const state = souring(6, [warm(4, 43), warm(2, 43.2), warm(0.2, 42.8)]);
    const before = why(state);
    expect(shareOf(before, 'place-cold')).toBeLessThan(0.05);
    expect(before.causes[0]!.cause).toBe('starter-weak');
    const hot = why(state, { 'hot-when-added': 1 });
    expect(shareOf(hot, 'too-hot')).toBeGreaterThan(3 * shareOf(before, 'too-hot'));
    const evidence = hot.causes.find(({ cause }) => cause === 'too-hot')!.evidence;
    expect(evidence.map(({ words }) => words).join()).toContain('Too hot to keep a finger in.');
  });

  it('of milk that sours by itself blames no starter', () => {
    const { starter } = PLAN;
    const wild = souring(30, [], {
      ...PLAN,
      starter: { ...starter, kind: 'none', massKg: null, typed: null, ageD: null },
      milk: { ...PLAN.milk, treatment: 'raw' },
      heat: { ...PLAN.heat, kind: 'none' },
    });
    const found = why(wild);
    expect(shareOf(found, 'starter-weak') + shareOf(found, 'under-dosed') + shareOf(found, 'too-hot')).toBe(
      0,
    );
  });

  it('too early is no fault: it needs more time', () => {
    expect(why(souring(2)).causes[0]!.cause).not.toBeNull();
    const [top] = why(souring(2)).causes;
    expect(shareOf(why(souring(2)), 'not-yet')).toBeGreaterThan(2 * shareOf(why(souring(8)), 'not-yet'));
    expect(top!.share).toBeLessThan(0.6);
  });

  it('is offered nothing once the safety clock has run out', () => {
    const found = why(souring(13));
    expect(found.safety!.verdict).toBe('over');
    expect(found.rescues).toEqual([]);
  });

  it('asks what would tell most, a look or a thermometer where nothing was read, and not again at once', () => {
    const first = why(souring(7));
    expect(first.ask).toMatchObject({ reading: 'temperature' });
    const second = why(souring(7, [warm(0.05, 42.5)]));
    expect(second.ask).not.toMatchObject({ reading: 'temperature' });
  });

  it('blames a place nobody checked more than one whose batches taught it', () => {
    const taught = souring(7, [], {
      ...PLAN,
      factors: { placeHeat: { value: 0, sigma: 0.4, makes: 12 } },
    });
    expect(shareOf(why(taught), 'place-cold')).toBeLessThan(shareOf(why(souring(7)), 'place-cold'));
  });

  it('is the same whoever asks, however often', () => {
    expect(why(souring(7))).toEqual(why(souring(7)));
  });
});

describe('made batches with known faults', () => {
  it.each(['churning', 'clues'] as const)('are told mostly right: %s', (family) => {
    const done = diagnosedBatches(300, { family, many: 1, density: 'read', player: 'own', seed: 3 });
    expect(rightShare(done, 1)).toBeGreaterThan(0.6);
    expect(rightShare(done, 2)).toBeGreaterThan(0.8);
    expect(rightShare(done, 1, 'saidAfter')).toBeGreaterThan(rightShare(done, 1));
  });

  it('are told mostly right: yogurt that does not set', () => {
    const done = diagnosedBatches(12, {
      family: 'souring',
      many: 1,
      density: 'read',
      player: 'own',
      seed: 3,
    });
    expect(rightShare(done, 2)).toBeGreaterThan(0.7);
  });
});

describe('cream that does not break', () => {
  const plan = beginPlan('butter', KITCHEN, new Date(NOW_MS).toISOString());
  const churned = (minutes: number, more: readonly LoggedEvent[] = []) => {
    const events = eventsOfNeverEntered(ID, {
      plan,
      sinceMs: NOW_MS - minutes * MINUTE_MS,
      nowMs: NOW_MS,
    });
    return churningLog(makeAt(foldMake(ID, [...events, ...more])!, NOW_MS))!;
  };

  it('was churned since when it was told', () => {
    expect(churned(50).elapsedMin).toBeCloseTo(50, 3);
    expect(churned(50).brokeMin).toBeNull();
  });

  it('read cold is too cold; read right, something else holds it up', () => {
    const best = (log: ReturnType<typeof churned>) =>
      [...churnSuspects(log)].sort(([, a], [, b]) => b - a)[0]![0];
    expect(best(churned(30, [warm(30 / 60, 5)]))).toBe('cream-cold');
    expect(best(churned(30, [warm(30 / 60, 12.5)]))).not.toBe('cream-cold');
  });

  it('says what was read for the cause that it fits, and against the one it does not', () => {
    const log = churned(50, [warm(50 / 60, 5)]);
    const read = (cause: 'cream-cold' | 'thin-cream') =>
      churnEvidence(log, cause).find(({ words }) => words.startsWith('Cream at {5}'))!.nats;
    expect(read('cream-cold')).toBeGreaterThan(1);
    expect(read('thin-cream')).toBeLessThan(0.5);
  });
});

describe('what is kept and what follows', () => {
  it('keeps the latest of each complaint', () => {
    const fault = (hoursAgo: number, complaint: string, settled: string | null) =>
      entry(hoursAgo, 'fault-told', { complaint, answers: {}, settled });
    const state = souring(7, [
      fault(3, 'not-set', null),
      fault(2, 'thin', 'lean'),
      fault(1, 'not-set', 'place-cold'),
    ]);
    const faults = told(state, FAULTS_TOLD);
    expect([...faults.keys()]).toEqual(['thin', 'not-set']);
    expect(faults.get('not-set')!.settled).toBe('place-cold');
  });

  it('knows what is complained of by what was tasted, by the kind of thing, until something else was asked', () => {
    const tasted = entry(2, 'tasted', { text: '', defects: ['weak', 'bitter'] });
    expect(complaintKnown(souring(7))).toBeNull();
    expect(complaintKnown(souring(7, [tasted]))).toBe('thin');
    const asked = entry(1, 'fault-told', { complaint: 'split', answers: {}, settled: null });
    expect(complaintKnown(souring(7, [tasted, asked]))).toBe('split');
  });

  it('mends what came out thin in a cloth: mass and protein are kept, and a longer time gives more whey', () => {
    const state = souring(7);
    const drain = drainRescue(state, 'thin', NOW_MS)!;
    const { composition, massKg } = batchOf(PLAN);
    expect(drain.wheyKg + drain.curdKg).toBeCloseTo(massKg, 6);
    expect(drain.proteinFraction).toBeCloseTo(1.4 * composition.proteinFraction, 4);
    expect(drain.hours[0]).toBeLessThan(drain.hours[1]);
    expect(drain.hours[1]).toBeLessThan(drain.hours[2]);
    expect(drainRescue(state, 'bitter', NOW_MS)).toBeNull();
  });

  it('has a complaint for every defect that is tasted', () => {
    for (const kind of ['milk', 'cream', 'butter', 'ghee'] as const)
      for (const defect of DEFECTS_OF[kind])
        expect([defect, kind, complaintOf(defect, kind)]).not.toContain(null);
  });

  it('changes one thing of a plan, or says that nothing of it would help', () => {
    const cool = { ...PLAN, heat: { ...PLAN.heat, targetC: 70, holdMin: 0 } };
    expect(changedFor(cool, 'unheated')!.heat).toMatchObject({ kind: 'hold', targetC: 85, holdMin: 20 });
    expect(changedFor(cool, 'unheated')!.milk).toEqual(cool.milk);
    expect(changedFor(changedFor(cool, 'unheated')!, 'unheated')).toBeNull();
    expect(changedFor(PLAN, 'lean')!.milk.powder!.massKg).toBeCloseTo(0.062, 2);
    expect(changedFor(PLAN, 'phage')).toBeNull();
    expect(changedFor({ ...PLAN, inoculateC: 48 }, 'too-hot')!.inoculateC).toBe(43);
  });

  it('changes the method too, where it is the method that says so', () => {
    const method = SHIPPED_METHODS.find(({ id }) => id === 'yogurt')!;
    const cool = { ...PLAN, heat: { ...PLAN.heat, targetC: 70, holdMin: 0 } };
    const changed = methodChangedFor(method, cool, 'unheated')!;
    expect(changed.aims.heat).toMatchObject({ kind: 'hold', targetC: 85, holdMin: 20 });
    expect({ ...changed, aims: null }).toEqual({ ...method, aims: null });
    expect(methodChangedFor(method, { ...PLAN, inoculateC: 48 }, 'too-hot')!.aims.inoculateC).toBe(43);
    expect(methodChangedFor(method, PLAN, 'lean')!.aims.powderShare).toBeCloseTo(0.03, 9);
    expect(methodChangedFor(method, PLAN, 'place-hot')!.aims.place!.setPointC).toBe(40);
    expect(methodChangedFor(method, PLAN, 'starter-weak')).toBeNull();
    const raw = { ...method, steps: method.steps.filter(({ kind }) => kind !== 'heat') };
    expect(methodChangedFor(raw, cool, 'unheated')).toBeNull();
  });

  it('writes temperatures and how far they are apart as somebody reads them', () => {
    expect(toDegrees('Above {47}, about [2] warmer, {37}–{44}, at {38.1}.')).toBe(
      'Above 47 °C, about 2 °C warmer, 37–44 °C, at 38.1 °C.',
    );
    expect(toDegrees('Above {47}, about [2] warmer, {37}–{44}.', 'F')).toBe(
      'Above 117 °F, about 4 °F warmer, 99–111 °F.',
    );
  });
});
