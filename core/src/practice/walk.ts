import type { DraftEvent, PracticeHand } from '../contract/index.ts';
import { boilingPointC, denaturedByDose } from '../science/heat/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import { doneEntries, foldMake, makeFlow, type MakeState, type StepState } from '../make/index.ts';
import { productOf } from '../products/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';
import { serumLeft, workOf, type Curd, type Work } from '../steps/index.ts';
import { chills, crockOf, fillBath, onStove, stands, tempers, waits, type Crock } from './crock.ts';
import { FRESH_PH, truePh } from './sours.ts';
import { churns, clarifies, drains, pourWater, sets } from './works.ts';
import { practiceId } from './practice-id.ts';
import type { PracticeWorld } from './world.ts';

/** Who writes the entries of a practice. */
export const PRACTICE_DEVICE = 'practice';

/** A crock as it truly is at an instant. */
export interface Moment extends Readonly<Crock> {
  readonly atMs: number;
  /** `null` where nothing sours. */
  readonly ph: number | null;
  readonly denatured: number;
  readonly boilC: number;
  /** What happens to it, and in which step; `null` when all is done. */
  readonly work: Work;
  readonly step: string | null;
}

/** A practice as it truly went, and goes on if nobody lifts a hand. */
export interface PracticeWalk {
  readonly state: MakeState;
  readonly moments: readonly Moment[];
}

/** How finely each work is followed, s; and how far it is looked ahead, h. */
const FINE: Readonly<Record<Work, { readonly stepS: number; readonly aheadH: number }>> = {
  stove: { stepS: 10, aheadH: 4 },
  place: { stepS: 120, aheadH: 60 },
  temper: { stepS: 30, aheadH: 12 },
  churn: { stepS: 5, aheadH: 3 },
  pan: { stepS: 5, aheadH: 3 },
  cloth: { stepS: 120, aheadH: 40 },
  set: { stepS: 30, aheadH: 12 },
  bowl: { stepS: 60, aheadH: 4 },
  cold: { stepS: 120, aheadH: 40 },
  hands: { stepS: 60, aheadH: 12 },
};

const started = (world: PracticeWorld, id: string, atMs: number): LoggedEvent => ({
  id: `${id.slice(0, 20)}BEG000`,
  streamId: id,
  at: new Date(atMs).toISOString(),
  cookId: null,
  deviceId: PRACTICE_DEVICE,
  version: 4,
  type: 'make-started',
  data: { plan: { ...world.plan, startAt: new Date(atMs).toISOString() } },
});

/** Time that what was done before a lesson begins took, each. */
const BEFORE_MS = 2 * MINUTE_MS;

/** What was done before practice begins: each step as it was planned. */
function before(world: PracticeWorld, id: string): LoggedEvent[] {
  const { at } = world.begins;
  if (at === undefined) return [started(world, id, world.startMs)];
  const ids = world.plan.method.steps.map((step) => step.id);
  const many = Math.max(1, ids.indexOf(at));
  const events: LoggedEvent[] = [started(world, id, world.startMs - many * BEFORE_MS)];
  for (let n = 1; n <= many; n++) {
    const state = foldMake(id, events);
    if (!state?.current || state.current.step.id === at) break;
    for (const said of doneEntries(state))
      events.push({
        id: `${id.slice(0, 20)}BEF${String(events.length).padStart(3, '0')}`,
        streamId: id,
        at: new Date(world.startMs - (many - n) * BEFORE_MS - 1).toISOString(),
        cookId: null,
        deviceId: PRACTICE_DEVICE,
        version: 4,
        ...said,
      });
  }
  return events;
}

const told = (hands: readonly PracticeHand[]): DraftEvent[] =>
  hands.flatMap((hand) => (hand.kind === 'told' ? [hand.event] : []));

/** The log of a practice as a batch in earnest would have it. */
export const eventsOf = (world: PracticeWorld, hands: readonly PracticeHand[], id: string): LoggedEvent[] => [
  ...before(world, id),
  ...told(hands),
];

/** Hands on stove and crock as they change it. */
function does(
  world: PracticeWorld,
  crock: Crock,
  hand: PracticeHand,
  atMs: number,
  bowl: StepState | undefined,
): void {
  switch (hand.kind) {
    case 'flame':
      crock.flame = hand.to;
      return;
    case 'lid':
      crock.lidded = hand.on;
      return;
    case 'stir':
      crock.unstirredS = 0;
      crock.skin = 0;
      return;
    case 'bath':
      fillBath(world, crock, hand.to);
      return;
    case 'move':
      crock.place = hand.to;
      crock.placedMs = atMs;
      return;
    default:
      tells(world, crock, hand.event, bowl);
  }
}

/** Entries that are hands as well. */
function tells(world: PracticeWorld, crock: Crock, event: DraftEvent, bowl: StepState | undefined): void {
  switch (event.type) {
    case 'churn-rested':
      crock.churning = !event.data.resting;
      return;
    case 'water-poured':
      pourWater(world, crock, event.data);
      return;
    case 'rinsed': {
      if (bowl) crock.serum *= serumLeft({ step: bowl.step.instance }, 1);
      crock.rinses++;
      return;
    }
    case 'salted':
      crock.saltKg += event.data.massKg;
      return;
    case 'whey-returned':
      crock.wheyKg = Math.max(0, crock.wheyKg - event.data.massKg);
      return;
    default:
  }
}

const interpolated = [
  'celsius',
  'churned',
  'dried',
  'climbed',
  'wheyKg',
  'set',
  'skin',
  'toBoil',
  'overMin',
] as const;

/** A crock at an instant of its walk. @throws RangeError for a walk without moments */
export function momentAt({ moments }: Pick<PracticeWalk, 'moments'>, ms: number): Moment {
  let low = 0;
  let high = moments.length - 1;
  if (high < 0) throw new RangeError('a walk has moments');
  while (low < high) {
    const mid = Math.ceil((low + high) / 2);
    if (moments[mid]!.atMs <= ms) low = mid;
    else high = mid - 1;
  }
  const from = moments[low]!;
  const to = moments[low + 1];
  if (!to || ms <= from.atMs || to.step !== from.step) return from;
  const share = (ms - from.atMs) / (to.atMs - from.atMs);
  const between: Record<string, number> = {};
  for (const key of interpolated) between[key] = from[key] + share * (to[key] - from[key]);
  return {
    ...from,
    ...between,
    atMs: ms,
    ph: from.ph === null || to.ph === null ? from.ph : from.ph + share * (to.ph - from.ph),
  };
}

/**
 * A practice walked from its beginning by what hands did, and on from there with nobody lifting one. The same world and the
 * same hands give the same walk.
 * @param hands in order of time @param untilMs at least so far, ms since 1970
 * @param ahead whether it goes on from there as far as is worth looking
 * @example momentAt(walkPractice(world, [], world.startMs), world.startMs).celsius // as it stood
 */
export function walkPractice(
  world: PracticeWorld,
  hands: readonly PracticeHand[],
  untilMs: number,
  id = practiceId(1),
  ahead = true,
): PracticeWalk {
  const events = eventsOf(world, hands, id);
  const state = foldMake(id, events)!;
  const crock = crockOf(world);
  const boilC = boilingPointC(world.plan.altitudeM);
  const { goods } = productOf(world.plan);
  const samples: Moment[] = [];
  const { steps } = state;
  const bowl = steps.find(({ step }) => workOf(step.kind) === 'bowl');
  let no = 0;
  /** The step at an instant: those that are over by then are passed. */
  const stepAt = (ms: number): StepState | null => {
    while (no < steps.length && steps[no]!.endedAtMs !== null && steps[no]!.endedAtMs! <= ms) no++;
    return steps[no] ?? null;
  };
  const kindOf = (step: StepState | null): Work => (step ? workOf(step.step.kind) : 'hands');
  const sample = (atMs: number, step: StepState | null): void => {
    samples.push({
      ...crock,
      atMs,
      ph: null,
      denatured: denaturedByDose(crock.heatDose),
      boilC,
      work: kindOf(step),
      step: step?.step.id ?? null,
    });
  };
  let next = 0;
  let curd: Curd | null = null;
  let atMs = world.startMs;
  const lastHandMs = world.startMs + (hands.at(-1)?.atMs ?? 0);
  const endMs = Math.max(untilMs, lastHandMs);
  for (;;) {
    while (next < hands.length && world.startMs + hands[next]!.atMs <= atMs) {
      does(world, crock, hands[next]!, atMs, bowl);
      next++;
    }
    const step = stepAt(atMs);
    sample(atMs, step);
    const work = kindOf(step);
    const { stepS, aheadH } = FINE[work];
    if (atMs >= endMs && (!ahead || atMs >= lastHandMs + aheadH * HOUR_MS)) break;
    const handMs = next < hands.length ? world.startMs + hands[next]!.atMs : Infinity;
    // Not a step too far: a fraction of a millisecond more would be told as a whole step more.
    const toMs = Math.min(atMs + stepS * 1000, handMs, ahead ? Infinity : endMs);
    const dtS = (toMs - atMs) / 1000;
    const own = step && { instance: step.step.instance, goods };
    switch (work) {
      case 'stove':
        onStove(world, crock, atMs, dtS);
        break;
      case 'place':
        stands(world, crock, atMs, dtS);
        break;
      case 'temper':
        tempers(world, crock, own!.instance, atMs, dtS);
        break;
      case 'churn':
        churns(world, crock, own!, atMs, dtS, () => stands(world, crock, atMs, dtS));
        break;
      case 'pan':
        clarifies(world, crock, own!.instance, atMs, dtS);
        break;
      case 'cloth':
        curd ??= makeFlow(state, denaturedByDose(crock.heatDose)).into.get(step!.step.id)!;
        drains(world, crock, own!, curd, atMs, dtS);
        break;
      case 'set':
        sets(world, crock, dtS);
        stands(world, crock, atMs, dtS);
        break;
      case 'cold':
        chills(world, crock, dtS);
        break;
      case 'bowl':
      case 'hands':
        waits(world, crock, atMs, dtS);
    }
    atMs = toMs;
  }
  const ph = truePh(
    world,
    state,
    samples.map(({ atMs: ms, celsius }): readonly [number, number] => [ms, celsius]),
  );
  const moments = ph
    ? samples.map((moment) => ({
        ...moment,
        ph: moment.atMs < (state.inoculatedAtMs ?? 0) ? FRESH_PH : ph(moment.atMs),
      }))
    : samples;
  return { state, moments };
}
