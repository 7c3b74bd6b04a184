import { SET_PH, warmCulture } from '../science/souring/index.ts';
import { feedOf, feedSetH, planOfFeed, whenThere } from './feeding.ts';
import { MILK_CURD } from './milk-curd.ts';
import { factsOf, type StepType } from './step-type.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

const HORIZON_H = { warm: 30, room: 72 } as const;
/** How far the time to set is off, σ of ln: an estimate, for feeds that are still to come. */
const SET_LN_SIGMA = 0.23;

/** A fed culture stands until it has set its milk. */
export const STAND: StepType = {
  kind: 'stand',
  gerund: 'standing',
  facts: factsOf({
    inThePot: 'souring',
    waits: true,
    pad: 'ph',
    probed: true,
    sours: true,
    setShowsAcid: true,
  }),
  words: (plan, { step }) => {
    const { n } = feedOf(plan, step.id, new Map());
    return {
      title: `Let feed ${n} set`,
      doneWords: `Feed ${n} has set`,
      doing:
        'Leave the jar warm and still. Tilt it to see if the milk has set, and check that it smells clean.',
      why: 'A culture is awake when it sets milk by itself and smells clean.',
      endWords: 'set',
    };
  },
  doneShows: { cue: 'set', cleanSmell: true },
  aim: () => ({ to: 'ready' }),
  hands: () => ({ handsMin: 2, slackMin: 240, mustAct: false }),
  cautions: () => ['clean-smell-first', 'discard'],
  later: ({ plan, of, startMs, fed, z }) => {
    const setH = feedSetH(plan, feedOf(plan, of.step.id, fed)) * Math.exp(z * SET_LN_SIGMA);
    const lookMs = whenThere(plan, startMs + setH * HOUR_MS);
    return { minutes: (lookMs - startMs) / MINUTE_MS };
  },
  souring: {
    plan: (plan, { step }, fed) => planOfFeed(plan, feedOf(plan, step.id, fed)),
    marks: () => [
      { id: 'set', role: 'body', words: 'Set', ph: SET_PH },
      { id: 'ready', role: 'ready', words: 'Ready for the next step', ph: SET_PH },
    ],
    horizonH: ({ starter }) => (warmCulture(starter.kind) ? HORIZON_H.warm : HORIZON_H.room),
    ...MILK_CURD,
    words: {
      body: 'Firmness',
      look: 'May be set. Tilt the jar. Do not stir.',
      reached: 'Should be set. Tilt the jar. If the milk is set and smells clean, give the next feed.',
      notShown: 'Set, but souring is not confirmed yet. Smell it or measure the pH.',
      maybeNever: 'May not set',
    },
  },
};
