import * as z from 'zod';
import { stepInstance, type StepInstance, type StepKind } from '../contract/index.ts';

/** One thing that is decided for a step, as a form shows it. */
export interface StepField {
  readonly key: string;
  readonly label: string;
  readonly type: 'number' | 'choice' | 'text' | 'flag';
  readonly unit: 'celsius' | 'kg' | 'cm' | 'percent' | 'min' | 'h' | 'd' | 'L' | 'none';
  readonly options: readonly { readonly value: string; readonly label: string }[];
  /** May be left empty: then the program decides, or nobody knows. */
  readonly nullable: boolean;
}

/** How a field is called where its name does not say it well. */
const LABELS: Readonly<Record<string, string>> = {
  toC: 'To',
  imcuPerLitre: 'IMCU per litre of milk',
  unit: 'Unit',
  perLitre: 'Per litre of milk, by its label',
  strengthImcu: 'Strength on the label (IMCU)',
  sizeCm: 'Piece size',
  drawFraction: 'Whey drawn off',
  of: 'Thickness measured by',
  fraction: 'Until, or of the whole',
  way: 'How',
  stands: 'Place',
  weightKg: 'Weight',
  diameterCm: 'Mould diameter',
  moistureFraction: 'Water in the cheese',
  turns: 'Number of turns',
  saltFraction: 'Salt',
  brineFraction: 'Brine',
  turnEveryH: 'Turn every',
  mlPerLitre: 'mL per litre of milk',
  stirEveryMin: 'Stir every',
  keepsD: 'Keeps for',
  handsMin: 'Hands-on',
  waitMin: 'Waiting time',
  doing: 'What to do',
  what: 'Ingredient',
  with: 'Acid',
  how: 'How',
};
const VALUE_LABELS: Readonly<Record<string, string>> = {
  'as-it-is': 'where it is now',
  cloth: 'in a cloth',
  hung: 'hung up',
  renneted: 'renneted curd',
  pressed: 'under a weight',
  'calcium-chloride': 'calcium chloride',
};
const UNIT_BY_ENDING: readonly (readonly [RegExp, StepField['unit']])[] = [
  [/(?:^|[a-z])C$/, 'celsius'],
  [/Kg$/, 'kg'],
  [/Cm$/, 'cm'],
  [/(?:F|f)raction$/, 'percent'],
  [/(?:Min|minutes)$/, 'min'],
  [/(?:H|hours)$/, 'h'],
  [/(?:D|days)$/, 'd'],
  [/litres$/i, 'L'],
];

const labelOf = (key: string): string =>
  LABELS[key] ??
  key
    .replace(/(?:C|Kg|Cm|Min|H|D|Fraction)$/, '')
    .replace(/([A-Z])/g, ' $1')
    .replace(/^./, (c) => c.toUpperCase());

const shapes = new Map(
  stepInstance.options.flatMap(({ shape }) =>
    (shape.kind instanceof z.ZodEnum ? shape.kind.options : [shape.kind.value]).map(
      (kind) => [kind, shape as unknown as Readonly<Record<string, z.ZodType>>] as const,
    ),
  ),
);

/** What lies under an optional or nullable schema. */
function bare(schema: z.ZodType): { readonly schema: z.ZodType; readonly nullable: boolean } {
  if (schema instanceof z.ZodNullable || schema instanceof z.ZodOptional)
    return { schema: bare(schema.unwrap() as z.ZodType).schema, nullable: true };
  return { schema, nullable: false };
}

/** What is decided for a kind of step, read off its schema. @example fieldsOfStep('cut') // [{ key: 'sizeCm', unit: 'cm', … }] */
export function fieldsOfStep(kind: StepKind): StepField[] {
  const shape = shapes.get(kind) ?? {};
  return Object.entries(shape).flatMap(([key, raw]): StepField[] => {
    if (key === 'id' || key === 'kind' || key === 'note') return [];
    const { schema, nullable } = bare(raw);
    const own = { key, label: labelOf(key), nullable, options: [] };
    if (schema instanceof z.ZodNumber)
      return [
        { ...own, type: 'number', unit: UNIT_BY_ENDING.find(([ends]) => ends.test(key))?.[1] ?? 'none' },
      ];
    if (schema instanceof z.ZodEnum)
      return [
        {
          ...own,
          type: 'choice',
          unit: 'none',
          options: (schema.options as string[]).map((value) => ({
            value,
            label: VALUE_LABELS[value] ?? value,
          })),
        },
      ];
    if (schema instanceof z.ZodBoolean) return [{ ...own, type: 'flag', unit: 'none' }];
    return schema instanceof z.ZodString ? [{ ...own, type: 'text', unit: 'none' }] : [];
  });
}

/** A step with one of its fields changed; what does not fit is found out by its method's faults. */
export const withField = (step: StepInstance, key: string, value: unknown): StepInstance => ({
  ...step,
  [key]: value,
});
