import type { MakePlan } from '../contract/index.ts';
import { factsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

/** A cellar, °C: said to whoever has none. */
export const CELLAR_C = 12;

const dryOrAge = ({ step }: StepOf) => {
  if (step.kind !== 'dry' && step.kind !== 'age') throw new TypeError(`${step.id} lies on no shelf`);
  return step;
};

/** Pressed, it has a rind that mould can be wiped off; what is soft is discarded with its mould. */
const hasRind = ({ steps }: MakePlan['method']): boolean =>
  steps.some((step) => step.kind === 'press' && step.weightKg > 0);

/** Days on the shelf, turned again and again. */
const shelf = (
  kind: 'dry' | 'age',
  own: Pick<StepType, 'gerund' | 'usual' | 'asks'>,
  words: {
    readonly title: string;
    readonly doneWords: string;
    readonly doing: string;
    /** What is done about mould, where a rind is pressed and can be wiped. */
    readonly rind: string;
    readonly why: string;
  },
): StepType => ({
  kind,
  evening: 'moulds',
  ...own,
  facts: factsOf({ inThePot: 'wheel', waits: true, overnight: true, tells: true, looks: true }),
  words: ({ method }) => ({
    title: words.title,
    doneWords: words.doneWords,
    doing: hasRind(method) ? `${words.doing} ${words.rind}` : words.doing,
    why: words.why,
    endWords: words.title.toLowerCase(),
  }),
  aim: (_plan, of) => {
    const { days, turnEveryH } = dryOrAge(of);
    return {
      to: 'words',
      words: `${days} days, turned every ${turnEveryH >= 48 ? `${Math.round(turnEveryH / 24)} days` : `${turnEveryH} h`}`,
    };
  },
  hands: (_plan, of) => ({
    handsMin: Math.min(240, 3 * Math.ceil((dryOrAge(of).days * 24) / dryOrAge(of).turnEveryH)),
    slackMin: 720,
    mustAct: false,
  }),
  cautions: ({ milk, method }) => [
    hasRind(method) ? 'rind-mould' : 'discard',
    ...(kind === 'age' && milk.treatment === 'raw' ? (['raw-aged'] as const) : []),
  ],
  stands: (_plan, of) => dryOrAge(of).stands,
  everyMin: (of) => dryOrAge(of).turnEveryH * 60,
  later: ({ of }) => ({ minutes: dryOrAge(of).days * 24 * 60 }),
});

export const DRY = shelf(
  'dry',
  {
    gerund: 'drying',
    usual: { days: 2, turnEveryH: 12, stands: 'room' },
    asks: ['a rack'],
  },
  {
    title: 'Dry',
    doneWords: 'Rind is dry',
    doing: 'Put the cheese on a rack, airy and out of the sun. Turn it at each reminder until it feels dry.',
    rind: 'Wipe off any mould with brine.',
    why: 'A wet rind goes mouldy.',
  },
);
export const AGE = shelf(
  'age',
  {
    gerund: 'ageing',
    usual: { days: 30, turnEveryH: 72, stands: 'cellar' },
    asks: ['a cool shelf'],
  },
  {
    title: 'Age',
    doneWords: 'Cheese is ripe',
    doing: 'Keep the cheese cool and not too dry. Turn it at each reminder.',
    rind: 'Wipe mould off the rind with brine, or trim it away.',
    why: 'The flavour develops over weeks.',
  },
);
