import { describe, expect, test } from '@jest/globals';
import * as fc from 'fast-check';
import { butterBalance, HAND_WORKED_FAT } from '../science/butter/index.ts';
import { runVessel } from '../science/heat/index.ts';
import { ferment, hoursToPh, inoculumOf } from '../science/souring/index.ts';
import { batchOf, heatingKw } from '../setup/index.ts';
import { draftEvent, widthMOf, type PracticeHand } from '../contract/index.ts';
import { makeFlow } from '../make/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';
import { plainWorld, START_MS } from './fixtures/players.ts';
import { outcomeOf } from './outcome.ts';
import { isPracticeId, practiceId } from './practice-id.ts';
import { handOf } from './players.ts';
import { eventsOf, momentAt, walkPractice } from './walk.ts';
import { truthOf } from './world.ts';
import { butterOf } from './works.ts';

const at = (minutes: number, hand: { readonly kind: string } & Record<string, unknown>): PracticeHand =>
  ({ ...hand, atMs: minutes * MINUTE_MS }) as PracticeHand;

describe('a practised crock', () => {
  test('on a burner as planned, milk warms as the model of vessels has it', () => {
    const world = plainWorld('yogurt', 2.3, { at: 'heat', celsius: 8 });
    const { plan } = world;
    const walk = walkPractice(
      world,
      [at(0, { kind: 'flame', to: 'medium' }), at(0, { kind: 'stir' })],
      START_MS + HOUR_MS,
    );
    const { composition, litres } = batchOf(plan);
    const model = runVessel(
      {
        composition,
        litres,
        widthM: widthMOf(plan.pot),
        airC: plan.roomC,
        lidded: false,
        lossFactor: plan.pot.lossFactor,
        powerKw: heatingKw(plan),
        startC: 8,
      },
      70,
    );
    const reached = walk.moments.find(({ celsius }) => celsius >= 70)!;
    expect((reached.atMs - START_MS) / MINUTE_MS / model.minutes).toBeCloseTo(1, 1);
  });

  test('with nothing otherwise than planned, yogurt sours along the model of cultures', () => {
    const world = plainWorld('yogurt', 2, { at: 'incubate', celsius: 43 });
    const { plan } = world;
    const walk = walkPractice(world, [], START_MS + 12 * HOUR_MS);
    const reached = walk.moments.find(({ ph }) => ph !== null && ph <= 4.6)!;
    const { plasmaSnfPercent, massKg } = batchOf(plan);
    const inoculum = inoculumOf({
      kind: plan.starter.kind,
      ageD: plan.starter.ageD ?? undefined,
      massRatio: plan.starter.massKg! / massKg,
    });
    const model = ferment(
      { ...inoculum, temperature: { kind: 'constant', celsius: 43 }, plasmaSnfPercent, rate: 1 },
      24,
    );
    expect((reached.atMs - START_MS) / HOUR_MS).toBeCloseTo(hoursToPh(model, 4.6), 0);
  });

  test('a practice that is looked back at ends where it was ended, not a step of the model later', () => {
    const world = plainWorld('yogurt', 2, { at: 'heat', celsius: 8 });
    const hands = [at(0, { kind: 'flame', to: 'medium' }), at(1, { kind: 'stir' })];
    const ends = (untilMs: number): number =>
      walkPractice(world, hands, untilMs, undefined, false).moments.at(-1)!.atMs - START_MS;
    expect(ends(START_MS + 63_000)).toBe(63_000);
    // A fraction of a millisecond is not ten seconds on the fire.
    expect(ends(START_MS + MINUTE_MS + 0.5)).toBe(MINUTE_MS + 0.5);
    // What hands did is always in it.
    expect(ends(START_MS)).toBe(MINUTE_MS);
  });

  test('what is not held there falls with its place, and souring with it', () => {
    const cold = walkPractice(
      plainWorld('yogurt', 2, { at: 'incubate', celsius: 43 }, { placeOffC: -10 }),
      [],
      START_MS + 8 * HOUR_MS,
    );
    const warm = walkPractice(
      plainWorld('yogurt', 2, { at: 'incubate', celsius: 43 }),
      [],
      START_MS + 8 * HOUR_MS,
    );
    const [a, b] = [cold, warm].map((walk) => momentAt(walk, START_MS + 5 * HOUR_MS));
    expect(a!.celsius).toBeCloseTo(33, 0);
    expect(b!.celsius).toBeCloseTo(43, 0);
    expect(a!.ph!).toBeGreaterThan(b!.ph! + 0.4);
  });

  test('milk that boils on a high flame rises over the rim; what is left and what is gone is what there was', () => {
    const world = plainWorld('yogurt', 2, { at: 'heat', celsius: 60 });
    const walk = walkPractice(world, [at(0, { kind: 'flame', to: 'full' })], START_MS + 40 * MINUTE_MS);
    const { massKg } = batchOf(world.plan);
    const late = momentAt(walk, START_MS + 40 * MINUTE_MS);
    expect(late.spiltKg).toBeGreaterThan(0.1);
    expect(late.scorched).toBeGreaterThan(0.1);
    for (const moment of walk.moments) {
      expect(moment.evaporatedKg + moment.spiltKg).toBeLessThanOrEqual(massKg);
      expect(moment.celsius).toBeLessThanOrEqual(moment.boilC + 1e-9);
    }
    // Stirred all along, nothing catches.
    const stirs = Array.from({ length: 20 }, (_, i) => at(2 * i, { kind: 'stir' }));
    const stirred = walkPractice(
      world,
      [at(0, { kind: 'flame', to: 'full' }), ...stirs].sort((x, y) => x.atMs - y.atMs),
      START_MS + 40 * MINUTE_MS,
    );
    expect(momentAt(stirred, START_MS + 40 * MINUTE_MS).scorched).toBe(0);
  });

  test('an iced bath cools as long as there is ice, and never below it', () => {
    const world = plainWorld('yogurt', 2, { at: 'cool', celsius: 85 });
    const walk = walkPractice(world, [at(0, { kind: 'bath', to: 'iced' })], START_MS + 2 * HOUR_MS);
    const still = walkPractice(world, [], START_MS + 2 * HOUR_MS);
    const after = (w: typeof walk, minutes: number): number =>
      momentAt(w, START_MS + minutes * MINUTE_MS).celsius;
    expect(after(walk, 15)).toBeLessThan(45);
    expect(after(still, 15)).toBeGreaterThan(60);
    for (const { celsius, bathIceKg } of walk.moments) {
      expect(celsius).toBeGreaterThan(0);
      expect(bathIceKg).toBeGreaterThanOrEqual(0);
    }
  });

  test('butter and buttermilk hold the fat that was in the cream', () => {
    const world = plainWorld('butter', 0.9, { at: 'churn', celsius: 13 });
    const walk = walkPractice(world, [], START_MS + 2 * HOUR_MS);
    const broke = walk.moments.find(({ breakC }) => breakC !== null)!;
    const step = walk.state.steps.find(({ step: own }) => own.id === 'churn')!.step;
    const butter = butterOf(
      world,
      broke,
      { instance: step.instance, goods: { into: 'cream', out: 'butter' } },
      broke.atMs,
    )!;
    const { massKg, composition } = batchOf(world.plan);
    const fat = butter.butterKg * HAND_WORKED_FAT + (massKg - butter.butterKg) * butter.buttermilkFatFraction;
    expect(fat).toBeCloseTo(massKg * composition.fatFraction, 6);
    expect(butter.butterKg).toBeCloseTo(
      butterBalance({
        creamKg: massKg,
        creamFatFraction: composition.fatFraction,
        buttermilkFatFraction: butter.buttermilkFatFraction,
        butterFatFraction: HAND_WORKED_FAT,
      }).butterKg,
      9,
    );
  });

  test('each wash takes most of what is left, also where it and the end of washing are said at once', () => {
    const world = plainWorld('butter-ripened', 1.2, { at: 'wash', celsius: 13 });
    const said = [
      { type: 'rinsed', data: { clear: false } },
      { type: 'rinsed', data: { clear: true } },
      { type: 'step-done', data: { step: 'wash' } },
    ] as const;
    const hands = said.map((one, i) => handOf({ kind: 'say', said: one }, START_MS, START_MS, i));
    const walk = walkPractice(world, hands, START_MS + MINUTE_MS);
    const last = momentAt(walk, START_MS + MINUTE_MS);
    expect(last.rinses).toBe(2);
    expect(last.serum).toBeCloseTo(0.1296, 4);
    expect(last.step).toBe('work');
  });

  test('a cloth parts all there was into curd and whey', () => {
    const world = plainWorld('yogurt-strained', 2, { at: 'strain', celsius: 6, denatured: 0.9 });
    const walk = walkPractice(world, [], START_MS + 20 * HOUR_MS);
    let last = 0;
    for (const { wheyKg } of walk.moments) {
      expect(wheyKg).toBeGreaterThanOrEqual(last - 1e-9);
      last = wheyKg;
    }
    const outcome = outcomeOf(world, walk, START_MS + 20 * HOUR_MS, 'strain');
    const { massKg } = makeFlow(walk.state, 0.9).into.get('strain')!;
    expect(outcome.curdKg! + momentAt(walk, START_MS + 20 * HOUR_MS).wheyKg).toBeCloseTo(massKg, 6);
    expect(outcome.ended).toBe(false);
  });

  test('what went before a hand does not depend on it: stepping back is leaving the latest out', () => {
    const world = plainWorld('yogurt', 2, { at: 'heat', celsius: 8 }, truthOf(5, ['strong-burner']));
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            minutes: fc.integer({ min: 0, max: 40 }),
            to: fc.constantFrom('off', 'low', 'medium', 'full'),
          }),
          { minLength: 1, maxLength: 6 },
        ),
        (drawn) => {
          const hands = drawn
            .sort((a, b) => a.minutes - b.minutes)
            .map(({ minutes, to }) => at(minutes, { kind: 'flame', to }));
          const lastMs = START_MS + hands.at(-1)!.atMs;
          const whole = walkPractice(world, hands, lastMs + MINUTE_MS, undefined, false);
          const without = walkPractice(
            world,
            hands.filter(({ atMs }) => atMs < hands.at(-1)!.atMs),
            lastMs + MINUTE_MS,
            undefined,
            false,
          );
          expect(momentAt(whole, lastMs - 1000).celsius).toBeCloseTo(
            momentAt(without, lastMs - 1000).celsius,
            1,
          );
        },
      ),
      { numRuns: 20, seed: 11 },
    );
  });

  test('the same world and the same hands give the same walk', () => {
    const walk = () =>
      walkPractice(
        plainWorld('kefir', 1, {}, truthOf(9, ['cold-kitchen'])),
        [at(3, { kind: 'move', to: 'cupboard' })],
        START_MS,
      );
    expect(walk().moments).toEqual(walk().moments);
    expect(truthOf(9, ['cold-kitchen'])).toEqual(truthOf(9, ['cold-kitchen']));
    expect(truthOf(9, ['cold-kitchen']).roomOffC).toBeLessThan(truthOf(9, []).roomOffC - 3);
  });

  test('its entries are those of a batch, by an identity no batch of a kitchen has', () => {
    const world = plainWorld('yogurt', 2, { at: 'incubate', celsius: 43 });
    const hand = handOf(
      { kind: 'say', said: { type: 'cue-seen', data: { cue: 'liquid', cleanSmell: true } } },
      START_MS + HOUR_MS,
      START_MS,
      0,
    );
    const events = eventsOf(world, [hand], practiceId(1));
    for (const event of events) expect(draftEvent.safeParse(event).success).toBe(true);
    expect(isPracticeId(practiceId(2))).toBe(true);
    expect(isPracticeId('01GANTERNF0D00000000000001')).toBe(false);
    const { state } = walkPractice(world, [hand], START_MS);
    expect(state.current?.step.id).toBe('incubate');
    expect(state.inoculatedAtMs).toBeLessThanOrEqual(START_MS);
    expect(state.acidity.map(({ reading }) => reading.kind)).toEqual(['cue']);
  });
});
