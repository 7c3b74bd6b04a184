import { beforeAll, describe, expect, it } from '@jest/globals';
import { defaultKitchen } from '../kitchen/index.ts';
import { foldMake, type MakeState } from '../make/index.ts';
import { defaultPlan } from '../products/index.ts';
import { createRandom } from '../science/numerics/index.ts';
import { crossings, drawMembers, MILK_CUES } from '../science/souring/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { eventsOfNeverEntered } from './never-entered.ts';
import { fitOf, lnAcid, lnNone, lnWarm, souringLog } from './souring-fit.ts';
import { souringWorlds, type SouringWorld } from './souring-worlds.ts';

const ID = '00000000000000000000000000';
const NOW_MS = Date.parse('2026-03-02T18:00:00.000Z');
let state: MakeState;
let worlds: readonly SouringWorld[];
const of = (cause: string): SouringWorld[] => worlds.filter((world) => world.cause === cause);
const setH = (world: SouringWorld): number =>
  [...crossings(world.ensemble, 4.6)].sort((a, b) => a - b)[Math.floor(world.ensemble.members / 2)]!;

beforeAll(() => {
  const plan = defaultPlan(defaultKitchen('UTC'), new Date(NOW_MS).toISOString(), 2);
  const events = eventsOfNeverEntered(ID, { plan, sinceMs: NOW_MS - 6 * HOUR_MS, nowMs: NOW_MS });
  state = foldMake(ID, events)!;
  const work = souringWorlds(state, NOW_MS, drawMembers(24, createRandom(1)));
  let step = work.next();
  while (step.done !== true) step = work.next();
  worlds = step.value;
});

describe('the worlds of a souring', () => {
  it('are as likely as their cause, together', () => {
    for (const cause of new Set(worlds.map((world) => world.cause)))
      expect(of(cause).reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
  });

  it('sour later the more is wrong', () => {
    const [usual] = of('not-yet').map(setH);
    for (const cause of ['place-cold', 'starter-weak', 'under-dosed', 'too-hot'] as const) {
      const hours = of(cause).map(setH);
      expect(hours[0]!).toBeGreaterThanOrEqual(usual! - 0.15);
      for (let i = 1; i < hours.length; i++) expect(hours[i]!).toBeGreaterThanOrEqual(hours[i - 1]! - 0.15);
    }
    // With more of its pace left, what is held back sours sooner.
    const held = of('inhibited').map(setH);
    expect(held.at(-1)!).toBeLessThan(held[0]!);
  });

  it('stand still below the pH at which a culture stopped', () => {
    for (const world of of('phage')) {
      const { ensemble } = world;
      const width = ensemble.steps + 1;
      const lowest = Math.min(...ensemble.ph);
      const ends = Array.from({ length: ensemble.members }, (_, m) => ensemble.ph[m * width + width - 1]!);
      expect(lowest).toBeGreaterThan(4.2);
      expect(Math.max(...ends)).toBeGreaterThan(world.stallsAtPh! - 0.6);
    }
  });

  it('are not asked of a thermometer that nobody used', () => {
    expect(of('thermometer-off')).toEqual([]);
  });
});

describe('a log held against a world', () => {
  it('one temperature late on is a normal of its three scatters, in closed form', () => {
    const [usual] = of('not-yet');
    const { course } = usual!.unread;
    const [hour, expectedC] = course.findLast(([h]) => h <= 12)!;
    const variance = 0.9 ** 2 + 0.4 ** 2 + 1 ** 2;
    for (const away of [-3, 0, 2]) {
      const ln = lnWarm(usual!, [{ hour, celsius: expectedC + away }]);
      // Half a day in, the milk has taken on all of its place's warmth.
      expect(ln).toBeCloseTo(-(away ** 2) / (2 * variance) - Math.log(variance) / 2, 1);
    }
  });

  it('ten readings of one warmth count hardly more than a few', () => {
    const [usual] = of('not-yet');
    const cold = (count: number) =>
      lnWarm(
        usual!,
        Array.from({ length: count }, (_, i) => ({ hour: 3 + 0.3 * i, celsius: 37 })),
      ) -
      lnWarm(
        of('place-cold')[2]!,
        Array.from({ length: count }, (_, i) => ({ hour: 3 + 0.3 * i, celsius: 37 })),
      );
    expect(cold(10)).toBeLessThan(cold(1));
    expect(cold(10)).toBeGreaterThan(5 * cold(1));
  });

  it('is told by the place it fits: cold readings by a cold place, warm ones by none', () => {
    const at = (celsius: number) =>
      fitOf(worlds, {
        ...souringLog(state, 0.9, {}),
        warm: [2, 4, 6].map((hour) => ({ hour, celsius })),
      }).lnCauses;
    expect(at(35).get('place-cold')!).toBeGreaterThan(at(35).get('not-yet')! + 3);
    expect(at(43).get('place-cold')!).toBeLessThan(at(43).get('not-yet')! - 1);
  });

  it('a complaint that it is not set, and its opposite, add up to one for each member', () => {
    const [world] = of('starter-weak');
    const log = (is: boolean) =>
      souringLog(state, 0.9, { unset: { hour: 4.5, cues: ['liquid', 'trembles'], is } });
    const [unset, set] = [lnAcid(world!, log(true)), lnAcid(world!, log(false))];
    for (const [m, ln] of unset.entries()) expect(Math.exp(ln) + Math.exp(set[m]!)).toBeCloseTo(1, 6);
  });

  it('is no mystery where a world fits it, and one where none does', () => {
    const prior = (): number => 0.2;
    const readings = (ph: (hour: number) => number) => ({
      ...souringLog(state, 0.9, {}),
      acid: [1, 2, 3, 4, 5].map((hour) => ({
        kind: 'ph' as const,
        hour,
        ph: ph(hour),
        sigma: 0.1,
        instrument: 'meter',
      })),
    });
    const odds = (log: ReturnType<typeof readings>): number => {
      const fit = fitOf(worlds, log);
      const known = Math.max(...fit.lnCauses.values());
      return lnNone(worlds, log, fit, MILK_CUES, prior, createRandom(2)) - known;
    };
    const plain = readings((hour) => 6.55 - 0.35 * Math.max(0, hour - 1));
    const wild = readings((hour) => (hour % 2 === 0 ? 6.5 : 4.6));
    expect(odds(plain)).toBeLessThan(1);
    expect(odds(wild)).toBeGreaterThan(5);
  });
});
