import { method, type Method, type StepInstance, type StepKind } from '../contract/index.ts';

/** What a step of a kind begins with when it is put in. */
const FRESH: Readonly<Partial<Record<StepKind, Readonly<Record<string, unknown>>>>> = {
  temper: { toC: 13, standing: 'room' },
  churn: { churn: 'jar', speed: 'medium', name: 'A large jar', litres: 2 },
  wash: { washes: 3, waterKgPerKg: 1, exchangeFraction: 0.8 },
  work: { saltFraction: 0 },
  clarify: { moistureFraction: 0.17, flame: 'medium', school: 'stir', doneC: 112 },
  'cool-ghee': { as: 'coarse' },
  feed: { massKg: 0.1, rest: 'cold' },
  'add-rennet': { imcuPerLitre: 30, unit: 'mL', strengthImcu: null },
  'ripen-milk': { minutes: 45 },
  cut: { sizeCm: 1.5 },
  rest: { minutes: 15, stands: 'as-it-is' },
  stir: { toC: null, minutes: 15 },
  'swap-whey': { drawFraction: 0.3, toC: 37 },
  strain: { way: 'cloth', stands: 'cold', of: 'protein', fraction: 0.06 },
  press: { weightKg: 8, diameterCm: 14, hours: 8, turns: 2, moistureFraction: 0.48 },
  salt: { saltFraction: 0.015, how: 'mixed' },
  brine: { brineFraction: 0.18, hours: null, diameterCm: 14 },
  dry: { days: 2, turnEveryH: 12, stands: 'room' },
  age: { days: 30, turnEveryH: 72, stands: 'cellar' },
  acidify: { with: 'lemon', mlPerLitre: 45 },
  'add-dose': { what: 'calcium-chloride', perLitre: 0.3, unit: 'mL' },
  'second-ripen': { hours: 12, stands: 'room' },
  'mix-in': { what: 'sugar', fraction: 0.08, keepsD: null, alcohol: false },
  freeze: { hours: 4, stirEveryMin: 40 },
  own: { title: 'Your own step', doing: '', handsMin: 5, waitMin: 0, stands: 'as-it-is' },
};

/** A step's name that no other of the method has. @example freeName(steps, 'rest') // 'rest-2' */
export function freeName(steps: readonly StepInstance[], kind: StepKind): string {
  for (let n = 1; ; n++) {
    const id = n === 1 ? kind : `${kind}-${n}`;
    if (!steps.some((step) => step.id === id)) return id;
  }
}

/** A step of a kind with usual parameters. */
export const freshStep = (steps: readonly StepInstance[], kind: StepKind): StepInstance =>
  ({ id: freeName(steps, kind), kind, ...FRESH[kind] }) as StepInstance;

/** A method with a step put in behind another; at the end when there is none. */
export const withStep = (of: Method, step: StepInstance, at: number): Method => ({
  ...of,
  steps: [...of.steps.slice(0, at), step, ...of.steps.slice(at)],
});

/** With two steps exchanged; beyond the ends nothing changes. */
export function movedStep(of: Method, index: number, by: -1 | 1): Method {
  const to = index + by;
  if (to < 0 || to >= of.steps.length) return of;
  const steps = [...of.steps];
  [steps[index], steps[to]] = [steps[to]!, steps[index]!];
  return { ...of, steps };
}

export const withoutStep = (of: Method, index: number): Method => ({
  ...of,
  steps: of.steps.filter((_, i) => i !== index),
});

/** What is wrong with a method, where, in words; empty when it can be kept. */
export function methodFaults(of: Method): { readonly path: string; readonly message: string }[] {
  const result = method.safeParse(of);
  if (result.success) return orderFaults(of);
  return result.error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
}

/** What cannot be done in this order, whatever each step is. */
function orderFaults({ steps }: Method): { path: string; message: string }[] {
  const first = (kinds: readonly StepKind[]): number => steps.findIndex(({ kind }) => kinds.includes(kind));
  const sours = first(SOURS);
  const inoculates = first(INOCULATES);
  if (sours < 0) return [];
  if (inoculates < 0)
    return [
      {
        path: `steps.${sours}.kind`,
        message: 'sours, but no starter goes in before it. Add the step Inoculate first',
      },
    ];
  return inoculates > sours
    ? [{ path: `steps.${inoculates}.kind`, message: 'comes after the souring step. Move it up' }]
    : [];
}
const SOURS: readonly StepKind[] = ['incubate', 'ripen', 'ripen-milk'];
const INOCULATES: readonly StepKind[] = ['inoculate'];

/** A method of one's own from another: a new identity, the first version. @param id an identity made for it */
export const duplicated = (of: Method, id: string, name: string): Method => ({
  ...of,
  id,
  version: 1,
  name,
  basedOn: { id: of.id, version: of.version },
});
