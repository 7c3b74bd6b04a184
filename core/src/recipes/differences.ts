import type { Method, MethodAims, StepInstance } from '../contract/index.ts';
import { STARTER_FACTS } from '../science/souring/index.ts';
import { fieldsOfStep, type StepField } from './fields.ts';

/** A value as it is told: a number in a unit every kitchen puts into its own, words, or nothing decided. */
export type Told =
  { readonly value: number; readonly unit: StepField['unit'] } | { readonly words: string } | null;

/** One thing that is different between two methods. */
export type Difference =
  | {
      readonly is: 'changed';
      /** The step it is about; `null` of the method as a whole. */
      readonly step: StepInstance | null;
      readonly label: string;
      readonly from: Told;
      readonly to: Told;
    }
  | { readonly is: 'with' | 'without'; readonly step: StepInstance }
  | { readonly is: 'order' };

const number = (value: number | null | undefined, unit: StepField['unit']): Told =>
  value == null ? null : { value, unit };
const words = (value: string | null | undefined): Told => (value == null ? null : { words: value });
const HEAT_WORDS = { none: 'warmed only', touch: 'touched', hold: 'held', boil: 'boiled' } as const;

/** What a method decides besides its steps, one after the other. */
const AIMS: readonly (readonly [label: string, of: (aims: MethodAims) => Told])[] = [
  ['Kind of milk', ({ milk }) => words(milk?.kind?.replaceAll('-', ' '))],
  ['Milk treatment', ({ milk }) => words(milk?.treatment?.replaceAll('-', ' '))],
  ['Milk fat', ({ milk }) => number(milk?.fatFraction, 'percent')],
  ['Milk temperature', ({ milk }) => number(milk?.startC, 'celsius')],
  ['Heat treatment', ({ heat }) => words(heat && HEAT_WORDS[heat.kind])],
  ['Heated to', ({ heat }) => number(heat && heat.kind !== 'none' ? heat.targetC : null, 'celsius')],
  [
    'Held for',
    ({ heat }) => number(heat?.kind === 'hold' || heat?.kind === 'boil' ? heat.holdMin : null, 'min'),
  ],
  ['Cooling', ({ cooling }) => words(cooling?.replaceAll('-', ' '))],
  ['Inoculation temperature', ({ inoculateC }) => number(inoculateC, 'celsius')],
  ['Starter', ({ starter }) => words(starter && STARTER_FACTS[starter.kind].label)],
  ['Starter, share of milk', ({ starter }) => number(starter?.share, 'percent')],
  ['Starter, share of stated dose', ({ starter }) => number(starter?.statedRatio, 'percent')],
  ['Second starter', ({ starter }) => words(starter?.also && STARTER_FACTS[starter.also.kind].label)],
  ['Second starter, share of milk', ({ starter }) => number(starter?.also?.share, 'percent')],
  ['Milk powder, share of milk', ({ powderShare }) => number(powderShare, 'percent')],
  ['Warm place', ({ place }) => words(place?.kind.replaceAll('-', ' '))],
  ['Temperature setting', ({ place }) => number(place?.setPointC, 'celsius')],
  ['Sourness', ({ sourness }) => words(sourness)],
];

const same = (a: Told, b: Told): boolean => JSON.stringify(a) === JSON.stringify(b);

/** A field of a step as it is told. */
function toldOf({ type, unit, options }: StepField, value: unknown): Told {
  if (value === null || value === undefined) return null;
  if (type === 'number') return number(value as number, unit);
  if (type === 'flag') return words(value === true ? 'yes' : 'no');
  return words(options.find((option) => option.value === value)?.label ?? (value as string));
}

function inStep(a: StepInstance, b: StepInstance): Difference[] {
  if (a.kind !== b.kind)
    return [
      { is: 'without', step: a },
      { is: 'with', step: b },
    ];
  const value = (step: StepInstance, key: string): unknown =>
    (step as Readonly<Record<string, unknown>>)[key];
  const fields = fieldsOfStep(a.kind).map(
    (field) => [field.label, toldOf(field, value(a, field.key)), toldOf(field, value(b, field.key))] as const,
  );
  return [...fields, ['Note', words(a.note), words(b.note)] as const].flatMap(([label, from, to]) =>
    same(from, to) ? [] : [{ is: 'changed', step: a, label, from, to } as const],
  );
}

/** What is different between two methods, in the order of the first; empty when they go alike. */
export function differences(a: Method, b: Method): Difference[] {
  const aims = AIMS.flatMap(([label, of]): Difference[] => {
    const [from, to] = [of(a.aims), of(b.aims)];
    return same(from, to) ? [] : [{ is: 'changed', step: null, label, from, to }];
  });
  const [inA, inB] = [a, b].map(({ steps }) => new Map(steps.map((step) => [step.id, step]))) as [
    Map<string, StepInstance>,
    Map<string, StepInstance>,
  ];
  const steps = a.steps.flatMap((step): Difference[] => {
    const other = inB.get(step.id);
    return other ? inStep(step, other) : [{ is: 'without', step }];
  });
  const more = b.steps.flatMap((step): Difference[] => (inA.has(step.id) ? [] : [{ is: 'with', step }]));
  const common = (of: readonly StepInstance[], other: ReadonlyMap<string, StepInstance>): string =>
    of.flatMap(({ id }) => (other.has(id) ? [id] : [])).join(' ');
  const moved = common(a.steps, inB) !== common(b.steps, inA);
  return [...aims, ...steps, ...more, ...(moved ? [{ is: 'order' } as const] : [])];
}
