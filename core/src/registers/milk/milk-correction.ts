import type { MilkMovement, TypedQuantity } from '../../contract/index.ts';
import { litresOfMass, massOfLitresKg } from '../../science/milk/index.ts';
import { compositionOfFacts } from './lot.ts';

/** The amount an entry of the ledger is about, kg; `null` when it is about none. */
export function weightOf(data: MilkMovement): number | null {
  switch (data.kind) {
    case 'intake':
      return massOfLitresKg(data.litres, compositionOfFacts(data.lot));
    case 'skim':
      return data.creamKg;
    case 'pool':
    case 'thaw':
    case 'give':
    case 'recount':
    case 'churn':
      return data.massKg;
    default:
      return null;
  }
}

/** That amount as it was typed; `null` when it was computed, or nobody kept it. */
export function typedOf(data: MilkMovement): TypedQuantity | null {
  if (data.kind === 'churn') return data.typedCream ?? null;
  return 'typed' in data && weightOf(data) !== null ? data.typed : null;
}

/** The same entry about another amount, as somebody now says it; an entry about none is unchanged. */
export function withWeight(data: MilkMovement, massKg: number, typed: TypedQuantity): MilkMovement {
  switch (data.kind) {
    case 'intake':
      return { ...data, litres: litresOfMass(massKg, compositionOfFacts(data.lot)), typed };
    case 'skim':
      return { ...data, creamKg: massKg, weighed: true, typed };
    case 'pool':
    case 'thaw':
    case 'give':
    case 'recount':
      return { ...data, massKg, typed };
    case 'churn':
      return { ...data, massKg, typedCream: typed };
    default:
      return data;
  }
}
