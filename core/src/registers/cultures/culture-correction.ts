import type { CultureChange, TypedQuantity } from '../../contract/index.ts';

/** The amount an entry about a culture was typed with; `null` when it has none. */
export function weightOfChange(data: CultureChange): number | null {
  switch (data.kind) {
    case 'taken-in':
      return data.culture.massKg;
    case 'split':
    case 'weigh':
      return data.massKg;
    case 'feed':
      return data.milkKg;
    default:
      return null;
  }
}

/** That amount as it was typed; `null` when it was computed, or nobody kept it. */
export function typedOfChange(data: CultureChange): TypedQuantity | null {
  return 'typed' in data && weightOfChange(data) !== null ? (data.typed ?? null) : null;
}

/** The same entry about another amount. */
export function withWeightOfChange(data: CultureChange, massKg: number, typed: TypedQuantity): CultureChange {
  switch (data.kind) {
    case 'taken-in':
      return { ...data, culture: { ...data.culture, massKg }, typed };
    case 'split':
    case 'weigh':
      return { ...data, massKg, typed };
    case 'feed':
      return { ...data, milkKg: massKg, typed };
    default:
      return data;
  }
}
