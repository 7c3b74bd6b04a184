import {
  PRODUCT_TAKES,
  GOOD_KINDS,
  PRODUCT_IDS,
  type GoodKeeping,
  type GoodKind,
  type LarderKind,
  type LarderPlace,
  type Lot,
  type ProductId,
  type TakenFor,
} from '../../contract/index.ts';
import type { MilkKind } from '../../science/milk/index.ts';
import { ACID_PRESERVES, PRODUCTS, type KeepsAs } from '../../products/index.ts';

/** What is known of a kind of goods, apart from where it came from. */
interface GoodFactsOf extends KeepsAs {
  readonly label: string;
  /** What a by-product is good for, what uses up the most of it first. */
  readonly uses: readonly string[];
}

/** By-products, which no product describes. */
type ByGood = Exclude<GoodKind, ProductId>;
const BY_GOOD_FACTS: Readonly<Record<ByGood, GoodFactsOf>> = {
  'skimmed-milk': {
    pours: ['milk'],
    label: 'Skimmed milk',
    cold: [2, 5],
    freezer: [60, 120],
    cellar: null,
    reason: 'sweet',
    uses: ['lean yogurt or skyr', 'acid-set cheese', 'baking; for drinking, heat raw milk first'],
  },
  'sweet-buttermilk': {
    label: 'Sweet buttermilk',
    cold: [3, 5],
    freezer: [60, 90],
    cellar: null,
    reason: 'sweet buttermilk',
    uses: ['drinking buttermilk, once soured with a culture', 'baking, pancakes', 'drinking'],
  },
  'cultured-buttermilk': {
    starts: 'cultured-buttermilk',
    label: 'Cultured buttermilk',
    cold: [10, 14],
    freezer: [60, 90],
    cellar: [3, 4],
    reason: ACID_PRESERVES,
    uses: ['starter for the next cream or buttermilk', 'soaking meat, baking', 'drinking'],
  },
  'acid-whey': {
    label: 'Acid whey',
    cold: [5, 10],
    freezer: [60, 90],
    cellar: null,
    reason: ACID_PRESERVES,
    uses: ['bread and soups, instead of water', 'animal feed, in moderation', 'soaking grain'],
  },
  'sweet-whey': {
    label: 'Sweet whey',
    cold: [2, 4],
    freezer: [60, 90],
    cellar: null,
    reason: 'sweet, with little acid',
    uses: ['whey cheese, made the same day', 'animal feed', 'bread and soups, instead of water'],
  },
  'ghee-solids': {
    label: 'Ghee solids',
    cold: [5, 10],
    freezer: [60, 90],
    cellar: null,
    reason: 'browned milk solids, fatty',
    uses: ['stirred into rice or dough', 'spread, with a little salt'],
  },
  other: {
    label: 'Something else',
    cold: [2, 4],
    freezer: [30, 60],
    cellar: null,
    reason: 'kind not known',
    uses: [],
  },
};

/** Judgements, each shown as a range with its reason; source: docs/SCIENCE.md, the larder. */
export const GOOD_FACTS: Readonly<Record<GoodKind, GoodFactsOf>> = {
  ...(Object.fromEntries(
    Object.values(PRODUCTS).map(({ id, label, keeps }) => [id, { label, uses: [], ...keeps }]),
  ) as unknown as Readonly<Record<ProductId, GoodFactsOf>>),
  ...BY_GOOD_FACTS,
};

/** What a lot of the milk room is good for, when it is what came out besides; nothing for milk and cream. */
export function usesOfLot({ role, soured }: Pick<Lot, 'role' | 'soured'>): readonly string[] {
  if (role === 'skimmed') return GOOD_FACTS['skimmed-milk'].uses;
  if (role === 'buttermilk') return GOOD_FACTS[soured ? 'cultured-buttermilk' : 'sweet-buttermilk'].uses;
  return role === 'whey' ? GOOD_FACTS[soured ? 'acid-whey' : 'sweet-whey'].uses : [];
}

/** Whose milk it is, as a label says it. */
export const MILK_ON_LABEL: Readonly<Record<MilkKind, string>> = {
  'cow-lean': 'Cow’s milk',
  'cow-rich': 'Cow’s milk',
  goat: 'Goat’s milk',
  ewe: 'Ewe’s milk',
  buffalo: 'Buffalo milk',
  zebu: 'Zebu milk',
  'shop-whole': 'Cow’s milk',
  'shop-part-skimmed': 'Cow’s milk',
  'shop-skimmed': 'Cow’s milk',
};

/** What nobody made here and nobody says what it is. */
export const UNNAMED_KIND: GoodKind = GOOD_KINDS[GOOD_KINDS.length - 1]!;

const packets: ReadonlySet<GoodKind> = new Set(PRODUCT_IDS.filter((id) => PRODUCT_TAKES[id] === 'packet'));
/** What may be put up: everything but a culture that was woken, which is no food. */
export const PUT_UP_KINDS: readonly GoodKind[] = GOOD_KINDS.filter((kind) => !packets.has(kind));

export const PLACE_WORD: Readonly<Record<LarderPlace, string>> = {
  cold: 'in the fridge',
  freezer: 'in the freezer',
  cellar: 'in the cellar',
  stall: 'on the stall',
};

/** What an entry about goods is called. */
export const LARDER_WORD: Readonly<Record<LarderKind, string>> = {
  'put-up': 'Added to larder',
  carry: 'Moved',
  'thaw-for': 'Thaw planned',
  take: 'Taken out',
  recount: 'Recounted',
};

export const TAKEN_WORD: Readonly<Record<TakenFor, string>> = {
  eaten: 'eaten',
  sold: 'sold',
  given: 'given away',
  fed: 'fed to animals',
  'made-into': 'used to make something',
  spoiled: 'thrown away',
};

/** On the stall, iced and opened again and again, goods live so much faster than in the cold [judgement]. */
const STALL_FASTER = 3;

/**
 * How long goods keep at each place, when nothing more is known of them.
 * @example usualKeeping('yogurt')[0].days // [14, 21] in the cold
 */
export function usualKeeping(what: GoodKind): GoodKeeping[] {
  const { cold, freezer, cellar, reason } = GOOD_FACTS[what];
  return [
    { place: 'cold', days: [...cold], reason },
    ...(freezer
      ? [{ place: 'freezer' as const, days: [...freezer] as [number, number], reason: 'frozen' }]
      : []),
    ...(cellar
      ? [
          {
            place: 'cellar' as const,
            days: [...cellar] as [number, number],
            reason: `${reason}, in a cool cellar`,
          },
        ]
      : []),
    {
      place: 'stall',
      days: [cold[0] / STALL_FASTER, cold[1] / STALL_FASTER],
      reason: `${reason}, on ice and often opened`,
    },
  ];
}
