import {
  PRODUCT_TAKES,
  makePlan,
  type ByProduct,
  type EventOf,
  type EventType,
  type MakePlan,
  type Method,
  type StepKind,
} from '../contract/index.ts';
import { warmCulture } from '../science/souring/index.ts';
import { STEP_TYPES, wheyWeighed } from '../steps/index.ts';
import { fillJars } from '../setup/index.ts';
import { instantOf } from '../log/index.ts';
import { productOf } from '../products/index.ts';
import type { MakeState } from './state.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** Readings nearer to each other than this are not copied one by one. */
const READING_EVERY_MS = 10 * MINUTE_MS;

/** Told of the whole, or of what only one of both has: not copied as they are. */
const NOT_COPIED: ReadonlySet<EventType> = new Set<EventType>([
  'make-started',
  'temperature-read',
  'trace-imported',
  'reserved',
  'tagged',
  'photographed',
  'alarm-acknowledged',
]);

/** An entry to be recorded, in order. */
export type Entry = {
  [T in EventType]: {
    readonly streamId: string;
    readonly atMs: number;
    readonly type: T;
    readonly data: EventOf<T>['data'];
  };
}[EventType];

/** The step that is over and of which parts may go on apart; `undefined` before there is one. */
const partedAfter = ({ steps }: Pick<MakeState, 'steps'>) =>
  steps.find(({ step, status }) => STEP_TYPES[step.kind].parts && status === 'done')?.step;

/** Whether what came of a step that is over, each of its loads, may have an end of its own now. */
export const mayPartLoads = (state: MakeState): boolean => {
  const after = partedAfter(state);
  return after !== undefined && STEP_TYPES[after.kind].parts?.(state) === true;
};

/** Whether a part of a make may go another way now: it sours or waits, and nothing of it was weighed yet. */
export const maySplit = (state: MakeState): boolean =>
  state.finished === null &&
  state.inoculatedAtMs !== null &&
  (state.current?.step.facts.sours === true || state.current?.step.facts.waits === true) &&
  state.weighedKg === null &&
  Object.keys(state.byProductsKg).length === 0 &&
  !wheyWeighed(state) &&
  PRODUCT_TAKES[state.plan.product] !== 'packet';

/** The share of a make that stands in some of its jars, 0..1. */
export function shareOfJars({ plan }: Pick<MakeState, 'plan'>, jars: readonly string[]): number {
  const filled = fillJars(plan).jars;
  const litres = (ids: (id: string) => boolean): number =>
    filled.reduce((sum, jar) => sum + (ids(jar.id) ? jar.filledLitres : 0), 0);
  const all = litres(() => true);
  return all > 0 ? litres((id) => jars.includes(id)) / all : 0;
}

/** What a way does after its last step of a kind, apart from how its steps are called. */
const after = (steps: Method['steps'], kind: StepKind): string => {
  const at = steps.findLastIndex((step) => step.kind === kind);
  return JSON.stringify(steps.slice(at + 1).map(({ id: _id, note: _note, ...step }) => step));
};
/** Something goes in that sets sweet milk. */
const setsSweet = (steps: Method['steps']): boolean =>
  steps.some(({ kind }) => STEP_TYPES[kind].setProvesNothing !== undefined);

/**
 * How a part may go on: the ways by the same sort of culture that have the step it is on, and do something else after it. What
 * would have needed rennet by now is none of them.
 */
export function waysOn(state: MakeState, methods: readonly Method[]): Method[] {
  const kind = state.current?.step.kind;
  if (kind === undefined) return [];
  const { plan } = state;
  const warm = warmCulture(plan.starter.kind);
  const seen = new Set([after(plan.method.steps, kind)]);
  return methods.filter(({ product, steps, aims }) => {
    const at = steps.findLastIndex((step) => step.kind === kind);
    const goesOn = after(steps, kind);
    if (at < 0 || seen.has(goesOn) || productOf({ product }).goods.into !== productOf(plan).goods.into)
      return false;
    if (warmCulture(aims.starter?.kind ?? plan.starter.kind) !== warm) return false;
    if (setsSweet(steps.slice(0, at + 1)) && !setsSweet(plan.method.steps)) return false;
    seen.add(goesOn);
    return true;
  });
}

/** How a part goes on. */
export type OwnWay = Pick<Method, 'product' | 'id' | 'version' | 'steps'> & {
  readonly name?: string | undefined;
};

/** A plan that has gone one way so far and goes on another, from the step it is on, or from the one whose loads part. */
function goingOn(state: MakeState, method: OwnWay): MakePlan {
  const { plan, current } = state;
  const { steps } = plan.method;
  const last = partedAfter(state) ?? current?.step;
  const here = steps.findIndex(({ id }) => id === last?.id);
  const before = steps.slice(0, here + 1);
  const at = method.steps.findLastIndex(({ kind }) => kind === last?.kind);
  const taken = new Set(before.map(({ id }) => id));
  const then = method.steps.slice(at + 1).map((step) => {
    let { id } = step;
    while (taken.has(id)) id = `${id}-2`;
    taken.add(id);
    return { ...step, id };
  });
  return {
    ...plan,
    product: method.product,
    method: {
      id: method.id,
      version: method.version,
      ...(method.name === undefined ? {} : { name: method.name }),
      steps: [...before, ...then],
    },
  };
}

/** What was weighed besides stays with the whole; of the part it is only known that its step is over. */
function endOf(state: MakeState, streamId: string, what: ByProduct | undefined, atMs: number): Entry[] {
  const ended = state.steps.find(({ step }) => what !== undefined && step.facts.weighs === what);
  return ended ? [{ streamId, atMs, type: 'step-done', data: { step: ended.step.id } }] : [];
}

/**
 * Parts off a share of a make as a make of its own: it has the same past, entry by entry, and a plan of its own from here on.
 * @param part.share of it that goes, 0..1; @param part.jars which jars go along; @param part.method how it goes on, else as it was planned
 * @returns what is to be recorded for both, in order
 * @throws ZodError when the part would have a plan that cannot be
 */
export function splitMake(
  state: MakeState,
  part: {
    readonly id: string;
    readonly name: string;
    readonly share: number;
    readonly jars: readonly string[];
    readonly method: OwnWay | null;
  },
  nowMs: number,
): Entry[] {
  const started = state.events.find((event) => event.type === 'make-started');
  if (!started) throw new TypeError('a make that folds has begun');
  const way = part.method ? goingOn(state, part.method) : state.plan;
  const plan = makePlan.parse({
    ...started.data.plan,
    product: way.product,
    method: way.method,
    name: part.name,
    repeatOf: null,
    splitFrom: state.id,
  });
  const all = fillJars(state.plan).jars.map(({ id }) => id);
  const copies = state.events.flatMap((event): Entry[] => {
    const atMs = instantOf(event);
    if (event.type === 'weighed') return endOf(state, part.id, event.data.of, atMs);
    if (NOT_COPIED.has(event.type)) return [];
    return [{ streamId: part.id, atMs, type: event.type, data: event.data } as Entry];
  });
  let lastMs = Number.NEGATIVE_INFINITY;
  const readings = state.temperatures.flatMap(({ atMs, celsius, instrument }): Entry[] => {
    if (atMs - lastMs < READING_EVERY_MS) return [];
    lastMs = atMs;
    return [
      {
        streamId: part.id,
        atMs,
        type: 'temperature-read',
        data: { celsius, instrument, typed: { value: celsius, unit: 'C' } },
      },
    ];
  });
  return [
    { streamId: part.id, atMs: instantOf(started), type: 'make-started', data: { plan } },
    ...[...copies, ...readings].sort((a, b) => a.atMs - b.atMs),
    {
      streamId: part.id,
      atMs: nowMs,
      type: 'split-off',
      data: {
        makeId: state.id,
        share: 1 - part.share,
        jars: all.filter((id) => !part.jars.includes(id)),
      },
    },
    {
      streamId: state.id,
      atMs: nowMs,
      type: 'split-off',
      data: { makeId: part.id, share: part.share, jars: [...part.jars] },
    },
  ];
}
