import { PICK_UP_PH, SET_PH, TOO_SOUR_PH, warmCulture } from '../culture/index.ts';
import { makesGas } from './gas.ts';
import { wantedMarks } from './mark.ts';
import { MILK_CURD } from './milk-curd.ts';
import { factsOf, type StepType } from './step-type.ts';

/** Horizon by culture: warm cultures are through in a day, room ones take days, a raw milk alone longest, h. */
const HORIZON_H = { warm: 24, room: 72, wild: 120 } as const;

/** The culture works, in the warm and in peace. */
export const INCUBATE: StepType = {
  kind: 'incubate',
  facts: factsOf({
    inThePot: 'souring',
    waits: true,
    pad: 'ph',
    probed: true,
    sours: true,
    setShowsAcid: true,
  }),
  words: () => ({
    title: 'Incubate',
    doneWords: 'Into the cold',
    doing: 'Keep it warm and still. Look without stirring: tilt the jar.',
    endWords: 'into the cold',
    why: 'The culture turns milk sugar into acid; the curd sets on the way down.',
  }),
  aim: () => ({ to: 'ready' }),
  hands: () => ({ handsMin: 3, slackMin: 60, mustAct: false }),
  cautions: ({ starter }) => [
    ...(makesGas(starter.kind) ? (['lid-loose'] as const) : []),
    'clean-smell-first',
    'discard',
  ],
  souring: {
    marks: ({ wanted }) => [
      { id: 'set', role: 'body', words: 'Set', ph: SET_PH },
      ...wantedMarks(PICK_UP_PH[wanted.sourness], TOO_SOUR_PH[wanted.sourness]),
    ],
    horizonH: ({ starter }) => {
      if (starter.kind === 'none') return HORIZON_H.wild;
      return warmCulture(starter.kind) ? HORIZON_H.warm : HORIZON_H.room;
    },
    ...MILK_CURD,
    words: {
      body: 'Firmness',
      look: 'It may be set: tilt the jar, do not stir.',
      reached: 'It should be as sour as you wanted: look, then chill it.',
      notShown: 'It is set; that it soured is not shown yet: smell it, or measure.',
      maybeNever: 'It may not set',
    },
  },
};
