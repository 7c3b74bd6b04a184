import type { Way } from '../contract/index.ts';
import type { WarmPlaceKind } from '../science/heat/index.ts';
import { PICK_UP_PH, SET_PH, TOO_SOUR_PH, warmCulture } from '../science/souring/index.ts';
import { makesGas } from './gas.ts';
import { souredWords } from './soured-words.ts';
import { placeCautions } from './where-it-stands.ts';
import { wantedMarks } from './mark.ts';
import { MILK_CURD } from './milk-curd.ts';
import { factsOf, type StepType } from './step-type.ts';

/** Horizon by culture: warm cultures are through in a day, room ones take days, a raw milk alone longest, h. */
const HORIZON_H = { warm: 24, room: 72, wild: 120 } as const;

/** Warm places that makers argue about. */
const WAY_OF_PLACE: Readonly<Partial<Record<WarmPlaceKind, readonly Way[]>>> = {
  towel: ['towels'],
  'oven-lamp': ['oven'],
  'oven-pilot': ['oven'],
  'oven-preheated': ['oven'],
};

/** The culture works, in the warm and in peace. */
export const INCUBATE: StepType = {
  kind: 'incubate',
  gerund: 'incubating',
  asks: ['a warm place'],
  facts: factsOf({
    inThePot: 'souring',
    waits: true,
    pad: 'ph',
    probed: true,
    sours: true,
    setShowsAcid: true,
  }),
  words: (plan, { step }) => ({
    title: 'Incubate',
    ...souredWords(plan, step),
    doing:
      plan.place.kind === 'room'
        ? 'Cover with a loose lid or a cloth and leave to stand. To check, tilt the jar. Do not stir.'
        : 'Keep the jar warm and still. To check, tilt the jar. Do not stir.',
    why: 'The culture turns milk sugar into acid. The milk sets as the pH falls.',
  }),
  aim: () => ({ to: 'ready' }),
  ways: ({ make: { plan } }) => WAY_OF_PLACE[plan.place.kind] ?? [],
  hands: () => ({ handsMin: 3, slackMin: 60, mustAct: false }),
  cautions: ({ starter, place }) => [
    ...placeCautions({ place }),
    ...(makesGas(starter.kind) ? (['lid-loose'] as const) : []),
    'clean-smell-first',
    'discard',
  ],
  souring: {
    marks: ({ wanted }) => [
      { id: 'set', role: 'body', words: 'Set', ph: SET_PH },
      ...wantedMarks(PICK_UP_PH[wanted.sourness], TOO_SOUR_PH[wanted.sourness]),
    ],
    horizonH: ({ starter, wanted: { leastH = 0 } }) => {
      if (starter.kind === 'none') return HORIZON_H.wild;
      return Math.max(leastH + 1, warmCulture(starter.kind) ? HORIZON_H.warm : HORIZON_H.room);
    },
    ...MILK_CURD,
    words: {
      body: 'Firmness',
      look: 'May be set. Tilt the jar. Do not stir.',
      reached: 'Should be as sour as you want. Check, then go on.',
      notShown: 'Set, but souring is not confirmed yet. Smell it or measure the pH.',
      maybeNever: 'May not set',
    },
  },
};
