import { describe, expect, test } from '@jest/globals';
import {
  createKernel,
  crossingH,
  groupStarts,
  inoculumOf,
  mixedInocula,
  sampleCourse,
  type Joining,
} from './index.ts';

const HORIZON_H = 16;
const STEP_H = 0.1;
const starter = inoculumOf({ kind: 'fresh-yogurt', massRatio: 0.02 });

/** pH and acid of milk at a heat, with what comes to it under way. */
function soured(
  celsius: number | readonly (readonly [number, number])[],
  joinings: readonly Joining[] = [],
  begun = starter,
) {
  const course =
    typeof celsius === 'number'
      ? ({ kind: 'constant', celsius } as const)
      : ({ kind: 'points', hoursAndCelsius: celsius } as const);
  const kernel = createKernel(
    sampleCourse(course, HORIZON_H, STEP_H),
    groupStarts(begun),
    begun.startAcidMmolPerKg,
    joinings,
  );
  const ph = new Float64Array(kernel.steps + 1);
  kernel.run({ rate: 1, log10Offset: 0, biasC: 0, lagFactor: 1, plasmaSnfPercent: 9 }, ph, 0);
  return { ph, kernel, hoursTo: (value: number) => crossingH(ph, 0, kernel.steps, STEP_H, value) };
}
const more = (hour: number, massRatio = 0.02): Joining => {
  const dose = inoculumOf({ kind: 'fresh-yogurt', massRatio });
  return { hour, keeps: 1, starts: groupStarts(dose), acidMmolPerKg: dose.startAcidMmolPerKg };
};

describe('what comes to a souring under way', () => {
  test('two helpings at the start are one of both', () => {
    const twice = soured(42, [more(0)]);
    const once = soured(42, [], mixedInocula(starter, starter));
    for (let i = 0; i <= twice.kernel.steps; i++) expect(twice.ph[i]).toBeCloseTo(once.ph[i]!, 6);
  });

  test('until it comes nothing changes; then it hurries, but less than had it been there from the start', () => {
    const alone = soured(40);
    const late = soured(40, [more(2, 0.1)]);
    for (let i = 0; i < 20; i++) expect(late.ph[i]).toBe(alone.ph[i]);
    expect(late.ph[20]!).toBeLessThan(alone.ph[20]!);
    expect(late.hoursTo(4.6)).toBeLessThan(alone.hoursTo(4.6) - 0.2);
    expect(late.hoursTo(4.6)).toBeGreaterThan(soured(40, [more(0, 0.1)]).hoursTo(4.6));
  });

  test('what was killed is alive again with a second helping, and not without one', () => {
    const tooHot = [
      [0, 42],
      [0.5, 42],
      [0.7, 62],
      [1.5, 62],
      [2, 42],
      [HORIZON_H, 42],
    ] as const;
    expect(soured(tooHot).hoursTo(4.6)).toBe(Infinity);
    expect(soured(tooHot, [more(2.2)]).hoursTo(4.6)).toBeLessThan(12);
  });

  test('two halves of one make, poured together again, go on as the one', () => {
    const whole = soured(42);
    const at = 30;
    const row = whole.kernel.acidByGroup.map((acid) => acid[at]!);
    const acid = starter.startAcidMmolPerKg + row.reduce((sum, made) => sum + made, 0);
    // Half of what is there is kept, and half of it comes back with its acid: nothing is lost or made.
    const back: Joining = { hour: at * STEP_H, keeps: 0.5, starts: [], acidMmolPerKg: acid / 2 };
    const halved = soured(42, [back]);
    expect(halved.ph[at]).toBeCloseTo(whole.ph[at]!, 9);
    expect(halved.ph[at + 10]!).toBeGreaterThan(whole.ph[at + 10]!);
  });

  test('fresh milk poured in raises the pH by its share of the acid; what would come after the course is passed over', () => {
    const whole = soured(42);
    const thinned = soured(42, [{ hour: 4, keeps: 0.5, starts: [], acidMmolPerKg: 0 }]);
    expect(thinned.ph[40]!).toBeGreaterThan(whole.ph[40]! + 0.2);
    expect(thinned.ph[39]).toBe(whole.ph[39]);
    expect(soured(42, [more(HORIZON_H + 1)]).ph).toEqual(whole.ph);
  });
});

test('who is joined by nothing goes the plain way, and comes to the same to the last bit: one group or two, killed or not', () => {
  const nothing: Joining = { hour: 0, keeps: 1, starts: [], acidMmolPerKg: 0 };
  for (const begun of [
    starter,
    inoculumOf({ kind: 'kefir-grains', massRatio: 0.05 }),
    mixedInocula(starter, inoculumOf({ kind: 'cultured-buttermilk', massRatio: 0.03 })),
  ])
    for (const celsius of [
      20,
      43,
      [
        [0, 54],
        [3, 38],
        [16, 30],
      ] as const,
    ]) {
      const plain = soured(celsius, [], begun);
      const joined = soured(celsius, [nothing], begun);
      expect(plain.ph).toEqual(joined.ph);
      expect(plain.kernel.cellsAtEnd).toEqual(joined.kernel.cellsAtEnd);
      expect(plain.kernel.acidByGroup).toEqual(joined.kernel.acidByGroup);
    }
});
