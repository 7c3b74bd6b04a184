import {
  EVENT_VERSION,
  type EventOf,
  type EventType,
  type MakePlan,
  type PlanChange,
  type StepId,
  type TraceFacts,
} from '../contract/index.ts';
import { type AcidityReading, type Defect, type Sourness } from '../science/souring/index.ts';
import { feltHeat, type HeatCue } from '../science/heat/index.ts';
import { fillJars, type DoseGiven } from '../setup/index.ts';
import { methodSteps, productOf } from '../products/index.ts';
import {
  STEP_TYPES,
  type Fed,
  type MakeView,
  type MethodStep,
  type Souring,
  type StepState,
} from '../steps/index.ts';

export type { StepState, TemperatureReading } from '../steps/index.ts';
import { effectiveEvents, instantOf, type LoggedEvent } from '../log/index.ts';
import { acidityOf, sampled, seenAtEnd, type AcidityEntry } from './fold-acidity.ts';
import { partsOf, withPour, type Joined, type Stay } from './split-and-joined.ts';
import { HOUR_MS } from '../science/units/index.ts';

/** How warm something was by eye or finger, and one σ of that. */
export interface FeltHeat {
  readonly atMs: number;
  readonly cue: HeatCue;
  readonly celsius: number;
  readonly sigmaC: number;
}

/** Everything a make's events say, folded; but for what only one kind of step has (`told`). */
export interface MakeState extends MakeView {
  /** The plan without what was poured in from other makes: what its souring began with. */
  readonly alone: MakePlan;
  /** Where it stood from when on. */
  readonly stays: readonly Stay[];
  readonly joined: readonly Joined[];
  /** How warm it was by eye or finger. */
  readonly felt: readonly FeltHeat[];
  readonly acidity: readonly AcidityEntry[];
  /** The dose as it really went in; the plan's until then. */
  readonly dose: DoseGiven;
  /** More starter that went in later. */
  readonly helpings: readonly (DoseGiven & { readonly atMs: number })[];
  readonly inoculatedAtMs: number | null;
  /** When it left the warmth. */
  readonly chilledAtMs: number | null;
  /** Where it sours more than once: when the souring before this one was over; `null` in the first. */
  readonly roundFromMs: number | null;
  /** What was given in its feeds; `null` as much as planned. */
  readonly fed: Fed;
  /** Since when the milk is cooled as the plan now says; `null` when it never changed. */
  readonly coolingSinceMs: number | null;
  /** Jars already in the cold, and since when. */
  readonly chilledJars: ReadonlyMap<string, number>;
  readonly traces: readonly TraceFacts[];
  /** That was told by a level, not by scales. */
  readonly weighedByLevel: boolean;
  /** Numbered tags on its jars. */
  readonly tags: readonly number[];
  readonly reservedKg: number | null;
  readonly tasting: {
    readonly sourness?: Sourness | undefined;
    readonly texture?: string | undefined;
    readonly text: string;
    readonly defects?: readonly Defect[] | undefined;
  } | null;
  readonly notes: readonly { readonly atMs: number; readonly text: string }[];
  readonly acknowledged: ReadonlySet<string>;
}

function stepsOf(
  method: readonly MethodStep[],
  startedAtMs: number,
  ends: ReadonlyMap<StepId, { atMs: number; skipped: boolean }>,
  finished: boolean,
): StepState[] {
  let openedAtMs = startedAtMs;
  let currentSeen = finished;
  return method.map((step) => {
    const end = ends.get(step.id);
    if (end) {
      const startedAt = Math.min(openedAtMs, end.atMs);
      openedAtMs = Math.max(openedAtMs, end.atMs);
      return { step, status: end.skipped ? 'skipped' : 'done', startedAtMs: startedAt, endedAtMs: end.atMs };
    }
    if (currentSeen) return { step, status: 'coming', startedAtMs: null, endedAtMs: null };
    currentSeen = true;
    return { step, status: 'current', startedAtMs: openedAtMs, endedAtMs: null };
  });
}

/** A plan with some of its parts changed; `null` takes an optional part away. */
export function changedPlan(plan: MakePlan, change: PlanChange): MakePlan {
  const { why: _why, bottles, powder, ...rest } = change;
  const set = Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== undefined));
  const next: MakePlan = { ...plan, ...(set as Partial<MakePlan>) };
  if (bottles === null) delete next.bottles;
  else if (bottles !== undefined) next.bottles = bottles;
  if (powder !== undefined) {
    const { powder: _before, ...milk } = next.milk;
    next.milk = powder === null ? milk : { ...milk, powder };
  }
  return next;
}

/** What is left of starter that was added, by what was parted off since. */
const doseOf = (
  event: EventOf<'starter-added'> & { readonly at: string },
  leftOf: (atMs: number) => number,
): DoseGiven => ({
  massKg: event.data.massKg === null ? null : event.data.massKg * leftOf(Date.parse(event.at)),
  statedRatio: event.data.statedRatio,
});

/** A jar with less than this got nothing. */
const NO_MILK_LITRES = 0.005;

/** The souring that is on, or the next one; the last when all are over. */
export const souringStep = (steps: readonly StepState[]): StepState | undefined =>
  steps.find(({ step, status }) => step.facts.sours && (status === 'current' || status === 'coming')) ??
  steps.findLast(({ step }) => step.facts.sours);

/**
 * What hands do when a souring is over, as a sentence about it begins.
 * @example afterSouring(kefir) // 'Take out grains'
 */
export function afterSouring({ steps }: { readonly steps: readonly StepState[] }): string {
  const souring = souringStep(steps);
  const next = souring && steps[steps.indexOf(souring) + 1]?.step;
  return next === undefined || next.facts.inThePot === 'cold' ? 'Move to fridge' : next.title;
}

/** The plan as the present souring has it; the make's own where it sours once. */
export function souringPlan({ plan, steps, fed }: Pick<MakeState, 'plan' | 'steps' | 'fed'>): MakePlan {
  const step = souringStep(steps)?.step;
  const own = step && STEP_TYPES[step.kind].souring?.plan;
  return own ? own(plan, { step: step.instance, goods: productOf(plan).goods }, fed) : plan;
}

const NONE: readonly LoggedEvent[] = [];

/** Gone through once: a make with a probe has thousands, and is asked for twenty types of them. */
function byTypeOf(events: readonly LoggedEvent[]): ReadonlyMap<EventType, readonly LoggedEvent[]> {
  const byType = new Map<EventType, LoggedEvent[]>();
  for (const event of events) {
    const known = byType.get(event.type);
    if (known) known.push(event);
    else byType.set(event.type, [event]);
  }
  return byType;
}

const last = <T>(items: readonly T[]): T | null => items.at(-1) ?? null;

/**
 * Folds a make's events into its state.
 * @param events any order; doubles, voids and corrections are resolved here
 * @returns `null` when there is no `make-started` among them
 */
export function foldMake(id: string, events: readonly LoggedEvent[]): MakeState | null {
  const effective = effectiveEvents(events);
  const byType = byTypeOf(effective);
  const of = <T extends LoggedEvent['type']>(type: T): readonly EventOf<T>[] =>
    (byType.get(type) ?? NONE) as readonly EventOf<T>[];
  const started = of('make-started')[0];
  if (!started) return null;
  const changes = of('replanned');
  const planned = changes.reduce((before, { data }) => changedPlan(before, data), started.data.plan);
  const poured = last(of('milk-poured'));
  const { plan, alone, leftOf, stays, joined } = partsOf(
    effective,
    started.data.plan.place,
    poured ? withPour(planned, poured.data.from) : planned,
  );
  const ends = new Map<StepId, { atMs: number; skipped: boolean }>();
  for (const event of effective) {
    if (event.type !== 'step-done' && event.type !== 'step-skipped') continue;
    ends.set(event.data.step, { atMs: instantOf(event), skipped: event.type === 'step-skipped' });
  }
  // Begun before it was planned to, it began with the first thing that was done.
  const startedAtMs = Math.max(
    0,
    Math.min(Date.parse(plan.startAt), ...[...ends.values()].map((e) => e.atMs)),
  );
  const method = methodSteps(plan);
  // Adding the starter, weighing, tasting or keeping some is doing that step.
  for (const { id: step, facts } of method) {
    const event = effective.find(
      (e) =>
        e.type === facts.endedBy &&
        (e.type !== 'weighed' || e.data.of === facts.weighs) &&
        (e.type !== 'fed' || e.data.step === step),
    );
    if (event && !ends.has(step)) ends.set(step, { atMs: instantOf(event), skipped: false });
  }
  const chilledJars = new Map(
    of('jar-chilled').map((e): readonly [string, number] => [e.data.jar, instantOf(e)]),
  );
  // The last of several jars ends the incubation.
  const jars = fillJars(plan).jars.filter((jar) => jar.filledLitres > NO_MILK_LITRES);
  const inJars = method.find(({ facts }) => facts.sours);
  if (inJars && jars.length > 0 && !ends.has(inJars.id) && jars.every((jar) => chilledJars.has(jar.id))) {
    ends.set(inJars.id, { atMs: Math.max(...jars.map((jar) => chilledJars.get(jar.id)!)), skipped: false });
  }
  const finish = last(of('finished'));
  const steps = stepsOf(method, startedAtMs, ends, finish !== null);
  // A second helping of starter never moves the clock or the forecast's zero; a wrong entry is corrected instead.
  const [starter, ...helpings] = of('starter-added');
  const souring = souringStep(steps)?.step;
  const upToIt = souring ? method.slice(0, method.indexOf(souring)) : method;
  const inoculating = upToIt.findLast(({ facts }) => facts.inoculates);
  const inoculation = inoculating && ends.get(inoculating.id);
  const before = upToIt.findLast(({ facts }) => facts.sours);
  const fed = new Map(of('fed').map((e): readonly [string, number | null] => [e.data.step, e.data.massKg]));
  const weighings = of('weighed');
  const weighed = weighings.findLast((e) => e.data.of === undefined);
  const cooled = changes.findLast((e) => e.data.cooling !== undefined);
  const traces = of('trace-imported').map((e) => e.data);
  const reserved = last(of('reserved'));
  const tasted = last(of('tasted'));
  return {
    id,
    plan,
    alone,
    stays,
    joined,
    planned: last(of('planned'))?.data.forecast ?? null,
    startedAtMs,
    steps,
    current: steps.find((s) => s.status === 'current') ?? null,
    temperatures: [
      ...of('temperature-read').map((e) => ({
        eventId: e.id,
        atMs: instantOf(e),
        celsius: e.data.celsius,
        instrument: e.data.instrument,
        rawC: e.data.rawC,
        live: e.deviceId.startsWith('device:'),
      })),
      ...of('trace-imported').flatMap((e) =>
        sampled(e, 'temperature').map((s) => ({ ...s, celsius: s.value, live: false })),
      ),
    ].sort((a, b) => a.atMs - b.atMs),
    felt: of('heat-felt').map((e) => ({
      atMs: instantOf(e),
      cue: e.data.cue,
      ...feltHeat(e.data.cue, plan.altitudeM),
    })),
    acidity: [...acidityOf(effective, plan), ...seenAtEnd(method, of('step-done'))].sort(
      (a, b) => a.atMs - b.atMs,
    ),
    dose: starter ? doseOf(starter, leftOf) : souringPlan({ plan: alone, steps, fed }).starter,
    helpings: helpings.map((e) => ({ ...doseOf(e, leftOf), atMs: instantOf(e) })),
    inoculatedAtMs: starter
      ? instantOf(starter)
      : inoculation && !inoculation.skipped
        ? inoculation.atMs
        : null,
    chilledAtMs: (souring && ends.get(souring.id)?.atMs) ?? null,
    roundFromMs: (before && ends.get(before.id)?.atMs) ?? null,
    fed,
    coolingSinceMs: cooled ? instantOf(cooled) : null,
    chilledJars,
    traces,
    weighedKg: weighed?.data.massKg ?? null,
    weighedByLevel: weighed?.data.byLevel === true,
    byProductsKg: Object.fromEntries(
      weighings.flatMap((e) =>
        e.data.of === undefined ? [] : [[e.data.of, e.data.massKg * leftOf(instantOf(e))]],
      ),
    ),
    tags: last(of('tagged'))?.data.tags ?? [],
    reservedKg: reserved?.data.massKg ?? null,
    tasting: tasted ? tasted.data : null,
    notes: of('noted').map((e) => ({ atMs: instantOf(e), text: e.data.text })),
    acknowledged: new Set(of('alarm-acknowledged').map((e) => e.data.alarm)),
    finished: finish
      ? { atMs: instantOf(finish), verdict: finish.data.verdict, reason: finish.data.reason }
      : null,
    events: effective,
  };
}

/** What was seen of the present souring. */
export const acidityNow = ({
  acidity,
  roundFromMs,
  joined,
}: Pick<MakeState, 'acidity' | 'roundFromMs' | 'joined'>) => {
  // What was seen before something that nobody had shown to be acid came to it shows nothing of the whole.
  const thinned = joined.findLast(({ shownAcid }) => !shownAcid)?.atMs ?? Number.NEGATIVE_INFINITY;
  const sinceMs = Math.max(roundFromMs ?? Number.NEGATIVE_INFINITY, thinned);
  return acidity.filter(({ atMs }) => atMs > sinceMs);
};

/** How a make sours; `null` when nothing sours in it. */
export function souringOf({ steps }: Pick<MakeState, 'steps'>): Souring | null {
  const step = souringStep(steps)?.step;
  return step ? (STEP_TYPES[step.kind].souring ?? null) : null;
}

/** A souring that its acid ends: there is a set, and a sourness to wait for. Elsewhere the clock ends it, or nothing sours. */
export const soursToTheEnd = (state: Pick<MakeState, 'steps'>): boolean => {
  const souring = souringOf(state);
  return souring !== null && souring.timedMin === undefined;
};

/** Acidity readings as the ensemble wants them: hours since inoculation, only those after it. */
export function acidityReadings(state: MakeState): AcidityReading[] {
  const zero = state.inoculatedAtMs;
  if (zero === null) return [];
  return state.acidity
    .filter((entry) => entry.atMs >= zero)
    .map((entry) => {
      const hour = (entry.atMs - zero) / HOUR_MS;
      return entry.reading.kind === 'ph'
        ? {
            kind: 'ph',
            hour,
            ph: entry.reading.ph,
            sigma: entry.reading.sigma,
            instrument: entry.reading.instrument,
          }
        : { kind: 'cue', hour, cue: entry.reading.cue };
    });
}

/** A make as it would be with one more entry of an instant; nothing is recorded. */
export function stateWith<T extends EventType>(
  state: MakeState,
  type: T,
  data: EventOf<T>['data'],
  atMs: number,
): MakeState {
  const event = {
    id: '7ZZZZZZZZZZZZZZZZZZZZZZZZZ',
    streamId: state.id,
    at: new Date(atMs).toISOString(),
    cookId: null,
    deviceId: 'planning',
    version: EVENT_VERSION,
    type,
    data,
  } as LoggedEvent;
  return foldMake(state.id, [...state.events, event]) ?? state;
}

/** A make as it would be with a change of plan made at an instant. */
export const replannedState = (state: MakeState, change: PlanChange, atMs: number): MakeState =>
  stateWith(state, 'replanned', change, atMs);
