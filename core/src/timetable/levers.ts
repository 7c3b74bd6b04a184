import { KEEPS_WARM, type KitchenSettings, type Method } from '../contract/index.ts';
import { pointForecast, stateOfPlan } from '../make/index.ts';
import { planOfMethod } from '../products/index.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import { STARTER_FACTS } from '../science/souring/index.ts';
import { batchOf } from '../setup/index.ts';
import { stepFacts } from '../steps/index.ts';
import { askedDay, type DayWish, type WishedMake } from './asked-day.ts';
import { unchained } from './chain.ts';
import { begunEarly, mayBeginEarly } from './eve.ts';
import { withoutKept } from './kept-free.ts';
import { sortOf } from './pours.ts';
import { scaled } from './scaled.ts';
import { layingRoughly, type RoughDay } from './rough-day.ts';
import { solvingDay, triesFor } from './solve.ts';
import { steadier } from './steadier.ts';

/** What would make a day better: something of one batch that is done otherwise, or something more in the kitchen. */
export type LeverKind = 'iced-bath' | 'place' | 'starter' | 'less' | 'early' | 'pot' | 'burner' | 'helper';

/** What would help, and by how much: laid out, not guessed. */
export interface Lever {
  readonly kind: LeverKind;
  /** The batch that is done otherwise; `null` for what the kitchen would need. */
  readonly make: string | null;
  /** How its method aims then; `null` where nothing of it changes. */
  readonly aims: Pick<Method['aims'], 'cooling' | 'place' | 'starter'> | null;
  /** Ice it takes, kg; so many litres of the batch, or of the pot. */
  readonly iceKg: number | null;
  readonly litres: number | null;
  /** When the batch is begun then, ms since 1970; `null` where that does not matter. */
  readonly beginsMs: number | null;
  /** How much sooner a batch is done on average, how much less late all of them, and how much less is outside the session, min. */
  readonly soonerMin: number;
  readonly lessLateMin: number;
  readonly lessOutsideMin: number;
  /** Without it nothing fits. */
  readonly makesItFit: boolean;
}

/** Less is not worth telling: a batch done so much sooner on average, or so much less late or outside, min. */
const WORTH_SOONER_MIN = 10;
const WORTH_LATE_MIN = 5;
/** Making less costs what is not made: it is told only where it brings more, min. */
const WORTH_LESS_MIN = 30;
/** A batch may be made so much smaller, of the largest so many, L. */
const LESS = 0.75;
const LEAST_LITRES = 1.5;
const MOST_LESS = 2;
/** So many are told. */
const MOST_TOLD = 4;
/** So many are laid out closely. */
const MOST_LOOKED_AT = 6;

interface Idea extends Pick<Lever, 'kind' | 'make' | 'aims' | 'iceKg' | 'litres'> {
  readonly wish: DayWish;
}

/** Of the batches that take longest, so many. */
const MOST_EARLY = 3;
/** A little before the day is no evening before: whoever wants that begins the day sooner, min [judgement]. */
const EARLY_BY_MIN = 4 * 60;

/** What takes longest, begun before the day itself. */
function earlyOf(wish: DayWish): Idea[] {
  const { kitchen, zeroMs } = wish;
  const startAt = new Date(zeroMs).toISOString();
  return mayBeginEarly(wish)
    .map(({ id, method, litres }) => {
      const state = stateOfPlan(planOfMethod(method, kitchen, startAt, litres));
      return { id, endMs: pointForecast(state, zeroMs).steps.at(-1)?.endMs ?? zeroMs };
    })
    .sort((a, b) => b.endMs - a.endMs)
    .slice(0, MOST_EARLY)
    .map(({ id }) => ({
      kind: 'early',
      make: id,
      aims: null,
      iceKg: null,
      litres: null,
      wish: begunEarly(wish, id),
    }));
}

const withAims = (wish: DayWish, id: string, aims: Lever['aims']): DayWish => ({
  ...wish,
  makes: wish.makes.map((make) =>
    make.id === id ? { ...make, method: { ...make.method, aims: { ...make.method.aims, ...aims } } } : make,
  ),
});

/** A thermos is no larger, L [judgement]. */
const THERMOS_LITRES = 1.5;

/** What may be done otherwise with one batch: cooled in ice where it cools in the air, kept warm otherwise where it wants a place of which there is one. */
function ideasOf(wish: DayWish, { id, method, litres }: WishedMake): Idea[] {
  const { kitchen, zeroMs } = wish;
  const planned = (aims: Lever['aims']) =>
    planOfMethod(
      { ...method, aims: { ...method.aims, ...aims } },
      kitchen,
      new Date(zeroMs).toISOString(),
      litres,
    );
  const plan = planned(null);
  const iced = { cooling: 'iced-bath' } as const;
  const cools = method.steps.some(({ kind }) => stepFacts(kind).moves === 'down');
  const isInAir = plan.cooling === undefined || plan.cooling.kind === 'counter';
  return [
    ...(cools && isInAir
      ? [
          {
            kind: 'iced-bath',
            make: id,
            aims: iced,
            iceKg: planned(iced).cooling?.iceKg ?? null,
            litres: null,
            wish: withAims(wish, id, iced),
          } as const,
        ]
      : []),
    ...(plan.place.kind === 'appliance'
      ? KEEPS_WARM.filter(
          (kind) =>
            kitchen.places.some((place) => place.kind === kind) &&
            (kind !== 'thermos' || batchOf(plan).litres <= THERMOS_LITRES),
        ).map((kind): Idea => {
          const kept = { place: { kind } };
          return {
            kind: 'place',
            make: id,
            aims: kept,
            iceKg: null,
            litres: null,
            wish: withAims(wish, id, kept),
          };
        })
      : []),
  ];
}

/** A starter of so many times the share; more than the most brings its own taste along, less than the least does not take [judgement]. */
const SHARES = { times: [2, 0.5], most: 0.1, least: 0.005 } as const;
/** Of the largest batches, so many. */
const MOST_STARTERS = 4;

/** More starter sours sooner; less of it sours through the night. */
const starterOf = (wish: DayWish): Idea[] =>
  [...wish.makes]
    .sort((a, b) => (b.litres ?? 0) - (a.litres ?? 0))
    .flatMap(({ id, method: { aims } }) => {
      const { starter } = aims;
      const facts = starter && STARTER_FACTS[starter.kind];
      return starter?.share && facts?.dosing === 'mass' ? [{ id, starter }] : [];
    })
    .slice(0, MOST_STARTERS)
    .flatMap(({ id, starter }) =>
      SHARES.times
        .map((times) => starter.share! * times)
        .filter((share) => share <= SHARES.most && share >= SHARES.least)
        .map((share): Idea => {
          const other = { starter: { ...starter, share } };
          return {
            kind: 'starter',
            make: id,
            aims: other,
            iceKg: null,
            litres: null,
            wish: withAims(wish, id, other),
          };
        }),
    );

/** The largest batches made smaller: they heat and cool sooner, and may do with a smaller pot. */
const lessOf = (wish: DayWish): Idea[] => {
  // Of what goes on into another batch less would be less of that, too.
  const feeding = new Set(wish.makes.flatMap(({ id, fedBy }) => (fedBy === undefined ? [] : [id, fedBy])));
  return wish.makes
    .filter(({ id }) => !feeding.has(id))
    .flatMap((make) =>
      // Butter is asked for by weight, and made into ghee in minutes.
      make.litres !== undefined && make.litres >= LEAST_LITRES && sortOf(make.method.product) !== null
        ? [{ ...make, litres: make.litres }]
        : [],
    )
    .sort((a, b) => b.litres - a.litres)
    .slice(0, MOST_LESS)
    .map(({ id, litres: before }): Idea => {
      const litres = Math.round(before * LESS * 2) / 2;
      return {
        kind: 'less',
        make: id,
        aims: null,
        iceKg: null,
        litres,
        // What it is poured from is no longer the same.
        wish: {
          ...wish,
          makes: wish.makes.map((make) => (make.id === id ? { ...make, litres, milk: undefined } : make)),
        },
      };
    });
};

/** What the kitchen could do with: a pot like the largest, a burner like the strongest, somebody awake when the first cook is. */
function ideasOfKitchen(wish: DayWish): Idea[] {
  const { kitchen } = wish;
  if (kitchen.pots.length === 0 || kitchen.burners.length === 0 || kitchen.cooks.length === 0) return [];
  const none = { make: null, aims: null, iceKg: null, litres: null };
  const having = (more: Partial<KitchenSettings>): DayWish => ({ ...wish, kitchen: { ...kitchen, ...more } });
  const pot = kitchen.pots.reduce((a, b) => (b.litres > a.litres ? b : a));
  const burner = kitchen.burners.reduce((a, b) => (b.powerKw > a.powerKw ? b : a));
  const cook = kitchen.cooks[0]!;
  return [
    {
      ...none,
      kind: 'pot',
      litres: pot.litres,
      wish: having({ pots: [...kitchen.pots, { ...pot, id: `${pot.id} more` }] }),
    },
    {
      ...none,
      kind: 'burner',
      wish: having({ burners: [...kitchen.burners, { ...burner, id: `${burner.id} more` }] }),
    },
    {
      ...none,
      kind: 'helper',
      wish: having({ cooks: [...kitchen.cooks, { ...cook, id: `${cook.id} more` }] }),
    },
  ];
}

interface LaidOut extends Pick<RoughDay, 'score' | 'makes'> {
  /** When a batch begins, min; only of what was laid out closely. */
  readonly begins?: (make: string) => number | null;
}

/** A wish laid out just as the day itself is; `null` when it does not fit. */
function* closely(wish: DayWish): Generator<number, LaidOut | null> {
  const day = yield* askedDay(wish);
  if ('why' in day) return null;
  const problem = { ...day.whole, cooks: withoutKept(day.whole.cooks, wish.keptFree ?? []) };
  const seed = wish.seed ?? 1;
  const solved = yield* solvingDay(problem, seed, triesFor(problem));
  if ('clash' in solved) return null;
  const { score, slots } = yield* steadier(problem, solved.timetable.slots, seed);
  return {
    score,
    makes: problem.makes.length,
    begins: (make) =>
      unchained(problem, slots).reduce<number | null>(
        (first, slot) => (slot.make === make ? Math.min(first ?? slot.from, slot.from) : first),
        null,
      ),
  };
}

/** Enough to tell what is worth a closer look. */
function* roughly(wish: DayWish): Generator<number, LaidOut | null> {
  const day = yield* layingRoughly(wish);
  return day.fits ? day : null;
}

/** What an idea brings; `null` when it is no help. */
function leverOf(
  { wish, ...idea }: Idea,
  zeroMs: number,
  now: LaidOut | null,
  then: LaidOut | null,
): Lever | null {
  if (!then) return null;
  // Told from an earlier zero everything is so much later.
  const laterMin = (zeroMs - wish.zeroMs) / MINUTE_MS;
  const begins = idea.kind === 'early' && idea.make !== null ? then.begins?.(idea.make) : null;
  const lever: Lever = {
    ...idea,
    beginsMs: begins === null || begins === undefined ? null : wish.zeroMs + begins * MINUTE_MS,
    soonerMin: now ? Math.round((now.score.sum - then.score.sum) / then.makes + laterMin) : 0,
    lessLateMin: now ? now.score.late - then.score.late : 0,
    lessOutsideMin: now ? now.score.outside - then.score.outside : 0,
    makesItFit: now === null,
  };
  const opensMs = zeroMs + (wish.eve?.opensMin ?? 0) * MINUTE_MS;
  if (lever.beginsMs !== null && lever.beginsMs > opensMs - EARLY_BY_MIN * MINUTE_MS) return null;
  // What makes one thing better and another worse is no help.
  const worse = lever.lessLateMin < 0 || (lever.lessLateMin === 0 && lever.lessOutsideMin < 0);
  const worth =
    lever.makesItFit ||
    lever.lessLateMin >= WORTH_LATE_MIN ||
    lever.lessOutsideMin >= WORTH_LATE_MIN ||
    lever.soonerMin >= (lever.kind === 'less' ? WORTH_LESS_MIN : WORTH_SOONER_MIN);
  return worth && !worse ? lever : null;
}

const byWorth = (a: Lever, b: Lever): number =>
  Number(b.makesItFit) - Number(a.makesItFit) ||
  b.lessLateMin - a.lessLateMin ||
  b.lessOutsideMin - a.lessOutsideMin ||
  b.soonerMin - a.soonerMin;

/** How much of the work the first, rough look is. */
const ROUGH_SHARE = 0.4;

/**
 * What would make a day better: each idea is looked at roughly, and the best of them are laid out just as the day itself is, so that whoever
 * takes one gets what was told. The most worth first.
 * @yields how far it is, 0..1
 */
export function* lookingForLevers(wish: DayWish): Generator<number, Lever[]> {
  const ideas = [
    ...wish.makes.flatMap((make) => ideasOf(wish, make)),
    ...earlyOf(wish),
    ...starterOf(wish),
    ...lessOf(wish),
    ...ideasOfKitchen(wish),
  ];
  const share = ROUGH_SHARE / (1 + ideas.length);
  const before = yield* scaled(roughly(wish), 0, share);
  const likely: { readonly idea: Idea; readonly lever: Lever }[] = [];
  for (const [n, idea] of ideas.entries()) {
    const lever = leverOf(
      idea,
      wish.zeroMs,
      before,
      yield* scaled(roughly(idea.wish), (n + 1) * share, share),
    );
    if (lever) likely.push({ idea, lever });
  }
  const best = likely.sort((a, b) => byWorth(a.lever, b.lever)).slice(0, MOST_LOOKED_AT);
  const each = (1 - ROUGH_SHARE) / (1 + best.length);
  const now = yield* scaled(closely(wish), ROUGH_SHARE, each);
  const levers: Lever[] = [];
  for (const [n, { idea }] of best.entries()) {
    const then = yield* scaled(closely(idea.wish), ROUGH_SHARE + (n + 1) * each, each);
    const lever = leverOf(idea, wish.zeroMs, now, then);
    if (lever) levers.push(lever);
  }
  return levers.sort(byWorth).slice(0, MOST_TOLD);
}
