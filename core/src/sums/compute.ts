import {
  acidAtHour,
  assimilate,
  contradictionOf,
  ferment,
  groupStarts,
  hoursToPh,
  phAtHour,
  quantilesOfCrossing,
  runEnsemble,
  sampleCourse,
  spreadOf,
  type EnsembleSpec,
  type Fermentation,
} from '../culture/index.ts';
import { boilingPointC, denaturedFraction, pasteurisationMinutes, runVessel } from '../heat/index.ts';
import { butterBalance, densityKgPerM3, specificHeatKjPerKgK } from '../milk/index.ts';
import type { SumInput, SumName, SumOutput } from './schemas.ts';

const TARGETS = ['5.2', '4.8', '4.6', '4.4', '4.2'] as const;
const HOURS = ['2', '4', '6', '8', '12', '24'] as const;
/** A pH not reached by then counts as never. */
const HORIZON_H = 120;

const finite = (value: number): number | null => (Number.isFinite(value) ? round(value) : null);
const round = (value: number): number => Number(value.toPrecision(9));
const asFermentation = (input: SumInput<'ferment'>): Fermentation => ({
  temperature: input.temperature,
  log10CfuPerMl: present(input.log10CfuPerMl),
  lagH: present(input.lagH),
  startAcidMmolPerKg: input.startAcidMmolPerKg,
  plasmaSnfPercent: input.plasmaSnfPercent,
});

function present(groups: SumInput<'ferment'>['lagH']): Fermentation['lagH'] {
  return Object.fromEntries(Object.entries(groups).filter(([, value]) => value !== undefined));
}

/** One entry a sum: from a checked input to an output. */
const COMPUTE: { readonly [N in SumName]: (input: SumInput<N>) => SumOutput<N> } = {
  ferment: (input) => {
    const course = ferment(asFermentation(input), HORIZON_H);
    return {
      hoursToPh: Object.fromEntries(TARGETS.map((ph) => [ph, finite(hoursToPh(course, Number(ph)))])),
      phAtHours: Object.fromEntries(HOURS.map((h) => [h, round(phAtHour(course, Number(h)))])),
      acidAt24HoursMmolPerKg: round(acidAtHour(course, 24)),
    };
  },
  denature: ({ secondsAndCelsius, cream }) => ({
    denaturedFraction: round(denaturedFraction(secondsAndCelsius)),
    pasteurisationMinutes: round(pasteurisationMinutes(secondsAndCelsius, cream)),
  }),
  cool: ({ untilC, ...run }) => ({ minutes: finite(runVessel(run, untilC).minutes) }),
  composition: (c) => ({
    densityKgPerM3: round(densityKgPerM3(c)),
    specificHeatAt20CKjPerKgK: round(specificHeatKjPerKgK(c, 20)),
    specificHeatAt60CKjPerKgK: round(specificHeatKjPerKgK(c, 60)),
  }),
  boil: ({ altitudeM }) => ({ celsius: round(boilingPointC(altitudeM)) }),
  butter: (input) => {
    const { butterKg, buttermilkKg } = butterBalance(input);
    return { butterKg: round(butterKg), buttermilkKg: round(buttermilkKg) };
  },
  forecast: (input) => {
    const f = asFermentation(input);
    const spec: EnsembleSpec = {
      grid: sampleCourse(f.temperature, input.horizonH, 0.1),
      starts: groupStarts(f),
      startAcidMmolPerKg: f.startAcidMmolPerKg,
      plasmaSnfPercent: f.plasmaSnfPercent,
      rate: 1,
      spread: spreadOf({ wild: input.wild, biasSigmaC: input.biasSigmaC }),
    };
    const prior = runEnsemble(spec, input.members, input.seed);
    const { ensemble, stats } = assimilate(spec, prior, input.readings, input.denaturedFraction, input.seed);
    return {
      hoursToPh: Object.fromEntries(
        TARGETS.map((ph) => {
          const [p10, p50, p90] = quantilesOfCrossing(ensemble, Number(ph), [0.1, 0.5, 0.9]).map(finite);
          return [ph, { p10: p10 ?? null, p50: p50 ?? null, p90: p90 ?? null }];
        }),
      ),
      effectiveMembers: round(stats.effectiveMembers),
      contradiction:
        contradictionOf(prior, ensemble, input.readings, input.denaturedFraction)?.direction ?? null,
    };
  },
};

/** Computes one sum from an input that its schema has accepted. */
export function computeSum<N extends SumName>(name: N, input: SumInput<N>): SumOutput<N> {
  return COMPUTE[name](input);
}
