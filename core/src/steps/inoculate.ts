import { warmCulture, type StarterKind } from '../science/souring/index.ts';
import { factsOf, type StepType } from './step-type.ts';

const whisked = (into: string): string =>
  `Whisk the starter smooth in a little ${into}, then stir it into the rest.`;
const sprinkled = (into: string): string =>
  `Sprinkle the culture on the ${into} and leave it there for two minutes. Then stir it in.`;
const whey = (into: string): string => `Stir the whey into the ${into}.`;
/** How each starter goes into the milk or cream. */
const GOES_IN: Readonly<Record<StarterKind, (into: string) => string>> = {
  none: () => 'Add no starter. Cover the jar and leave it to sour.',
  'fresh-yogurt': whisked,
  'cultured-buttermilk': whisked,
  'dried-yogurt': sprinkled,
  'dried-mesophilic': sprinkled,
  'kefir-grains': (into) => `Put the grains into the ${into} and stir gently.`,
  'milk-kefir': (into) => `Stir the kefir into the ${into}.`,
  'yogurt-whey': whey,
  'sour-milk-whey': whey,
};

/** The culture goes in; without one, the milk is covered. */
export const INOCULATE: StepType = {
  kind: 'inoculate',
  gerund: 'inoculating',
  facts: factsOf({
    inThePot: 'warm-milk',
    pad: 'mass',
    endedBy: 'starter-added',
    inoculates: true,
  }),
  words: ({ starter, milk }, { goods: { into } }) => ({
    title: starter.kind === 'none' ? 'Leave to sour' : 'Inoculate',
    doneWords: starter.kind === 'none' ? 'Covered' : 'Starter is in',
    doing: milk.powder?.withStarter
      ? `Whisk the milk powder smooth in a little ${into} and stir it into the rest. ${GOES_IN[starter.kind](into)}`
      : GOES_IN[starter.kind](into),
    endWords: 'inoculated',
    why:
      starter.kind === 'none'
        ? 'The milk’s own bacteria sour it. How many there are differs from milking to milking, and so does the time.'
        : 'The dose and the age of the starter decide how long it takes.',
  }),
  aim: () => ({ to: 'dose' }),
  hands: () => ({ handsMin: 6, slackMin: 20, mustAct: true }),
  cautions: ({ starter, milk }) =>
    starter.kind === 'none'
      ? [milk.treatment === 'raw' ? 'raw-milk' : 'treated-needs-starter']
      : [warmCulture(starter.kind) ? 'too-hot-kills' : 'too-hot-kills-room'],
};
