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
import {
  boilingPointC,
  bottlesFor,
  coolInBath,
  correctedC,
  denaturedFraction,
  iceNeededKg,
  pasteurisationMinutes,
  runVessel,
  thermometerCorrection,
} from '../heat/index.ts';
import { factorWords, learnFactors, lessonOf } from '../learn/index.ts';
import { foldMake, stateOfPlan } from '../make/index.ts';
import {
  butterBalance,
  densityKgPerM3,
  mixMilks,
  plasmaSnfPercent,
  POWDER_FACTS,
  powderForProteinKg,
  specificHeatKjPerKgK,
  type Mixture,
} from '../milk/index.ts';
import { planBackwards } from '../planning/index.ts';
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
  mix: ({ parts }) => {
    const priced = parts.every((p) => p.costPerKg !== undefined);
    return {
      ...mixtureOut(mixMilks(parts)),
      cost: priced ? round(parts.reduce((sum, p) => sum + p.massKg * (p.costPerKg ?? 0), 0)) : null,
    };
  },
  powder: ({ composition, massKg, powder, proteinFraction, powderKg: given }) => {
    const powderKg =
      given ??
      powderForProteinKg({ composition, massKg }, powder, proteinFraction ?? composition.proteinFraction);
    if (powderKg === null) return { powderKg, composition: null, litres: null, plasmaSnfPercent: null };
    const { massKg: _whole, ...mixture } = mixtureOut(
      mixMilks([
        { composition, massKg },
        { composition: POWDER_FACTS[powder].composition, massKg: powderKg },
      ]),
    );
    return { powderKg: round(powderKg), ...mixture };
  },
  bath: (input) => {
    const { minutes, bathEndC, iceLeftKg } = coolInBath(input);
    return {
      minutes: finite(minutes),
      bathEndC: round(bathEndC),
      iceLeftKg: round(iceLeftKg),
      iceNeededKg: round(iceNeededKg(input)),
    };
  },
  box: ({ floorC, hours, ...box }) => {
    const { outcome, bottleLitres, course, tooWarm } = bottlesFor(box, floorC, hours);
    return {
      outcome,
      bottleLitres: round(bottleLitres),
      coolestC: round(course.coolestC),
      warmestC: round(course.warmestC),
      tooWarm,
    };
  },
  thermometer: ({ readingsC, ...check }) => {
    const correction = thermometerCorrection(check);
    return {
      offsetC: round(correction.offsetC),
      slope: round(correction.slope),
      correctedC: readingsC.map((c) => round(correctedC(c, correction))),
    };
  },
  plan: ({ plan, kitchen, factors, goal, by, now, allowed }) => {
    const answer = planBackwards({
      state: stateOfPlan(plan),
      begun: false,
      kitchen,
      factors,
      wish: { goal, byMs: Date.parse(by) },
      allowed,
      nowMs: Date.parse(now),
    });
    const iso = (ms: number | null): string | null => (ms === null ? null : new Date(ms).toISOString());
    return {
      outcome: answer.outcome,
      reason: answer.reason,
      earliest: iso(answer.earliestMs),
      offers: answer.offers.map((o) => ({
        start: iso(o.startMs)!,
        setP10P50P90: [o.set.p10, o.set.p50, o.set.p90].map(iso),
        pickUpP10P50P90: [o.pickUp.p10, o.pickUp.p50, o.pickUp.p90].map(iso),
        takenOut: iso(o.takenOutMs)!,
        ready: iso(o.readyMs)!,
        overnight: o.overnight,
        sourness: o.sourness,
        sure: o.sure,
        prices: o.prices.map((price) => ({ ...price })),
      })),
    };
  },
  learn: ({ kitchen, makes }) => {
    const lessons = makes.flatMap(({ id, events }) => {
      const state = foldMake(id, events);
      return state?.finished ? [lessonOf(state)] : [];
    });
    return {
      makes: lessons.length,
      factors: learnFactors(lessons, kitchen).map((f) => ({
        ...f,
        words: factorWords(f, kitchen.units.temperature),
      })),
    };
  },
};

function mixtureOut({ composition, massKg, litres }: Mixture) {
  return {
    composition,
    massKg: round(massKg),
    litres: round(litres),
    plasmaSnfPercent: round(plasmaSnfPercent(composition)),
  };
}

/** Computes one sum from an input that its schema has accepted. */
export function computeSum<N extends SumName>(name: N, input: SumInput<N>): SumOutput<N> {
  return COMPUTE[name](input);
}
