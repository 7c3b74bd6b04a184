import type { StepKind } from '../contract/index.ts';

/** What happens by itself to what a step works on, where nobody holds it: on the stove, where it sours, in the churn … */
export type Work =
  'stove' | 'place' | 'temper' | 'churn' | 'pan' | 'cloth' | 'set' | 'bowl' | 'cold' | 'hands';

/** By kind of step; every other is hands. */
const WORK_OF: Readonly<Partial<Record<StepKind, Work>>> = {
  heat: 'stove',
  hold: 'stove',
  scald: 'stove',
  cool: 'stove',
  'ripen-milk': 'place',
  incubate: 'place',
  ripen: 'place',
  stand: 'place',
  'second-ripen': 'place',
  chill: 'cold',
  thicken: 'cold',
  temper: 'temper',
  churn: 'churn',
  clarify: 'pan',
  strain: 'cloth',
  coagulate: 'set',
  wash: 'bowl',
};

/** What happens during a step. @example workOf('churn') // 'churn' */
export const workOf = (kind: StepKind): Work => WORK_OF[kind] ?? 'hands';
