import { describe, expect, test } from '@jest/globals';
import {
  groupStarts,
  inoculumOf,
  quantilesOfCrossing,
  runEnsemble,
  sampleCourse,
  spreadOf,
  assimilate,
} from './index.ts';
import stored from './fixtures/coverage.json' with { type: 'json' };

// Minutes of work whose outcome follows from the modules it runs: `npm run coverage` finds and stores it, and a check says
// when it was found with others.
describe('400 truths each, fixed seeds', () => {
  // Near its end a room-heat culture sours so slowly that a pH of ± 0.12 says less about the hour: the same readings
  // narrow it to 0.45 instead of 0.4.
  test.each([
    ['appliance', 0.4],
    ['thermos', 0.4],
    ['room-buttermilk', 0.5],
  ] as const)(
    '%s: the band is honest before and after readings, also when the truth follows another model',
    (scenario, meterWidth) => {
      const { before, meter, strip, strange } = stored.figures[scenario];
      expect(before).toBeGreaterThanOrEqual(0.75);
      expect(before).toBeLessThanOrEqual(0.85);
      for (const { held } of [meter, strip]) {
        expect(held).toBeGreaterThanOrEqual(0.72);
        expect(held).toBeLessThanOrEqual(0.88);
      }
      expect(meter.width).toBeLessThanOrEqual(meterWidth);
      expect(strip.width).toBeLessThanOrEqual(0.65);
      expect(strange).toBeGreaterThanOrEqual(0.65);
    },
  );
});

test('the same seed gives the same forecast on every tablet', () => {
  const inoculum = inoculumOf({ kind: 'fresh-yogurt', massRatio: 0.03 });
  const spec = {
    grid: sampleCourse({ kind: 'constant', celsius: 43 }, 8, 0.1),
    starts: groupStarts(inoculum),
    startAcidMmolPerKg: inoculum.startAcidMmolPerKg,
    plasmaSnfPercent: 9,
    rate: 1,
    spread: spreadOf({ wild: false, biasSigmaC: 1 }),
  };
  const answer = (): number[] => {
    const prior = runEnsemble(spec, 300, 11);
    const reading = { kind: 'ph', hour: 2, ph: 5.9, sigma: 0.1, instrument: 'one' } as const;
    return quantilesOfCrossing(assimilate(spec, prior, [reading], 0.9, 11).ensemble, 4.6, [0.1, 0.5, 0.9]);
  };
  expect(answer()).toEqual(answer());
});
