import { swapWaterC } from '../science/curd/index.ts';
import type { MakePlan } from '../contract/index.ts';
import { batchOf } from '../setup/index.ts';
import { thinned } from './curd-run.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

/** How hot the water must be, °C; `null` when even boiling water would not do. @param fromC of curd and whey */
function swapHeatOf(plan: MakePlan, of: StepOf, fromC: number): number | null {
  const { drawFraction, toC } = paramsOf(of.step, 'swap-whey');
  const { composition, massKg } = batchOf(plan);
  return swapWaterC({ composition, massKg, celsius: fromC, drawFraction }, toC);
}

/** Whey out, hot water in: the curd is washed, and warmed by it. */
export const SWAP_WHEY: StepType = {
  kind: 'swap-whey',
  gerund: 'washing the curd',
  usual: { drawFraction: 0.3, toC: 37 },
  asks: ['a kettle'],
  facts: factsOf({ inThePot: 'curd', probed: true }),
  words: () => ({
    title: 'Swap whey for water',
    doneWords: 'Water is in',
    doing: 'Draw off the whey. Pour in the hot water slowly, stirring all the time.',
    why: 'The water washes out milk sugar. The cheese stays mild and sours no further.',
  }),
  aim: (_plan, { step }) => ({
    to: 'added',
    words: `${Math.round(paramsOf(step, 'swap-whey').drawFraction * 100)} % of the total, as much as the whey drawn off`,
  }),
  adds: { by: 'volume', hotC: swapHeatOf, toC: ({ step }) => paramsOf(step, 'swap-whey').toC },
  hands: () => ({ handsMin: 12, slackMin: 15, mustAct: true }),
  cautions: () => ['wash-water', 'hot-milk'],
  later: ({ of }) => ({ minutes: 12, endC: paramsOf(of.step, 'swap-whey').toC }),
  flow: (curd, { of }) => {
    const { drawFraction } = paramsOf(of.step, 'swap-whey');
    // Of curd and whey together only whey is drawn: it takes its protein and hardly any fat along.
    const massKg = curd.massKg * drawFraction;
    const whey = {
      massKg,
      fatFraction: Math.min(0.002, curd.fatFraction),
      proteinFraction: Math.min(0.008, curd.proteinFraction),
    };
    const left = {
      massKg: curd.massKg - massKg,
      fatFraction: (curd.fatFraction * curd.massKg - whey.fatFraction * massKg) / (curd.massKg - massKg),
      proteinFraction:
        (curd.proteinFraction * curd.massKg - whey.proteinFraction * massKg) / (curd.massKg - massKg),
    };
    return {
      curd: thinned(left, massKg),
      off: [{ what: 'whey', ...whey }],
      added: [{ what: 'water', massKg }],
    };
  },
};
