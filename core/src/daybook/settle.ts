import type { MakeSummary, ProductId, Way } from '../contract/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { createRandom, hashSeed, weightedQuantiles } from '../science/numerics/index.ts';
import { middle } from './trend.ts';
import { WAY_WORDS } from './way-words.ts';

/** What two ways of going about it are held against each other by. */
export type SettledBy = 'hours' | 'texture' | 'lost' | 'yield';
/** What the two ways differ in. */
export type Differs = 'method' | 'feed' | 'generation' | 'way';

/** Where makers differ, and what this kitchen's own batches show of it. */
export interface Argument {
  readonly differs: Differs;
  readonly product: ProductId;
  /** What each way is called: a method's name, a feed, young or old. */
  readonly sides: readonly [string, string];
  /** The methods to make the next pair by; `null` where the pair does not differ in its method. */
  readonly methodIds: readonly [string, string] | null;
  readonly by: SettledBy;
  /** Middle of each side. */
  readonly middles: readonly [number, number];
  readonly batches: readonly [number, number];
  /** Second minus first, of the middles: 5 %, 95 %. */
  readonly between: readonly [number, number];
  readonly verdict: 'first-more' | 'second-more' | 'no-difference' | 'too-few';
  /** So many more of each would tell; 0 where enough were made. */
  readonly moreOfEach: number;
}

/** A difference smaller than this is no matter: hours, classes of texture, shares. */
const MATTERS: Readonly<Record<SettledBy, number>> = { hours: 0.5, texture: 0.7, lost: 0.02, yield: 0.03 };
/** With fewer on either side nothing is said. */
const FEWEST = 3;
/** More batches than this nobody makes to settle an argument. */
const MOST_MORE = 12;
/** Resamples of the batches, and the share of them on either side of the interval. */
const RESAMPLED = 400;
const TAIL = 0.05;
/** One-sided 95 %, σ; and σ of normal values by the middle of their distances from the middle. */
const Z95 = 1.645;
const MIDDLE_TO_SIGMA = 1.4826;
/** A culture handed on so often at most is young, and from so often on old. */
const YOUNG_TO = 3;
const OLD_FROM = 6;

const TEXTURES = ['thin', 'pourable', 'spoonable', 'firm'];

/** What is compared, where a line tells it. */
const VALUE: Readonly<Record<SettledBy, (make: MakeSummary) => number | null>> = {
  hours: ({ seenSetH }) => seenSetH,
  texture: ({ texture }) => {
    const rank = TEXTURES.indexOf(texture ?? '');
    return rank < 0 ? null : rank;
  },
  lost: ({ churned }) => churned?.lostFraction ?? null,
  yield: ({ yieldKg, intoKg }) => (yieldKg === null || intoKg <= 0 ? null : yieldKg / intoKg),
};

const quantile = (values: readonly number[], share: number): number =>
  weightedQuantiles(values, null, [share])[0]!;

/** Differences of the middles of both sides, each resampled with replacement; the same batches give the same ones. */
function resampled(first: readonly number[], second: readonly number[], seed: number): number[] {
  const random = createRandom(seed);
  const drawn = (of: readonly number[]): number =>
    middle(Array.from(of, () => of[Math.floor(random.uniform() * of.length)]!))!;
  return Array.from({ length: RESAMPLED }, () => drawn(second) - drawn(first));
}

/**
 * Two sides held against each other.
 * @param matters a difference smaller than this is no matter @param seed the same batches give the same interval
 * @example compared([4.1, 4.3, 4.2], [5.0, 5.2, 5.1], 0.5, 1).verdict // 'second-more'
 */
export function compared(
  first: readonly number[],
  second: readonly number[],
  matters: number,
  seed: number,
): Pick<Argument, 'middles' | 'between' | 'verdict' | 'moreOfEach'> {
  const fewest = Math.min(first.length, second.length);
  const middles = [middle(first) ?? Number.NaN, middle(second) ?? Number.NaN] as const;
  if (fewest < FEWEST)
    return { middles, between: [Number.NaN, Number.NaN], verdict: 'too-few', moreOfEach: FEWEST - fewest };
  const differences = resampled(first, second, seed);
  const between = [quantile(differences, TAIL), quantile(differences, 1 - TAIL)] as const;
  if (between[0] > 0 || between[1] < 0)
    return { middles, between, verdict: between[0] > 0 ? 'second-more' : 'first-more', moreOfEach: 0 };
  const away = [
    ...first.map((value) => Math.abs(value - middles[0])),
    ...second.map((value) => Math.abs(value - middles[1])),
  ];
  const sigma = MIDDLE_TO_SIGMA * middle(away)!;
  const needed = Math.ceil(2 * ((Z95 * sigma) / matters) ** 2);
  const moreOfEach = Math.max(0, needed - fewest);
  return {
    middles,
    between,
    verdict: moreOfEach === 0 ? 'no-difference' : 'too-few',
    moreOfEach: Math.min(MOST_MORE, moreOfEach),
  };
}

interface Pair {
  readonly differs: Differs;
  readonly sides: readonly [string, string];
  readonly methodIds: readonly [string, string] | null;
  readonly of: (make: MakeSummary) => 0 | 1 | null;
  readonly by: readonly SettledBy[];
}

/** Ways that stand against each other, each called as makers call it; `null`, not gone that way. */
const WAYS_APART: readonly {
  readonly first: Way;
  readonly second: Way | null;
  readonly sides: readonly [string, string];
  readonly by: readonly SettledBy[];
}[] = [
  {
    first: 'touched',
    second: 'held-hot',
    sides: [WAY_WORDS.touched, WAY_WORDS['held-hot']],
    by: ['texture', 'hours', 'yield'],
  },
  {
    first: 'scalded',
    second: null,
    sides: [WAY_WORDS.scalded, `not ${WAY_WORDS.scalded}`],
    by: ['texture', 'hours', 'lost'],
  },
  { first: 'towels', second: 'oven', sides: [WAY_WORDS.towels, WAY_WORDS.oven], by: ['hours', 'texture'] },
  {
    first: 'washed-little',
    second: 'washed-much',
    sides: [WAY_WORDS['washed-little'], WAY_WORDS['washed-much']],
    by: ['yield'],
  },
];

/** The ways of one product that stand against each other here. */
function pairsOf(makes: readonly MakeSummary[]): Pair[] {
  const methods = new Map<string, { name: string; count: number }>();
  for (const { methodId, method } of makes) {
    if (methodId === null) continue;
    const known = methods.get(methodId);
    const shipped = SHIPPED_METHODS.find(({ id }) => id === methodId)?.name;
    methods.set(methodId, { name: method || (shipped ?? methodId), count: (known?.count ?? 0) + 1 });
  }
  const [most, next] = [...methods].sort(([, a], [, b]) => b.count - a.count);
  return [
    ...(most && next
      ? [
          {
            differs: 'method',
            sides: [most[1].name, next[1].name],
            methodIds: [most[0], next[0]],
            of: ({ methodId }) => (methodId === most[0] ? 0 : methodId === next[0] ? 1 : null),
            by: ['texture', 'hours', 'yield', 'lost'],
          } as const satisfies Pair,
        ]
      : []),
    ...WAYS_APART.map(({ first, second, sides, by }): Pair => ({
      differs: 'way',
      sides,
      methodIds: null,
      of: ({ ways = [] }) => {
        if (ways.includes(first)) return 0;
        return second === null || ways.includes(second) ? 1 : null;
      },
      by,
    })),
    {
      differs: 'feed',
      sides: ['grass', 'hay'],
      methodIds: null,
      of: ({ feed }) => (feed === 'grass' ? 0 : feed === 'hay' ? 1 : null),
      by: ['lost', 'yield'],
    },
    {
      differs: 'generation',
      sides: [`up to ${YOUNG_TO} generations`, `${OLD_FROM} or more`],
      methodIds: null,
      of: ({ turn }) => (turn === null ? null : turn <= YOUNG_TO ? 0 : turn >= OLD_FROM ? 1 : null),
      by: ['hours', 'texture'],
    },
  ];
}

/**
 * Where makers differ, what this kitchen's batches show: two ways of each product held against each other by what was seen of them.
 * Batches that were thrown away say nothing of how it comes out. Only pairs of which both sides were made.
 * @param makes lines that are over
 */
export function argumentsOf(makes: readonly MakeSummary[]): Argument[] {
  const kept = makes.filter(({ status, product }) => status === 'kept' && product !== null);
  const products = [...new Set(kept.map(({ product }) => product!))];
  return products.flatMap((product) => {
    const own = kept.filter((make) => make.product === product);
    return pairsOf(own).flatMap(({ differs, sides, methodIds, of, by }) =>
      by.flatMap((what): Argument[] => {
        const side = (n: 0 | 1): number[] =>
          own.flatMap((make) => {
            const value = VALUE[what](make);
            return of(make) === n && value !== null ? [value] : [];
          });
        const [first, second] = [side(0), side(1)];
        if (first.length === 0 || second.length === 0) return [];
        return [
          {
            differs,
            product,
            sides,
            methodIds,
            by: what,
            batches: [first.length, second.length],
            ...compared(
              first,
              second,
              MATTERS[what],
              hashSeed(`${product} ${differs} ${differs === 'way' ? `${sides[0]} ` : ''}${what}`),
            ),
          },
        ];
      }),
    );
  });
}
