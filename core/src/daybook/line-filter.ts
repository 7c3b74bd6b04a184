import type { MakeSummary, ProductId } from '../contract/index.ts';
import { monthOf } from './months.ts';

/** What of the Daybook is looked at; `null` where it does not matter. */
export interface DaybookFilter {
  readonly words: string;
  readonly product: string | null;
  readonly animal: string | null;
  /** A culture's line. */
  readonly lineId: string | null;
  readonly pot: string | null;
  readonly cookId: string | null;
  /** "2026" */
  readonly year: string | null;
}

export const EVERYTHING: DaybookFilter = {
  words: '',
  product: null,
  animal: null,
  lineId: null,
  pot: null,
  cookId: null,
  year: null,
};

/** The year a make was begun in, by the kitchen's clock. @example yearOf(make, 'UTC') // '2026' */
export const yearOf = ({ startedAt }: Pick<MakeSummary, 'startedAt'>, zone: string): string =>
  monthOf(startedAt, zone).slice(0, 4);

/**
 * The makes that a filter lets through, in their order.
 * @param zone of the kitchen: its years begin by that
 * @example filtered(makes, { ...EVERYTHING, pot: 'the tall can' }, 'UTC')
 */
export function filtered(makes: readonly MakeSummary[], filter: DaybookFilter, zone: string): MakeSummary[] {
  const words = filter.words.trim().toLowerCase();
  const is = (wanted: string | null, has: string | null): boolean => wanted === null || wanted === has;
  return makes.filter(
    (make) =>
      is(filter.product, make.product) &&
      is(filter.animal, make.kind) &&
      is(filter.lineId, make.lineId) &&
      is(filter.pot, make.pot) &&
      is(filter.cookId, make.cookId) &&
      (filter.year === null || yearOf(make, zone) === filter.year) &&
      (words === '' ||
        `${make.name} ${make.milk} ${make.starter} ${make.note ?? ''} ${make.sourness ?? ''} ${make.reason}`
          .toLowerCase()
          .includes(words)),
  );
}

/** What there is to choose from in some makes, the most frequent first. */
export interface DaybookChoices {
  readonly products: readonly ProductId[];
  readonly animals: readonly NonNullable<MakeSummary['kind']>[];
  readonly lines: readonly string[];
  readonly pots: readonly string[];
  readonly cooks: readonly string[];
  readonly years: readonly string[];
}

function byOften<T extends string>(values: readonly (T | null)[]): T[] {
  const many = new Map<T, number>();
  for (const value of values) if (value !== null && value !== '') many.set(value, (many.get(value) ?? 0) + 1);
  return [...many].sort((a, b) => b[1] - a[1]).map(([value]) => value);
}

/** What filters are worth offering for some makes. */
export function daybookChoices(makes: readonly MakeSummary[], zone: string): DaybookChoices {
  return {
    products: byOften(makes.map(({ product }) => product)),
    animals: byOften(makes.map(({ kind }) => kind)),
    lines: byOften(makes.map(({ lineId }) => lineId)),
    pots: byOften(makes.map(({ pot }) => pot)),
    cooks: byOften(makes.map(({ cookId }) => cookId)),
    years: byOften(makes.map((make) => yearOf(make, zone))).sort((a, b) => (a < b ? 1 : -1)),
  };
}
