import { describe, expect, test } from '@jest/globals';
import { practiceFile, type PracticeHand } from '../contract/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { safetyOf } from '../make/index.ts';
import { exerciseOf, PRACTISED_METHODS, troublesOf, type Exercise } from './exercise.ts';
import { free, lesson, PATIENT, plainWorld, START_MS } from './fixtures/players.ts';
import { LESSONS, practiceLesson } from './lessons.ts';
import { outcomeOf } from './outcome.ts';
import { handOf, IDLE, PERFECT, played, powderIn, type Player } from './players.ts';
import { walkPractice } from './walk.ts';

const reaches = (exercise: Exercise, player: Player): boolean[] =>
  exercise.batches.map((batch) => {
    const { outcome } = played(batch, player, exercise.limitH);
    return batch.aims.every((aim) => aim.near(outcome) >= 1);
  });

describe('no lesson is impossible, and none is won by doing nothing', () => {
  // Two numbers show every lesson's troubles; the third world of a quarter goes by the rougher model.
  test.each(LESSONS.flatMap(({ id }) => [0, 1, 2].map((seed) => [id, seed] as const)))(
    '%s, world %i',
    (id, seed) => {
      const exercise = lesson(id, seed);
      expect(reaches(exercise, PERFECT)).toEqual(exercise.batches.map(() => true));
      expect(reaches(exercise, IDLE)).not.toContain(true);
    },
  );

  test('some of these worlds go by the rougher model', () => {
    expect([0, 1, 2].map((seed) => lesson('cold-warmer', seed).batches[0]!.world.truth.rough)).toContain(
      true,
    );
  });

  test.each(['cold-warmer', 'tired-starter', 'cold-kitchen-cream', 'too-cold-too-warm'])(
    'who never finds out what is wrong does not win %s',
    (id) => {
      expect(reaches(lesson(id, 0), PATIENT)).toEqual([false]);
    },
  );
});

describe('milk powder', () => {
  const powdered = (kg: number, player: Player): Player => {
    let given = false;
    return (seen) => {
      if (given || seen.moment.work !== 'hands') return player(seen);
      given = true;
      return [{ kind: 'say', said: powderIn(kg) }];
    };
  };
  const came = (player: Player, seed = 0) => {
    const { batches, limitH } = lesson('milk-powder', seed);
    const { outcome } = played(batches[0]!, player, limitH);
    return {
      firm: outcome.firm!,
      powderKg: outcome.powderKg,
      met: batches[0]!.aims.map((a) => a.near(outcome) >= 1),
    };
  };
  /** Who believes the thermometer, and takes the milk for hotter than it is. */
  const believing: Player = (seen) =>
    PERFECT({
      ...seen,
      moment: { ...seen.moment, celsius: seen.moment.celsius + seen.of.world.truth.readsHighC },
    });

  test('milk is firmer by its powder and by its heat, and neither does the other’s work', () => {
    const perfect = came(PERFECT);
    const without = came(powdered(1e-6, (seen) => PERFECT({ ...seen, of: { ...seen.of, powder: false } })));
    const believed = came(believing);
    expect(perfect.met).toEqual([true, true, true]);
    expect(without.firm).toBeLessThan(perfect.firm - 10);
    expect(believed.powderKg).toBe(perfect.powderKg);
    expect(believed.firm).toBeLessThan(perfect.firm);
    expect(believed.met).toEqual([false, true, true]);
  });

  test('more powder makes up for it, and is too much', () => {
    const lots = came(powdered(0.09, believing));
    expect(lots.met).toEqual([true, false, true]);
  });
});

describe('free practice', () => {
  test.each(['yogurt-strained', 'kefir', 'butter-ripened', 'ghee', 'fresh-rennet'])(
    '%s can be done well',
    (method) => {
      expect(reaches(free(method, 3), PERFECT)).toEqual([true]);
    },
  );

  test('of all methods each has its aims, and troubles that can show in it', () => {
    for (const method of PRACTISED_METHODS) {
      const exercise = exerciseOf(
        { kind: 'free', method: method.id, kitchen: 'usual', troubles: 'surprise', level: 2 },
        5,
        START_MS,
      );
      expect(exercise.batches[0]!.aims.length).toBeGreaterThan(0);
      for (const trouble of exercise.troubles) expect(troublesOf(method)).toContain(trouble);
    }
    expect(troublesOf(PRACTISED_METHODS.find(({ id }) => id === 'ghee')!)).toEqual([
      'strong-burner',
      'weak-burner',
      'wet-butter',
    ]);
  });

  test.each([
    ['yogurt', 'plate'],
    ['yogurt', 'mountain'],
    ['cultured-cream', 'stone-dairy'],
    ['butter', 'summer'],
    ['kefir', 'summer'],
  ] as const)('%s can be done well in another kitchen: %s', (method, kitchen) => {
    expect(reaches(free(method, 4, [], kitchen), PERFECT)).toEqual([true]);
  });

  test('surprises come with the number, and are not the same for all', () => {
    const drawn = Array.from({ length: 30 }, (_, seed) =>
      exerciseOf(
        { kind: 'free', method: 'yogurt', kitchen: 'usual', troubles: 'surprise', level: 2 },
        seed,
        START_MS,
      ).troubles.join(' '),
    );
    expect(new Set(drawn).size).toBeGreaterThan(4);
    expect(drawn).toContain('');
  });

  test('what does not exist is said', () => {
    expect(() => lesson('none', 1)).toThrow(RangeError);
    expect(() => free('none', 1)).toThrow(RangeError);
    expect(practiceLesson('none')).toBeNull();
  });
});

describe('unsafe is called unsafe', () => {
  test('milk whose starter is dead is past its safety clock in truth and on the page', () => {
    const world = plainWorld('yogurt', 2, { at: 'incubate', celsius: 43, denatured: 0.9 }, { lnCells: -30 });
    const untilMs = START_MS + 13 * HOUR_MS;
    const walk = walkPractice(world, [], untilMs);
    const outcome = outcomeOf(world, walk, untilMs);
    expect(outcome.safe).toBe(false);
    const course = walk.moments.map(({ atMs, celsius }) => [atMs, celsius] as const);
    expect(safetyOf(walk.state, course, untilMs, null).verdict).toBe('over');
  });

  test('skyr that was set by its rennet alone is not safe, however well it stands', () => {
    const world = plainWorld('skyr', 2, { at: 'incubate', celsius: 40, denatured: 0.9 }, { rate: 0.05 });
    const done = handOf(
      { kind: 'say', said: { type: 'step-done', data: { step: 'incubate' } } },
      START_MS + 10 * HOUR_MS,
      START_MS,
      0,
    );
    const walk = walkPractice(world, [done], START_MS + 14 * HOUR_MS);
    expect(outcomeOf(world, walk, START_MS + 14 * HOUR_MS, 'incubate')).toMatchObject({
      ended: true,
      safe: false,
    });
  });
});

test('a practice is a file of its own, that is read back as it was', () => {
  const exercise = lesson('ghee', 4);
  const { hands } = played(exercise.batches[0]!, PERFECT, exercise.limitH);
  const file = {
    format: 'morning-crock-practice' as const,
    version: 1 as const,
    subject: { kind: 'lesson' as const, lesson: 'ghee' },
    seed: 4,
    startMs: START_MS,
    hands: [hands as PracticeHand[]],
    backs: 1,
    asked: 0,
    untilMs: 60_000,
  };
  expect(practiceFile.parse(JSON.parse(JSON.stringify(file)))).toEqual(JSON.parse(JSON.stringify(file)));
  expect(practiceFile.safeParse({ ...file, hands: [[{ kind: 'flame', atMs: 0, to: 'huge' }]] }).success).toBe(
    false,
  );
  expect(practiceFile.safeParse({ ...file, seed: -1 }).success).toBe(false);
});
