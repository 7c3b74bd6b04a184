import { HEAT_CUE_FACTS, HEAT_CUES, type HeatCue } from '../science/heat/index.ts';
import { createRandom, hashSeed } from '../science/numerics/index.ts';
import type { Said } from '../steps/index.ts';
import type { Moment } from './walk.ts';
import type { PracticeWorld } from './world.ts';

/** What a practice lets its cook measure with; eyes are always there. */
export const INSTRUMENTS = ['thermometer', 'finger', 'strip', 'meter', 'scales'] as const;
export type Instrument = (typeof INSTRUMENTS)[number];

const THERMOMETER_SIGMA_C = 0.3;
const STRIP = { sigma: 0.2, steps: 2 } as const;
const METER = { sigma: 0.05, steps: 100 } as const;
const SCALES_SIGMA_KG = 0.004;

/** By eye and finger: the nearest of what it may be, seen or felt a little wrong. */
function felt(celsius: number, boilC: number, normal: number): HeatCue {
  const typical = (cue: HeatCue): number => HEAT_CUE_FACTS[cue].celsius ?? boilC;
  const seen = celsius + 0.5 * normal;
  return [...HEAT_CUES].sort((a, b) => Math.abs(typical(a) - seen) - Math.abs(typical(b) - seen))[0]!;
}

/**
 * What an instrument says at a moment, as an entry: with its error, the same for the same moment.
 * @returns `null` where it has nothing to tell
 * @example measured(world, moment, 'thermometer') // { type: 'temperature-read', data: { celsius: 43.8, … } }
 */
export function measured(world: PracticeWorld, moment: Moment, instrument: Instrument): Said | null {
  const random = createRandom(hashSeed(`${world.seed} ${instrument} ${Math.round(moment.atMs / 1000)}`));
  const normal = random.normal();
  switch (instrument) {
    case 'thermometer': {
      const celsius =
        Math.round((moment.celsius + world.truth.readsHighC + THERMOMETER_SIGMA_C * normal) * 10) / 10;
      return {
        type: 'temperature-read',
        data: { celsius, instrument: 'hand', typed: { value: celsius, unit: 'C' } },
      };
    }
    case 'finger':
      return { type: 'heat-felt', data: { cue: felt(moment.celsius, moment.boilC, normal) } };
    case 'strip':
    case 'meter': {
      if (moment.ph === null) return null;
      const { sigma, steps } = instrument === 'strip' ? STRIP : METER;
      const ph = Math.min(8, Math.max(3, Math.round((moment.ph + sigma * normal) * steps) / steps));
      return { type: 'ph-read', data: { ph, instrument, sigma: null, typed: { value: ph, unit: 'pH' } } };
    }
    case 'scales': {
      if (moment.work !== 'cloth' || moment.step === null) return null;
      const massKg = Math.max(0.001, Math.round((moment.wheyKg + SCALES_SIGMA_KG * normal) * 1000) / 1000);
      return {
        type: 'drain-weighed',
        data: {
          step: moment.step,
          of: 'whey',
          massKg,
          typed: { value: Math.round(massKg * 1000), unit: 'g' },
        },
      };
    }
  }
}
