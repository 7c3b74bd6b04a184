import type {
  Good,
  GoodStock,
  LarderLine,
  LarderMovement,
  LarderPlace,
  MakePlan,
} from '../../contract/index.ts';
import { effectiveEvents, feeding, instantOf, type LoggedEvent } from '../../log/index.ts';
import { usedUp } from './keep.ts';

/** The events the larder is folded from; those of makes tell what was weighed. */
export const LARDER_EVENTS = feeding('larder');

/** Less than this is an empty jar, kg. */
export const EMPTY_GOOD_KG = 0.002;

/** What a make gave, as far as its goods need it. */
export interface MadeOf {
  readonly weighedKg: number | null;
  readonly byProductsKg: Readonly<Record<string, number>>;
  /** How it was planned; `null` for what was stored before its beginning was known here. */
  readonly plan: MakePlan | null;
  readonly skipped: ReadonlySet<string>;
}
const NOTHING_KNOWN: MadeOf = { weighedKg: null, byProductsKg: {}, plan: null, skipped: new Set() };

/** What a fold of the larder works on; grows from movement to movement. */
export interface LarderDraft {
  readonly goods: Map<string, Good>;
  readonly lines: LarderLine[];
  readonly makes: Map<string, MadeOf>;
}
export interface Larder {
  readonly goods: ReadonlyMap<string, Good>;
  readonly lines: readonly LarderLine[];
  readonly makes: ReadonlyMap<string, MadeOf>;
}

export function openLarder(goods: readonly Good[] = []): LarderDraft {
  return { goods: new Map(goods.map((g) => [g.id, g])), lines: [], makes: new Map() };
}

export function copyLarder(draft: LarderDraft): LarderDraft {
  return { goods: new Map(draft.goods), lines: [...draft.lines], makes: new Map(draft.makes) };
}

const isAt = (stock: GoodStock, place: LarderPlace, size: number): boolean =>
  stock.place === place && stock.size === size;

/** The pieces of a size that stand at a place. */
export const stockAt = (good: Good, place: LarderPlace, size: number): GoodStock | undefined =>
  good.stocks.find((stock) => isAt(stock, place, size));

const without = (good: Good, place: LarderPlace, size: number, massKg: number): Good => ({
  ...good,
  stocks: good.stocks
    .map((stock) => (isAt(stock, place, size) ? { ...stock, massKg: stock.massKg - massKg } : stock))
    // What is empty is no stock any more; what was overdrawn stays and asks for a recount.
    .filter(({ massKg: left }) => Math.abs(left) >= EMPTY_GOOD_KG),
});

/** Puts pieces down at a place; of what is there already and what comes the older governs. */
function putDown(good: Good, incoming: GoodStock): Good {
  const there = stockAt(good, incoming.place, incoming.size);
  if (!there) return { ...good, stocks: [...good.stocks, incoming] };
  const [a, b] = usedUp(good, there, incoming.sinceMs);
  return {
    ...good,
    stocks: good.stocks.map((stock) =>
      stock === there
        ? {
            ...incoming,
            massKg: there.massKg + incoming.massKg,
            used: [Math.max(a, incoming.used[0]), Math.max(b, incoming.used[1])],
            thawed: there.thawed || incoming.thawed,
            thawFor: there.thawFor,
          }
        : stock,
    ),
  };
}

const withStock = (
  good: Good,
  { place, size }: Pick<GoodStock, 'place' | 'size'>,
  change: (stock: GoodStock) => GoodStock,
): Good => ({
  ...good,
  stocks: good.stocks.map((stock) => (isAt(stock, place, size) ? change(stock) : stock)),
});

/** A stock of which some was taken out to thaw: so much less is still to be. */
function thawedLess(stock: GoodStock, massKg: number): GoodStock {
  const { thawFor } = stock;
  const leftKg = (thawFor?.massKg ?? 0) - massKg;
  return {
    ...stock,
    thawFor: !thawFor || leftKg < EMPTY_GOOD_KG ? null : { ...thawFor, massKg: leftKg, count: null },
  };
}

function carriedOut(good: Good, data: LarderMovement, atMs: number): Good {
  switch (data.kind) {
    case 'put-up':
      return good;
    case 'take':
      return without(good, data.from.place, data.from.size, data.massKg);
    case 'recount': {
      const there = stockAt(good, data.at.place, data.at.size);
      const less = (there?.massKg ?? 0) - data.massKg;
      return there
        ? without(good, data.at.place, data.at.size, less)
        : putDown(good, {
            ...data.at,
            massKg: data.massKg,
            sinceMs: good.madeMs,
            used: [0, 0],
            thawed: false,
            thawFor: null,
          });
    }
    case 'thaw-for':
      return withStock(good, data.from, (stock) => ({
        ...stock,
        thawFor:
          data.readyAt === null
            ? null
            : { massKg: data.massKg, count: data.count, readyMs: Date.parse(data.readyAt) },
      }));
    case 'carry': {
      const there = stockAt(good, data.from.place, data.from.size);
      const thaws = data.from.place === 'freezer' && data.to !== 'freezer';
      const used = there ? usedUp(good, there, atMs) : ([0, 0] as [number, number]);
      // What comes out of the freezer is what was to be thawed.
      const out = thaws ? withStock(good, data.from, (stock) => thawedLess(stock, data.massKg)) : good;
      return putDown(without(out, data.from.place, data.from.size, data.massKg), {
        place: data.to,
        size: data.from.size,
        massKg: data.massKg,
        sinceMs: atMs,
        thawFor: null,
        // Frost stops the clock that warmth runs on: thawed, what the thawed keep is left.
        used: thaws ? [0, 0] : used,
        thawed: (there?.thawed ?? false) || thaws,
      });
    }
  }
}

function linesOf(goodId: string, eventId: string, data: LarderMovement, atMs: number): LarderLine[] {
  const common = { eventId, goodId, atMs, to: null, price: null, into: null, note: '', count: null };
  switch (data.kind) {
    case 'put-up':
      return data.pieces.map(({ count, eachKg }, size) => ({
        ...common,
        kind: 'put-up' as const,
        place: data.place,
        size,
        massKg: count * eachKg,
        count,
      }));
    case 'carry':
      return [
        {
          ...common,
          kind: 'carry',
          ...data.from,
          to: data.to,
          massKg: data.massKg,
          count: data.count,
        },
      ];
    case 'take':
      return [
        {
          ...common,
          kind: data.for,
          ...data.from,
          massKg: data.massKg,
          count: data.count,
          price: data.price,
          into: data.into,
          note: data.note,
        },
      ];
    case 'thaw-for':
      return [{ ...common, kind: 'thaw-for', ...data.from, massKg: data.massKg, count: data.count }];
    case 'recount':
      return [{ ...common, kind: 'recount', ...data.at, massKg: data.massKg, count: data.count }];
  }
}

/** Carries one event out, in place. */
export function applyToLarder(draft: LarderDraft, event: LoggedEvent): void {
  const atMs = instantOf(event);
  const made = draft.makes.get(event.streamId) ?? NOTHING_KNOWN;
  if (event.type === 'make-started') {
    draft.makes.set(event.streamId, { ...made, plan: event.data.plan });
    return;
  }
  if (event.type === 'step-skipped') {
    draft.makes.set(event.streamId, { ...made, skipped: new Set([...made.skipped, event.data.step]) });
    return;
  }
  if (event.type === 'weighed') {
    const { of, massKg } = event.data;
    draft.makes.set(
      event.streamId,
      of ? { ...made, byProductsKg: { ...made.byProductsKg, [of]: massKg } } : { ...made, weighedKg: massKg },
    );
    return;
  }
  if (event.type !== 'larder-moved') return;
  const { data } = event;
  if (data.kind === 'put-up') {
    if (draft.goods.has(event.streamId)) return;
    draft.goods.set(event.streamId, {
      id: event.streamId,
      ...data.good,
      madeMs: Date.parse(data.good.madeAt),
      putUpMs: atMs,
      sizesKg: data.pieces.map(({ eachKg }) => eachKg),
      putUpKg: data.pieces.reduce((sum, { count, eachKg }) => sum + count * eachKg, 0),
      stocks: data.pieces.map(({ count, eachKg }, size): GoodStock => ({
        place: data.place,
        size,
        massKg: count * eachKg,
        // It has kept since it was made, wherever that was.
        sinceMs: Date.parse(data.good.madeAt),
        used: [0, 0],
        thawed: false,
        thawFor: null,
      })),
    });
  } else {
    const good = draft.goods.get(event.streamId);
    if (!good) return;
    draft.goods.set(event.streamId, carriedOut(good, data, atMs));
  }
  draft.lines.push(...linesOf(event.streamId, event.id, data, atMs));
}

/** The larder of a log. @param events of any streams, in any order; undone ones do not count */
export function foldLarder(events: readonly LoggedEvent[]): Larder {
  const draft = openLarder();
  for (const event of effectiveEvents(events)) applyToLarder(draft, event);
  return draft;
}
