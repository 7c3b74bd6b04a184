import type { MakePlan } from '@morning-crock/core/contract';

/**
 * Whether a section would look the same: of its plan only the parts it is about count, so that turning one control redraws one
 * section.
 * @example memo(CreamSection, sameParts('product', 'milk'))
 */
export const sameParts =
  (...parts: readonly (keyof MakePlan)[]) =>
  <P extends { readonly plan: MakePlan }>(before: P, after: P): boolean =>
    (Object.keys({ ...before, ...after }) as (keyof P)[]).every((key) =>
      key === 'plan'
        ? parts.every((part) => before.plan[part] === after.plan[part])
        : before[key] === after[key],
    );
