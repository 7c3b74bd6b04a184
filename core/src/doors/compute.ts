import {
  boughtCreamPays,
  butterBalance,
  butterFat,
  churnForecast,
  creamSourness,
  RIPENED_PH,
  fatWays,
  gheeForecast,
  gheeYieldKg,
  salted,
  serumLeftFraction,
  washesToKeep,
} from '../science/butter/index.ts';
import {
  acidAtHour,
  agedBy,
  assimilate,
  contradictionOf,
  doseLikeFresh,
  ferment,
  groupStarts,
  hoursToPh,
  livingShare,
  phAtHour,
  quantilesOfCrossing,
  runEnsemble,
  sampleCourse,
  spreadOf,
  type EnsembleSpec,
  type Fermentation,
  thicknessIndex,
  thicknessWord,
} from '../science/souring/index.ts';
import {
  boilingPointC,
  bottlesFor,
  BURNER_FACTS,
  coolInBath,
  correctedC,
  denaturedFraction,
  FLAME_SHARE,
  heatOnPlate,
  iceNeededKg,
  pasteurisationMinutes,
  runVessel,
  THAW_SPREAD,
  thawTimes,
  thermometerCorrection,
  widthOfPotM,
} from '../science/heat/index.ts';
import { CURD_SUMS } from './curd-sums.ts';
import { DAY_SUMS } from './day-sums.ts';
import { factorWords, learnFactors } from '../daybook/learn/index.ts';
import { foldMake, stateOfPlan } from '../make/index.ts';
import {
  CREAM_SPREAD,
  creamingOf,
  densityKgPerM3,
  expectedLitres,
  fitLactation,
  ladle,
  mixMilks,
  plasmaSnfPercent,
  POWDER_FACTS,
  powderForProteinKg,
  settle,
  specificHeatKjPerKgK,
  standardise,
  type Mixture,
} from '../science/milk/index.ts';
import { WHY_SUMS } from './why-sums.ts';
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

/** The pan's inner width, m: as measured, or by what it holds. */
const widthOf = ({
  widthCm,
  potLitres,
}: Pick<SumInput<'cool'>, 'widthCm' | 'potLitres'>): number | undefined =>
  widthCm === undefined ? (potLitres === undefined ? undefined : widthOfPotM(potLitres)) : widthCm / 100;

function present(groups: SumInput<'ferment'>['lagH']): Fermentation['lagH'] {
  return Object.fromEntries(Object.entries(groups).filter(([, value]) => value !== undefined));
}

/** One entry a sum: from a checked input to an output. */
/** Fat left in buttermilk where nobody knows the heat it broke at. */
const USUAL_LEFT = 0.008;

const COMPUTE: { readonly [N in SumName]: (input: SumInput<N>) => SumOutput<N> } = {
  ...CURD_SUMS,
  ...DAY_SUMS,
  ...WHY_SUMS,
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
  cool: ({ untilC, widthCm, potLitres, ...run }) => ({
    minutes: finite(runVessel({ ...run, widthM: widthOf({ widthCm, potLitres }) }, untilC).minutes),
  }),
  heat: ({ untilC, widthCm, potLitres, burnerKw, efficiency, flame, burner, ...pan }) => {
    const run = {
      ...pan,
      widthM: widthOf({ widthCm, potLitres }),
      powerKw: burnerKw * efficiency * FLAME_SHARE[flame],
    };
    const { lagS } = BURNER_FACTS[burner];
    const plate = lagS > 0 && run.startC < untilC ? heatOnPlate({ ...run, lagS, hot: false }, untilC) : null;
    const { outcome, minutes, secondsAndCelsius } = plate ?? runVessel(run, untilC);
    const off = outcome === 'reached' ? plate : null;
    return {
      minutes: finite(minutes),
      mostC: outcome === 'reached' ? null : round(secondsAndCelsius.at(-1)![1]),
      offMinutes: off && round(off.offMinutes),
      offC: off && round(off.offC),
    };
  },
  composition: (c) => ({
    densityKgPerM3: round(densityKgPerM3(c)),
    specificHeatAt20CKjPerKgK: round(specificHeatKjPerKgK(c, 20)),
    specificHeatAt60CKjPerKgK: round(specificHeatKjPerKgK(c, 60)),
  }),
  boil: ({ altitudeM }) => ({ celsius: round(boilingPointC(altitudeM)) }),
  // Cream warming or cooling towards the churn, covered against dust.
  temper: ({ untilC, ...run }) => ({ minutes: finite(runVessel({ ...run, lidded: true }, untilC).minutes) }),
  churn: ({ ph, ...input }) => {
    const { minutes, breakC, buttermilkFatFraction } = churnForecast({
      ...input,
      ...(ph === undefined ? {} : { sourness: creamSourness({ ph }), ripened: ph <= RIPENED_PH }),
    });
    return {
      minutes: round(minutes),
      breakC: round(breakC),
      buttermilkFatFraction: round(buttermilkFatFraction),
    };
  },
  wash: ({ washes, ...washing }) => ({
    serumLeftFraction: round(serumLeftFraction(washing, washes)),
    washesToKeep: washesToKeep(washing),
  }),
  ghee: ({ skimmed, ...input }) => {
    const { waterKg, minutes } = gheeForecast(input);
    return { waterKg: round(waterKg), minutes: round(minutes), gheeKg: round(gheeYieldKg(input, skimmed)) };
  },
  yield: ({ buttermilkFatFraction, ...input }) => {
    const left = buttermilkFatFraction ?? USUAL_LEFT;
    const ways = fatWays({ ...input, buttermilkFatFraction: left });
    const { butterKg: likelyKg } = butterBalance({
      creamKg: input.creamKg,
      creamFatFraction: input.creamFatFraction,
      buttermilkFatFraction: left,
      butterFatFraction: butterFat(input.moistureFraction),
    });
    const { fatKg, possibleKg, inButterKg, inButtermilkKg, elsewhereKg, overrunFraction } = ways;
    const rounded = (value: number | null): number | null => value && round(value);
    return {
      fatKg: round(fatKg),
      possibleKg: round(possibleKg),
      likelyKg: round(likelyKg),
      inButterKg: rounded(inButterKg),
      inButtermilkKg: rounded(inButtermilkKg),
      elsewhereKg: rounded(elsewhereKg),
      overrunFraction: rounded(overrunFraction),
    };
  },
  pays: (input) => {
    const { butterKg, buttermilkKg, ownCostPerKg, savedCost, breakEvenCost } = boughtCreamPays(input);
    return {
      butterKg: round(butterKg),
      buttermilkKg: round(buttermilkKg),
      ownCostPerKg: round(ownCostPerKg),
      savedCost: round(savedCost),
      breakEvenCost: round(breakEvenCost),
    };
  },
  salt: ({ butterKg, moistureFraction, saltKg }) => {
    const { saltFraction, brineFraction } = salted(butterKg, moistureFraction, saltKg);
    return { saltFraction: round(saltFraction), brineFraction: round(brineFraction) };
  },
  thickness: (input) => {
    const index = thicknessIndex(input);
    return { index: round(index), word: thicknessWord(index) };
  },
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
  skim: ({ composition, massKg, kind, treatment, homogenised, hours, depth }) => {
    const creaming = creamingOf(kind, treatment, homogenised);
    const layers = settle({ composition, massKg, creaming, hours });
    const lifted = ladle(layers, depth);
    const restKg = massKg - lifted.massKg;
    return {
      creamKg: round(lifted.massKg),
      creamFatFraction: round(lifted.fatFraction),
      restKg: round(restKg),
      restFatFraction: round(
        restKg > 0 ? (massKg * composition.fatFraction - lifted.massKg * lifted.fatFraction) / restKg : 0,
      ),
      creamHeight: round(layers.creamHeight),
      spread: CREAM_SPREAD,
    };
  },
  standardise: ({ a, b, fatFraction, massKg }) => {
    const shares = standardise(a, b, fatFraction);
    if (!shares) return { aKg: null, bKg: null, composition: null };
    const aKg = massKg * shares.shareA;
    const bKg = massKg * shares.shareB;
    return {
      aKg: round(aKg),
      bKg: round(bKg),
      composition: mixMilks([
        { composition: a, massKg: aKg },
        { composition: b, massKg: bKg },
      ]).composition,
    };
  },
  thaw: (input) => {
    const { softH, wholeH } = thawTimes(input);
    return { softHours: round(softH), hours: round(wholeH), spread: THAW_SPREAD };
  },
  dose: ({ kind, coldD, roomD, frozenD, freezings, opened, ...question }) => {
    const aged = agedBy(kind, { coldD, roomD, frozenD, freezings }, opened);
    const { freshH, ratio } = doseLikeFresh({ kind, aged, ...question });
    return { living: round(livingShare(kind, aged)), freshH: round(freshH), ratio: ratio && round(ratio) };
  },
  lactation: ({ kind, daysAndLitres, askDays }) => {
    // The schema asks for five days: a curve there is.
    const curve = fitLactation(daysAndLitres, kind)!;
    const { a, b, c, peakDay, peakLitres, dayLnSigma } = curve;
    return {
      a: round(a),
      b: round(b),
      c: round(c),
      peakDay: round(peakDay),
      peakLitres: round(peakLitres),
      dayLnSigma: round(dayLnSigma),
      expected: askDays.map((day) => ({ day, ...expectedLitres(curve, day) })),
    };
  },
  learn: ({ kitchen, makes }) => {
    const states = makes.flatMap(({ id, events }) => {
      const state = foldMake(id, events);
      return state?.finished ? [state] : [];
    });
    return {
      makes: states.length,
      factors: learnFactors(states, kitchen).map((f) => ({
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
