import {
  DRAIN_SIGMA,
  DRAIN_TAU_AT_6C_H,
  drainedBy,
  drainedTo,
  hoursToThickness,
  tauByWeighings,
  type Draining,
  type DrainWay,
  type Thickness,
} from '../science/curd/index.ts';
import type { MakePlan } from '../contract/index.ts';
import { clothSeen } from './cloth-seen.ts';
import type { Curd, CurdSeen } from './curd-run.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';
import { HOUR_MS } from '../science/units/index.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'strain');
/** In the cold, °C. */
const COLD_C = 5;
/** Longer than this nothing is left hanging, h. */
export const LONGEST_DRAIN_H = 72;

/** How a plan drains, for what is learned of it; `null` when it drains nothing. */
export const drainWayOf = ({ method }: Pick<MakePlan, 'method'>): DrainWay | null =>
  method.steps.findLast((step) => step.kind === 'strain')?.way ?? null;

/** What is to be reached. */
export const thicknessOf = (of: StepOf): Thickness => ({ of: own(of).of, fraction: own(of).fraction });

/** Curd in its cloth as the model wants it, refitted by what was weighed of it. */
export function drainingOf(
  plan: MakePlan,
  of: StepOf,
  run: { readonly curd: Curd; readonly denatured: number; readonly startMs: number; readonly seen: CurdSeen },
): { readonly draining: Draining; readonly sigma: number } {
  const { way, stands } = own(of);
  const book: Draining = {
    ...run.curd,
    heated: run.denatured > 0.3,
    tauAt6CH: DRAIN_TAU_AT_6C_H[way],
    celsius: stands === 'cold' ? COLD_C : plan.roomC,
  };
  const learned = plan.factors?.cloth;
  const tau = book.tauAt6CH * Math.exp(learned?.value ?? 0);
  const sigma = Math.hypot(
    learned ? Math.min(DRAIN_SIGMA.cloth, learned.sigma) : DRAIN_SIGMA.cloth,
    DRAIN_SIGMA.batch,
  );
  const weighings = clothSeen(run.seen, of.step.id, run.curd.massKg)
    .onCurve.filter(({ atMs }) => atMs > run.startMs)
    .map(({ atMs, wheyKg }) => ({ hours: (atMs - run.startMs) / HOUR_MS, wheyKg }));
  const refit = tauByWeighings({ ...book, tauAt6CH: tau }, weighings, sigma);
  return { draining: { ...book, tauAt6CH: refit.tauAt6CH }, sigma: refit.sigma };
}

/** Whey runs off through a cloth. */
export const STRAIN: StepType = {
  kind: 'strain',
  facts: factsOf({ inThePot: 'cloth', waits: true, overnight: true, pad: 'mass', tells: 'drips' }),
  words: (_plan, of) => ({
    title: own(of).way === 'hung' ? 'Hang' : own(of).way === 'pressed' ? 'Drain under a weight' : 'Drain',
    doneWords: 'Thick enough',
    doing:
      own(of).way === 'hung'
        ? 'Tie the curd in a wet cloth. Hang it over a bowl to catch the whey.'
        : own(of).way === 'pressed'
          ? 'Put the curd in the cloth and the weight on top. Catch the whey.'
          : 'Pour the curd into a wet cloth over a bowl to catch the whey. Cover the bowl.',
    why: 'Whey runs fast at first, then more and more slowly. Weigh the bag or the whey to see how fast this one drains.',
    endWords: 'thick enough',
    due: {
      title: 'Thick enough?',
      text: 'Look at it and weigh it. If it has drained too far, stir a little whey back in.',
    },
  }),
  aim: (_plan, of) => ({
    to: 'words',
    words: `${(own(of).fraction * 100).toFixed(own(of).fraction < 0.1 ? 1 : 0)} % ${own(of).of}`,
  }),
  hands: () => ({ handsMin: 6, slackMin: 20, mustAct: false }),
  cautions: (_plan, of) => (own(of).stands === 'cold' ? ['cold-store'] : ['clean-hands']),
  stands: (_plan, of) => own(of).stands,
  later: ({ plan, of, curd, denatured, startMs, seen, z }) => {
    const { draining, sigma } = drainingOf(plan, of, { curd, denatured, startMs, seen });
    const hours = hoursToThickness(draining, thicknessOf(of));
    if (hours === null || hours > LONGEST_DRAIN_H)
      return { minutes: LONGEST_DRAIN_H * 60, sigmaMin: 0, endless: true };
    const minutes = hours * 60 * Math.exp(z * sigma);
    return { minutes, sigmaMin: sigma * minutes };
  },
  flow: (curd, { of, heated, wheyKg }) => {
    const draining = { ...curd, heated, tauAt6CH: 1, celsius: COLD_C };
    const parted = wheyKg === null ? drainedTo(draining, thicknessOf(of)) : drainedBy(draining, wheyKg);
    return {
      curd: {
        massKg: parted.curdKg,
        fatFraction: parted.fatFraction,
        proteinFraction: parted.proteinFraction,
      },
      off: [
        { what: 'whey', massKg: parted.wheyKg, fatFraction: 0, proteinFraction: parted.wheyProteinFraction },
      ],
      added: [],
    };
  },
};
