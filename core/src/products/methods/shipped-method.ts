import type { Method, StepInstance, StepKind } from '../../contract/index.ts';

/** Kinds of steps that need nothing decided. */
type Plain =
  Extract<StepInstance, { readonly id: string }> extends infer S
    ? S extends { readonly kind: infer K }
      ? Exclude<keyof S, 'id' | 'kind' | 'note'> extends never
        ? K
        : never
      : never
    : never;
/** A step without its name: a kind that needs nothing, or all that is decided for it. */
type Part =
  (Plain & StepKind) | (StepInstance extends infer S ? (S extends unknown ? Omit<S, 'id'> : never) : never);

/** Steps with names of their own: "rest", "rest-2". */
function named(parts: readonly Part[]): StepInstance[] {
  const counts = new Map<string, number>();
  return parts.map((part) => {
    const step = typeof part === 'string' ? { kind: part } : part;
    const n = (counts.get(step.kind) ?? 0) + 1;
    counts.set(step.kind, n);
    return { ...step, id: n === 1 ? step.kind : `${step.kind}-${n}` };
  });
}

/** A method that comes with the product. */
export const shipped = (
  product: Method['product'],
  id: string,
  name: string,
  goodFor: string,
  aims: Method['aims'],
  parts: readonly Part[],
  notes = '',
): Method => ({ id, version: 1, name, product, basedOn: null, goodFor, notes, aims, steps: named(parts) });
