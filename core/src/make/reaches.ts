import type { MakePlan } from '../contract/index.ts';
import { PICK_UP_PH, SOURNESS, type Sourness } from '../science/souring/index.ts';
import { markPh } from '../steps/index.ts';
import { pointForecast, stateOfPlan, type PointForecast } from './forecast.ts';
import { markMs } from './marks.ts';
import { souringOf, type MakeState } from './state.ts';
import { capital, lower } from '../science/units/index.ts';

/** Something a souring comes to: its body, or one of the sournesses. */
export interface Reached {
  readonly what: 'body' | Sourness;
  readonly atMs: number;
}

/** The instant a course first comes down to a pH, straight between its points; `null` when it never does. */
function firstAt(course: PointForecast['ph'], ph: number): number | null {
  const i = course.findIndex(([, value]) => value <= ph);
  if (i < 0) return null;
  const [ms, value] = course[i]!;
  const before = course[i - 1];
  if (!before || before[1] === value) return ms;
  return before[0] + ((before[1] - ph) / (before[1] - value)) * (ms - before[0]);
}

/**
 * What a souring comes to and when, as far as it is looked ahead: told where what was wanted is not among it.
 * @example reachesOf(state, point) // [{ what: 'body', atMs }, { what: 'mild', atMs }]
 */
export function reachesOf(state: MakeState, point: PointForecast): Reached[] {
  const souring = souringOf(state);
  if (!souring) return [];
  const body = markPh(souring, state.plan, 'body');
  const marks: readonly (readonly [Reached['what'], number | null])[] = [
    ['body', body],
    ...SOURNESS.map((s) => [s, PICK_UP_PH[s]] as const),
  ];
  return marks.flatMap(([what, ph]) => {
    const atMs = ph === null ? null : firstAt(point.ph, ph);
    return atMs === null ? [] : [{ what, atMs }];
  });
}

/** Another place of the kitchen in which a plan would come to what is wanted. */
export interface OtherPlace {
  readonly place: MakePlan['place'];
  readonly atMs: number;
}

/**
 * Where else what is wanted would be reached soonest; `null` when nowhere, or when it is reached already.
 * @example placeThatWould(plan, kitchen.places)?.place.kind // 'oven-lamp'
 */
export function placeThatWould(plan: MakePlan, places: readonly MakePlan['place'][]): OtherPlace | null {
  const nowMs = Date.parse(plan.startAt);
  const ready = (place: MakePlan['place']): number | null =>
    markMs(pointForecast(stateOfPlan({ ...plan, place }), nowMs), 'ready');
  if (ready(plan.place) !== null) return null;
  const found = places
    .filter(({ id }) => id !== plan.place.id)
    .flatMap((place): OtherPlace[] => {
      const atMs = ready(place);
      return atMs === null ? [] : [{ place, atMs }];
    });
  return found.sort((a, b) => a.atMs - b.atMs)[0] ?? null;
}

/** How what is reached is told. */
interface ReachTold {
  readonly reached: readonly Reached[];
  readonly wanted: Sourness;
  /** "Set", "Thick" */
  readonly body: string;
  readonly placeName: string;
  readonly other: OtherPlace | null;
  /** When something is, in words: "about 14:00", "after about 6 h". */
  readonly when: (ms: number) => string;
}

/**
 * What is reached where what is wanted is not, in sentences.
 * @example reachWords({ … }) // "Set about 14:00, mild about 17:00. Never tart in “Pot wrapped in towels”. Oven, lamp on would do it about 19:00."
 */
export function reachWords({ reached, wanted, body, placeName, other, when }: ReachTold): string {
  const told = reached.map(({ what, atMs }) => `${what === 'body' ? lower(body) : what} ${when(atMs)}`);
  const line = told.join(', ');
  return [
    told.length === 0
      ? `Does not even get ${lower(body)} in “${placeName}”.`
      : `${capital(line)}. Never ${wanted} in “${placeName}”.`,
    ...(other ? [`${other.place.name} would do it ${when(other.atMs)}.`] : []),
  ].join(' ');
}
