import {
  BETWEEN_LOADS_MIN,
  CHURN_FACTS,
  CHURN_STAGES,
  creamDegree,
  likelyBalance,
  STAGE_SHARE,
  STAGE_WORDS,
} from '../../science/butter/index.ts';
import type { MakePlan } from '../../contract/index.ts';
import { instantOf } from '../../log/index.ts';
import { batchOf, type CautionId } from '../../setup/index.ts';
import type { Leg, LegRun } from '../leg.ts';
import { factsOf, paramsOf, type StepType } from '../step-type.ts';
import type { StepOf } from '../step-of.ts';
import { told } from '../told.ts';
import { butterKeepsAt } from './butter-of-make-keeps.ts';
import { churnAlarms } from './churn-alarms.ts';
import { churnFit } from './churn-learned.ts';
import { CHURN_TOLD } from './churn-told.ts';
import { churnedOf, churnedPlanAgain } from './churned.ts';
import { churnName, loadRuns } from './load-runs.ts';
import { loadsMayPart } from './loads-may-part.ts';
import { breakOfLoad, stageFault, stagesOfLoad, withinChurning } from './loads-on-the-clock.ts';

const own = ({ step }: Pick<StepOf, 'step'>) => paramsOf(step, 'churn');

/** Beating warms cream no further above its room than this, K [judgement]. */
const ABOVE_ROOM_K = 10;

function leg(run: LegRun): Leg {
  const runs = loadRuns(run);
  const last = runs.at(-1)!;
  const curve = runs.flatMap(({ startMin, endMin, churning, way, along }): [number, number][] => {
    const latest = way.heats.at(-1);
    // Beaten for however long, or forgotten, it gives as much to its room as it is warmed.
    const mostC = Math.max(
      churning.startC,
      latest?.celsius ?? churning.startC,
      churning.roomC + ABOVE_ROOM_K,
    );
    const endC = Math.min(mostC, latest ? Math.max(latest.celsius, along.breakC) : along.breakC);
    return [
      [startMin, churning.startC],
      ...way.heats
        .filter((h) => h.minutes < endMin - startMin)
        .map((h): [number, number] => [startMin + h.minutes, h.celsius]),
      [endMin, endC],
    ];
  });
  return {
    minutes: last.endMin,
    // What makes one load slow makes the others slow as well.
    sigmaMin: runs.reduce((sum, { along, broke }) => sum + (broke ? 0 : along.lnSigma * along.minutes), 0),
    endC: curve.at(-1)![1],
    endless: false,
    curve,
  };
}

function cautions(plan: MakePlan, of: StepOf): readonly CautionId[] {
  const { motor } = CHURN_FACTS[own(of).churn];
  return [
    ...(motor ? (['blades-off'] as const) : []),
    ...(own(of).churn === 'crank' ? (['oil-gears'] as const) : []),
    ...(creamDegree(plan.milk) === 'sweet' ? [] : (['no-rust'] as const)),
    ...(plan.starter.kind === 'milk-kefir' || creamDegree(plan.milk) !== 'sweet'
      ? (['vent-churn'] as const)
      : []),
    ...(plan.milk.treatment === 'raw' ? (['raw-milk'] as const) : []),
  ];
}

/** Butter and buttermilk that are likely to come of a plan. */
function likelyOf(plan: MakePlan): ReturnType<typeof likelyBalance> {
  const { massKg, composition } = batchOf(plan);
  return likelyBalance(massKg, composition.fatFraction);
}

/** Cream is worked until it breaks into butter and buttermilk. */
export const CHURN: StepType = {
  kind: 'churn',
  gerund: 'churning',
  evening: 'cold-water',
  usual: { churn: 'jar', speed: 'medium', name: 'A large jar', litres: 2 },
  asks: ['a churn, or a jar with a tight lid'],
  facts: factsOf({
    inThePot: 'churning',
    waits: true,
    tells: true,
    uses: ['churn'],
  }),
  words: (_plan, of) => {
    const { motor } = CHURN_FACTS[own(of).churn];
    return {
      title: 'Churn',
      doneWords: 'Stop: cream has broken',
      doing: motor
        ? 'Churn, and stay close once the first bell rings. Stop when the grains are the size of wheat.'
        : 'Churn at an even pace. Stop when the grains are the size of wheat.',
      why: 'Cream breaks all at once and splashes. If you churn on, the grains trap buttermilk.',
      endWords: 'breaks',
      early: { title: 'Watch for the break', text: 'The cream may break from now on. Listen and look.' },
      due: {
        title: 'Stop?',
        text: 'The cream should break about now. Stop when the grains are the size of wheat.',
      },
    };
  },
  aim: () => ({ to: 'break' }),
  hands: (_plan, of) => {
    const loads = own(of).loads ?? 1;
    return {
      handsMin: 3 + BETWEEN_LOADS_MIN * (loads - 1),
      slackMin: 2,
      mustAct: true,
      // Blades whip it back in within a minute: the bells ring before them.
      leadMin: CHURN_FACTS[own(of).churn].blades ? 1 : 0,
      allAlong: !CHURN_FACTS[own(of).churn].motor,
    };
  },
  cautions,
  leg,
  within: withinChurning,
  bells: breakOfLoad,
  alarms: churnAlarms,
  refuses: {
    entry: 'stage-seen',
    knows: ['stage-seen', 'load-begun'],
    why: (make, entry) => {
      const message =
        entry.type === 'stage-seen' ? stageFault(make, entry.data.stage, instantOf(entry)) : null;
      return message === null ? null : { path: 'data.stage', message };
    },
  },
  learns: { factor: 'churn', thing: churnName, fit: churnFit },
  givesKg: (plan) => likelyOf(plan).butterKg,
  besides: (plan) => ({ what: 'buttermilk', massKg: likelyOf(plan).buttermilkKg }),
  parts: loadsMayPart,
  keeps: butterKeepsAt,
  labels: ({ plan }) => ({ sour: plan.milk.soured === true ? 'cultured' : 'sweet' }),
  outcome: (at) => ({ churned: churnedOf(at) }),
  again: churnedPlanAgain,
  shareSeen: (make) => {
    const stage = stagesOfLoad(make).at(-1)?.stage;
    return stage === undefined ? null : STAGE_SHARE[stage];
  },
  markSeen: (make, mark) => {
    const { stages } = told(make, CHURN_TOLD);
    // The break of a later load: "broken-2" is the second that was seen.
    const nth = /^broken-(\d+)$/.exec(mark)?.[1];
    if (nth !== undefined)
      return stages.filter(({ stage }) => stage === 'broken')[Number(nth) - 1]?.atMs ?? null;
    return stages.find(({ stage }) => stage === mark)?.atMs ?? null;
  },
  // A lump is what comes of going on, not a point on the way. Of several loads only their breaks are told.
  marks: (_plan, of) => {
    const loads = own(of).loads ?? 1;
    if (loads > 1)
      return Array.from({ length: loads }, (_, i) => ({
        id: i === 0 ? 'broken' : `broken-${i + 1}`,
        role: 'passing' as const,
        words: `load ${i + 1} has broken`,
        share: (i + 1) / loads,
      }));
    return CHURN_STAGES.filter((stage) => stage !== 'lump').map((stage) => ({
      id: stage,
      role: 'passing' as const,
      words: STAGE_WORDS[stage],
      share: STAGE_SHARE[stage],
    }));
  },
};
