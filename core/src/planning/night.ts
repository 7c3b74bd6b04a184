import type { KitchenSettings, MakePlan } from '../contract/index.ts';
import { sournessOfPh, warmCulture, type Sourness } from '../science/souring/index.ts';
import { placeAmbientC } from '../science/heat/index.ts';
import type { DoseGiven } from '../setup/index.ts';
import { attendance } from '../kitchen/index.ts';
import {
  markBand,
  pointForecast,
  replannedState,
  stateWith,
  souringOf,
  type BandForecast,
  type MakeState,
  type PointForecast,
} from '../make/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import { markPh } from '../steps/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

/** Away for less than this is no night, h. */
const NIGHT_H = 3;
/** So far ahead a night is looked for, h. */
const LOOK_H = 20;
/** Before this nobody thinks of bed, h. */
const EVENING_H = 6;
/** A place has to be cooler by this much to be one, K. */
const COOLER_K = 3;
/** This near to what was wanted nobody tastes a difference, pH. */
const NEAR_PH = 0.08;

/** A place that slows, or hurries, what sours: one of the kitchen's, or one that every house has. */
type Place = MakePlan['place'];
const asPlace = (place: Place, name: string, setPointC: number): Place => ({
  ...place,
  name,
  kind: 'appliance',
  setPointC,
  biasC: 0,
  tauH: 1.5,
});

/** Where warm cultures are hurried, and the others, °C. */
const BATH_C = { warm: 45, cool: 28 } as const;

/** A warm bath for what sours too slowly: 45 °C for what likes it warm, 28 °C for the others. */
export function warmBath({ place, starter }: Pick<MakePlan, 'place' | 'starter'>): Place {
  const bathC = BATH_C[warmCulture(starter.kind) ? 'warm' : 'cool'];
  return asPlace(place, `Warm bath, ${bathC} °C`, bathC);
}

/** What may be done with it before the night, and how it is in the morning. Estimates. */
export interface NightWay {
  readonly what: 'chill' | 'leave' | 'cooler';
  /** Where it would stand; `null` in the cold, or where it is. */
  readonly place: Place | null;
  readonly ph: number;
  readonly sourness: Sourness;
  /** It has its body by the morning: set, thick. */
  readonly hasBody: boolean;
  readonly tooSour: boolean;
  /** The nearest to what was wanted. */
  readonly best: boolean;
}

export interface Night {
  readonly bedMs: number;
  readonly wakeMs: number;
  readonly ways: readonly NightWay[];
}

/** The next time nobody is there for hours; `null` when somebody always is. */
export function nextNight(
  kitchen: Pick<KitchenSettings, 'cooks' | 'absences' | 'site'>,
  nowMs: number,
): { readonly bedMs: number; readonly wakeMs: number } | null {
  const there = attendance(kitchen, nowMs, nowMs + 2 * LOOK_H * HOUR_MS);
  for (let ms = nowMs; ms < nowMs + LOOK_H * HOUR_MS; ms += 5 * MINUTE_MS) {
    if (there.at(ms)) continue;
    const wakeMs = there.nextAt(ms);
    if (wakeMs === null) return null;
    if (wakeMs - ms >= NIGHT_H * HOUR_MS) return { bedMs: ms, wakeMs };
    ms = wakeMs;
  }
  return null;
}

const phAt = ({ ph }: Pick<PointForecast, 'ph'>, ms: number): number =>
  interpolateLinear(
    ph.map(([t]) => t),
    ph.map(([, v]) => v),
    ms,
  );

/** Somewhere cooler in this house. */
function coolerPlace(plan: MakePlan, kitchen: Pick<KitchenSettings, 'places'>): Place {
  const nowC = placeAmbientC(plan.place, plan.roomC);
  const own = kitchen.places
    .map((place) => ({ place, celsius: placeAmbientC(place, plan.roomC) }))
    .filter(({ celsius }) => celsius <= nowC - COOLER_K)
    .sort((a, b) => b.celsius - a.celsius)[0];
  return own?.place ?? asPlace(plan.place, 'Cellar, about 12 °C', 12);
}

/**
 * What to do with what sours before going to bed: into the cold, to a cooler place, or left as it is, each with its morning.
 * @returns `null` when it is no matter: nothing sours, it is done before the night, or only long after it
 */
export function nightWays(
  state: MakeState,
  forecast: Pick<BandForecast, 'point' | 'marks'>,
  kitchen: Pick<KitchenSettings, 'cooks' | 'absences' | 'site' | 'places'>,
  nowMs: number,
): Night | null {
  const souring = souringOf(state);
  const { plan } = state;
  if (!souring || souring.timedMin || state.current?.step.facts.sours !== true) return null;
  const night = nextNight(kitchen, nowMs);
  const readyPh = markPh(souring, plan, 'ready');
  const bodyPh = markPh(souring, plan, 'body');
  const ready = markBand(forecast, 'ready');
  if (!night || readyPh === null || bodyPh === null || forecast.point.ph.length === 0) return null;
  const { bedMs, wakeMs } = night;
  if (bedMs - nowMs > EVENING_H * HOUR_MS) return null;
  // Done while somebody is up, or in no hurry before the morning.
  if ((ready.p90 !== null && ready.p90 < bedMs) || (ready.p10 !== null && ready.p10 > wakeMs + HOUR_MS))
    return null;
  const left = phAt(forecast.point, wakeMs);
  const place = coolerPlace(plan, kitchen);
  const book = pointForecast(state, nowMs);
  const slowed = pointForecast(replannedState(state, { place, why: '' }, bedMs), nowMs);
  // By how much the cooler place changes the book's morning, it changes this one's.
  const cooler = Math.max(
    left,
    Math.min(phAt(forecast.point, bedMs), left + phAt(slowed, wakeMs) - phAt(book, wakeMs)),
  );
  const pastPh = markPh(souring, plan, 'past');
  const way = (what: NightWay['what'], ph: number, at: Place | null): Omit<NightWay, 'best'> => ({
    what,
    place: at,
    ph,
    sourness: sournessOfPh(ph),
    hasBody: ph <= bodyPh + 0.01,
    tooSour: pastPh !== null && ph < pastPh,
  });
  const ways = [
    way('chill', phAt(forecast.point, bedMs), null),
    way('cooler', cooler, place),
    way('leave', left, null),
  ];
  const cost = ({ ph, tooSour, hasBody }: Omit<NightWay, 'best'>): number =>
    Math.max(0, Math.abs(ph - readyPh) - NEAR_PH) + (tooSour ? 0.3 : 0) + (hasBody ? 0 : 1);
  const best = ways.reduce((a, b) => (cost(b) < cost(a) - 0.02 ? b : a));
  return { bedMs, wakeMs, ways: ways.map((w) => ({ ...w, best: w === best })) };
}

/** Another place for what sours too slowly, or too fast, or more starter, with what would come of it. */
export interface Turning {
  readonly what: 'warm-bath' | 'colder' | 'more-starter';
  /** `null` where it is. */
  readonly place: Place | null;
  /** How much more starter, as it is dosed; `null` none. */
  readonly dose: DoseGiven | null;
  /** As it is wanted then, ms since 1970; `null` not within the time looked at. */
  readonly readyMs: number | null;
  readonly bodyMs: number | null;
}
type Foreseen = Pick<Turning, 'readyMs' | 'bodyMs'>;

/**
 * Ways to turn a souring, each simulated: a warm bath, as much starter again, a colder place. Middle lines, moved by what was read: estimates.
 */
export function turnings(
  state: MakeState,
  forecast: Pick<BandForecast, 'marks'>,
  nowMs: number,
): { readonly asItIs: Foreseen; readonly ways: readonly Turning[] } | null {
  const souring = souringOf(state);
  if (!souring || souring.timedMin || state.current?.step.facts.sours !== true) return null;
  const { plan } = state;
  const warm = warmCulture(plan.starter.kind);
  const byBook = (of: MakeState, role: 'ready' | 'body'): number | null =>
    pointForecast(of, nowMs).marks.find((m) => m.role === role)?.atMs ?? null;
  // What was read moved the forecast from the book's line; by how much a way changes that line, it changes this one.
  const off = (role: 'ready' | 'body'): number => {
    const book = byBook(state, role);
    const foreseen = markBand(forecast, role).p50;
    return book === null || foreseen === null ? 0 : foreseen - book;
  };
  const [readyOff, bodyOff] = [off('ready'), off('body')];
  const moved = (ms: number | null, by: number): number | null =>
    ms === null ? null : Math.max(nowMs, ms + by);
  const read = (of: MakeState): Foreseen => ({
    readyMs: moved(byBook(of, 'ready'), readyOff),
    bodyMs: moved(byBook(of, 'body'), bodyOff),
  });
  const way = (what: Turning['what'], place: Place): Turning => ({
    what,
    place,
    dose: null,
    ...read(replannedState(state, { place, why: '' }, nowMs)),
  });
  const { massKg, statedRatio } = state.dose;
  const more = (massKg ?? 0) > 0 || (statedRatio ?? 0) > 0 ? { massKg, statedRatio } : null;
  return {
    asItIs: read(state),
    ways: [
      way('warm-bath', warmBath(plan)),
      ...(more
        ? [
            {
              what: 'more-starter',
              place: null,
              dose: more,
              ...read(stateWith(state, 'starter-added', { ...more, typed: null }, nowMs)),
            } as const,
          ]
        : []),
      way(
        'colder',
        asPlace(plan.place, warm ? 'On the counter' : 'Cellar, about 12 °C', warm ? plan.roomC : 12),
      ),
    ],
  };
}
