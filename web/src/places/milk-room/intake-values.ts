import { toLitres, type MilkKind, type VolumeUnit } from '@morning-crock/core';
import { lotFacts, type LotFacts } from '@morning-crock/core/contract';
import type { TypedAmount } from '../../parts/fields/AmountField.tsx';
import type { Sour } from '../../parts/words/sour-words.ts';
import type { Fat } from './FatField.tsx';

/** What the fields of an intake hold, as they are typed and chosen. */
export interface IntakeValues {
  readonly source: string;
  readonly kind: MilkKind;
  readonly what: LotFacts['what'];
  readonly treatment: LotFacts['treatment'];
  readonly homogenised: boolean;
  readonly fat: Fat;
  readonly sour: Sour;
  readonly feed: LotFacts['feed'];
  readonly place: LotFacts['place'];
  readonly container: string;
  readonly warm: boolean;
  readonly cameInC: number;
  readonly cost: { readonly value: number; readonly per: VolumeUnit } | null;
  readonly amount: TypedAmount | null;
  readonly name: string;
}

export const isBought = (kind: MilkKind): boolean => kind.startsWith('shop');

/** What an entry says of a lot. */
export function factsOf(values: IntakeValues, usualName: string, roomC: number): LotFacts {
  const { what, kind, treatment, fat, feed, place, cost } = values;
  return {
    name: values.name.trim() || usualName,
    source: values.source.trim(),
    what,
    kind,
    treatment,
    homogenised: values.homogenised || treatment === 'ultra-heated',
    fatFraction: fat.known ? fat.fraction : null,
    feed: isBought(kind) ? null : feed,
    costPerLitre: cost && cost.value / toLitres(1, cost.per),
    ...(what === 'cream' && values.sour.soured ? { soured: true } : {}),
    ...(what === 'cream' && values.sour.ph !== undefined ? { ph: values.sour.ph } : {}),
    ...(values.warm && place === 'cold' ? { cameInC: values.cameInC } : {}),
    place,
    placeC: place === 'counter' ? roomC : null,
    container: values.container.trim() || null,
  };
}

/** The faults of a lot's facts, each beside the field it is about. */
export const faultsOf = (facts: LotFacts): Record<string, string> =>
  Object.fromEntries(
    lotFacts.safeParse(facts).error?.issues.map((i) => [String(i.path[0] ?? 'name'), i.message]) ?? [],
  );
