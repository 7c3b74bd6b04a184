import { PRODUCT_TAKES, PRODUCT_IDS, type KitchenSettings, type MakePlan } from '../contract/index.ts';
import { FREEZER_C, FRIDGE_C, THAW_SPREAD, thawHours } from '../science/heat/index.ts';
import { attendance } from '../kitchen/index.ts';
import { pointForecast, sleepClashes, stateOfPlan } from '../make/index.ts';
import { batchOf, roomOf } from '../setup/index.ts';
import { adviseOn, beginPlan, PRODUCTS } from '../products/index.ts';
import { stepFacts, STEP_TYPES, withStanding, type Standing } from '../steps/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';
import { Z90 } from '../science/numerics/index.ts';

/** Starts are tried on this grid. */
const START_MS = 10 * MINUTE_MS;
/** No way begins longer before it is wanted than this. */
const REACH_MS = 36 * HOUR_MS;
/** Ripened cream cools, and stands four hours below 8 °C, before it is churned. */
const AGED_MS = 8 * HOUR_MS;

/** What cream is ripened as. */
const RIPENS = PRODUCT_IDS.find((id) => PRODUCT_TAKES[id] === 'cream' && PRODUCTS[id].starters.length > 0)!;

export interface ButterWish {
  /** A plan of butter, its loads decided. */
  readonly plan: MakePlan;
  readonly kitchen: KitchenSettings;
  /** Worked and salted by then, ms since 1970. */
  readonly byMs: number;
  /** The cream is sweet, and is to ripen first. */
  readonly ripen: boolean;
  /** The cream is frozen, in pieces so large, kg; `null` when it is not. */
  readonly frozenPieceKg: number | null;
  readonly nowMs: number;
}

/** One way to butter by a time. */
export interface ButterWay {
  readonly plan: MakePlan;
  readonly standing: Standing;
  /** The cream comes out of the cold. */
  readonly startMs: number;
  readonly churnMs: number;
  /** Worked: the middle, and nine times in ten. */
  readonly doneMs: number;
  readonly lateMs: number;
  readonly sure: boolean;
  /** Its starter goes in, and it goes into the cold; `null` where nothing ripens. */
  readonly ripen: { readonly startMs: number; readonly coldMs: number } | null;
  /** The frozen cream goes into the fridge; `null` where nothing is frozen. */
  readonly thawMs: number | null;
}

export interface ButterWays {
  readonly ways: readonly ButterWay[];
  /** Why there is none; `null` when there is one. */
  readonly reason: 'never' | 'too-late' | 'nobody-there' | null;
}

/** A plan begun at another time, tempered another way. */
const variantOf = ({ plan, kitchen, ripen }: ButterWish, standing: Standing, startMs: number): MakePlan => {
  const { roomByUtcHour: _room, ...rest } = plan;
  return {
    ...rest,
    startAt: new Date(startMs).toISOString(),
    ...roomOf(kitchen.site, startMs),
    ...(ripen && { milk: { ...plan.milk, soured: true } }),
    method: withStanding(plan.method, standing),
  };
};

/** When it goes out, into the churn, and is worked, on the clock. */
function timesOf(plan: MakePlan, startMs: number) {
  const point = pointForecast(stateOfPlan(plan), startMs);
  const own = point.steps.filter(({ kind }) => !stepFacts(kind).whenever);
  const last = own.at(-1);
  const churn = own.find(({ kind }) => STEP_TYPES[kind].besides !== undefined);
  if (!last || !churn || own.some(({ endless }) => endless)) return null;
  return {
    point,
    churnMs: churn.startMs,
    doneMs: last.endMs,
    lateMs: last.endMs + Z90 * last.sigmaMin * MINUTE_MS,
  };
}

/** When cream must be given its starter to be ripe, cold and aged by a time, with somebody there. */
function ripening(wish: ButterWish, byMs: number): ButterWay['ripen'] {
  const { kitchen, plan } = wish;
  const { litres } = plan.milk;
  const begun = beginPlan(RIPENS, kitchen, new Date(byMs).toISOString(), litres);
  const own: MakePlan = { ...begun, milk: { ...plan.milk, soured: false } };
  const point = pointForecast(stateOfPlan(own), byMs);
  const ripe = point.steps.find(({ kind }) => stepFacts(kind).sours);
  if (!ripe || ripe.endless) return null;
  const takesMs = ripe.endMs - byMs;
  const there = attendance(kitchen, byMs - 3 * REACH_MS, byMs);
  for (let startMs = byMs - AGED_MS - takesMs; startMs > byMs - 2 * REACH_MS; startMs -= START_MS)
    if (there.at(startMs) && there.at(startMs + takesMs)) return { startMs, coldMs: startMs + takesMs };
  return null;
}

/** When frozen cream must go into the fridge to be liquid by a time, at the late end of its spread. */
function thawing({ plan, frozenPieceKg }: ButterWish, byMs: number): number | null {
  if (frozenPieceKg === null) return null;
  const { composition } = batchOf(plan);
  const hours = thawHours({
    composition,
    pieceKg: frozenPieceKg,
    freezerC: FREEZER_C,
    airC: FRIDGE_C,
    where: 'fridge',
  });
  return byMs - hours * (1 + THAW_SPREAD) * HOUR_MS;
}

/**
 * Butter by a time: works back through washing, churning, tempering, ripening and thaw, around sleep and absence. The latest
 * start that keeps the wish nine times in ten comes first, tempered in the room and in a bath; one that keeps it half the
 * times is told as tight.
 * @returns yields how far it is, 0..1
 * @example [...planningButter({ plan, kitchen, byMs, ripen: false, frozenPieceKg: null, nowMs })]
 */
export function* planningButter(wish: ButterWish): Generator<number, ButterWays> {
  const { kitchen, byMs, nowMs } = wish;
  const there = attendance(kitchen, byMs - REACH_MS, byMs + HOUR_MS);
  const standings: readonly Standing[] = ['room', 'bath'];
  const ways: ButterWay[] = [];
  let asleep = false;
  let possible = false;
  for (const [i, standing] of standings.entries()) {
    let tight: ButterWay | null = null;
    for (let startMs = byMs - START_MS; startMs >= Math.max(nowMs, byMs - REACH_MS); startMs -= START_MS) {
      yield (i + (byMs - startMs) / REACH_MS) / standings.length;
      const plan = variantOf(wish, standing, startMs);
      const times = timesOf(plan, startMs);
      if (!times || adviseOn(plan).some(({ severity }) => severity === 'stop')) continue;
      possible = true;
      if (times.doneMs > byMs) continue;
      if (!there.at(startMs) || sleepClashes(times.point, kitchen).length > 0) {
        asleep = true;
        continue;
      }
      const ripen = wish.ripen ? ripening(wish, startMs) : null;
      const thawMs = thawing(wish, ripen?.startMs ?? startMs);
      const soonestMs = Math.min(ripen?.startMs ?? startMs, thawMs ?? startMs);
      if ((wish.ripen && !ripen) || soonestMs < nowMs) break;
      const { churnMs, doneMs, lateMs } = times;
      const sure = lateMs <= byMs;
      const way = { plan, standing, startMs, churnMs, doneMs, lateMs, sure, ripen, thawMs };
      if (sure) {
        ways.push(way);
        break;
      }
      tight ??= way;
    }
    if (tight && !ways.some((way) => way.sure)) ways.push(tight);
  }
  const reason = ways.length > 0 ? null : !possible ? 'never' : asleep ? 'nobody-there' : 'too-late';
  return { ways: ways.sort((a, b) => Number(b.sure) - Number(a.sure) || b.startMs - a.startMs), reason };
}

/** `planningButter` run to its end. */
export function butterBack(wish: ButterWish): ButterWays {
  const work = planningButter(wish);
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
  }
}
