import type { Leg, LegRun } from './leg.ts';
import { feedMs, feedOf, scaldMin } from './feeding.ts';
import { factsOf, type StepType } from './step-type.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** Milk straight from the refrigerator, °C. */
const COLD_C = 4;
/** Minutes of the scalding until it is hot. */
const TO_HOT_MIN = 20;

/** What was to be begun so long ago is planned anew, min: until then it is simply due. */
const SLACK_MIN = 120;

function leg({ plan, of, startMs, nowMs, fed }: LegRun): Leg {
  const feed = feedOf(plan, of.step.id, fed);
  const lead = scaldMin(plan);
  const asReady = feedMs(plan, feed, startMs);
  const missed = asReady - lead * MINUTE_MS + SLACK_MIN * MINUTE_MS < nowMs;
  const minutes = ((missed ? feedMs(plan, feed, nowMs) : asReady) - startMs) / MINUTE_MS;
  const waits = Math.max(0, minutes - lead);
  return {
    minutes,
    sigmaMin: 0,
    endC: plan.inoculateC,
    endless: false,
    curve:
      lead === 0
        ? [
            [0, COLD_C],
            [waits, plan.inoculateC],
          ]
        : [
            [0, COLD_C],
            [waits, COLD_C],
            [waits + TO_HOT_MIN, plan.heat.targetC],
            [waits + lead, plan.inoculateC],
          ],
  };
}

/** Milk is scalded, cooled, and a waking culture is stirred into it; until it suits, the culture rests. */
export const FEED: StepType = {
  kind: 'feed',
  gerund: 'feeding',
  usual: { massKg: 0.1, rest: 'cold' },
  facts: factsOf({
    inThePot: 'cold',
    waits: true,
    endedBy: 'fed',
    inoculates: true,
    pad: 'mass',
  }),
  words: (plan, { step }) => {
    const { n } = feedOf(plan, step.id, new Map());
    const scalds = scaldMin(plan) > 0;
    return {
      title: `Feed ${n}`,
      doneWords: `Feed ${n} is in`,
      doing: scalds
        ? 'Scald the milk. Let it cool to the temperature it will stand at, then stir in the culture.'
        : 'Warm the milk to the temperature it will stand at, then stir in the culture.',
      why: 'Each feed is larger than the last, but small enough for the culture to keep the upper hand.',
      due: {
        title: `Feed ${n}`,
        text: scalds
          ? 'Scald the milk now. It has to cool before the culture goes in.'
          : 'Stir the culture into its milk.',
      },
    };
  },
  aim: (plan, { step }) => ({ to: 'amount', massKg: feedOf(plan, step.id, new Map()).massKg }),
  hands: (plan) => ({ handsMin: 10, slackMin: SLACK_MIN, mustAct: false, leadMin: scaldMin(plan) }),
  cautions: (plan) => [
    ...(plan.milk.treatment === 'raw' ? (['raw-milk'] as const) : []),
    ...(scaldMin(plan) > 0 ? (['hot-milk'] as const) : []),
  ],
  leg,
  later: ({ plan, of, startMs, fed }) => ({
    minutes: (feedMs(plan, feedOf(plan, of.step.id, fed), startMs) - startMs) / MINUTE_MS,
  }),
};
