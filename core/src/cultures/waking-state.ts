import type { KitchenSettings, MakeSummary, WakingDone, WakingPlan } from '../contract/index.ts';
import { STARTER_FACTS } from '../culture/index.ts';
import { type Alarm, type NextHands } from '../make/index.ts';
import { effectiveEvents, type LoggedEvent } from '../log/index.ts';
import { planWaking, type Feed, type Waking } from './waking.ts';

/** Everything a waking's entries say. */
export interface WakingState {
  readonly id: string;
  readonly plan: WakingPlan;
  readonly startedAtMs: number;
  readonly done: readonly (WakingDone & { readonly atMs: number; readonly eventId: string })[];
  readonly reservedKg: number | null;
  readonly acknowledged: ReadonlySet<string>;
  readonly finished: {
    readonly atMs: number;
    readonly verdict: 'kept' | 'discarded';
    readonly reason: string;
  } | null;
  readonly events: readonly LoggedEvent[];
}

/** Folds a waking; `null` when there is no `waking-started` among its events. */
export function foldWaking(id: string, events: readonly LoggedEvent[]): WakingState | null {
  const effective = effectiveEvents(events);
  const started = effective.find((e) => e.type === 'waking-started');
  if (started?.type !== 'waking-started') return null;
  const done: WakingState['done'][number][] = [];
  const acknowledged = new Set<string>();
  let reservedKg: number | null = null;
  let finished: WakingState['finished'] = null;
  for (const event of effective) {
    const atMs = Date.parse(event.at);
    if (event.type === 'waking-done') done.push({ ...event.data, atMs, eventId: event.id });
    else if (event.type === 'alarm-acknowledged') acknowledged.add(event.data.alarm);
    else if (event.type === 'reserved') reservedKg = event.data.massKg;
    else if (event.type === 'finished')
      finished = { atMs, verdict: event.data.verdict, reason: event.data.reason };
  }
  return {
    id,
    plan: started.data.plan,
    startedAtMs: Date.parse(started.data.plan.startAt),
    done,
    reservedKg,
    acknowledged,
    finished,
    events: effective,
  };
}

/** The plan of a waking from here on. */
export function wakingNow(state: WakingState, kitchen: KitchenSettings, nowMs: number): Waking {
  return planWaking(state.plan, kitchen, state.done, nowMs, state.finished !== null);
}

/** What a waking wants next; `null` when it is through. */
export function wakingStep(waking: Waking): { readonly feed: Feed; readonly wants: 'feed' | 'look' } | null {
  if (waking.finished) return null;
  const feed = waking.feeds.find((f) => f.status !== 'done');
  return feed ? { feed, wants: feed.status === 'standing' ? 'look' : 'feed' } : null;
}

/** The next moment hands are needed. */
export function wakingHands(waking: Waking): NextHands | null {
  const step = wakingStep(waking);
  if (!step) return null;
  return step.wants === 'look'
    ? { act: `Look at feed ${step.feed.n}`, atMs: step.feed.lookMs, mustAct: false }
    : {
        act: waking.scald ? `Scald feed ${step.feed.n}` : `Feed ${step.feed.n}`,
        atMs: step.feed.beginMs,
        mustAct: false,
      };
}

/** Alarms of a waking, unacknowledged. */
export function wakingAlarms(state: WakingState, waking: Waking): Alarm[] {
  const step = wakingStep(waking);
  if (!step) return [];
  const { feed } = step;
  const alarms: Alarm[] = [];
  if (waking.overLimit)
    alarms.push({
      id: `over-${feed.n}-${feed.fedMs ?? 0}`,
      dueAtMs: 0,
      rank: 0,
      mustAct: true,
      title: 'Do not use this feed',
      text: `It stood longer than ${waking.limitH ?? 0} h without being seen set: do not taste it, discard it, clean, and begin again.`,
    });
  else if (step.wants === 'look')
    alarms.push({
      id: `look-${feed.n}-${feed.fedMs ?? 0}-${state.done.length}`,
      dueAtMs: feed.lookMs,
      rank: 3,
      mustAct: false,
      title: `Look at feed ${feed.n}`,
      text: 'It should be set: tilt it. Set and clean in smell, give it the next feed or rest it cold.',
    });
  else
    alarms.push({
      id: `feed-${feed.n}-${state.done.length}`,
      dueAtMs: feed.beginMs,
      rank: 3,
      mustAct: false,
      title: `Feed ${feed.n}`,
      text: waking.scald
        ? 'Scald the milk, let it cool to the feeding heat, then stir the culture in.'
        : 'Stir the culture into the milk.',
    });
  return alarms.filter((a) => !state.acknowledged.has(a.id));
}

/** One line of the Daybook. */
export function wakingSummary(state: WakingState): MakeSummary {
  const litres = state.done
    .filter((d) => d.did === 'fed')
    .reduce((sum, d) => sum + (d.massKg ?? 0) / 1.03, 0);
  return {
    id: state.id,
    name: state.plan.name,
    startedAt: new Date(state.startedAtMs).toISOString(),
    finishedAt: state.finished ? new Date(state.finished.atMs).toISOString() : null,
    status: state.finished ? state.finished.verdict : 'under-way',
    doNotEat: false,
    waking: true,
    product: null,
    litres,
    milk: 'for waking',
    starter: STARTER_FACTS[state.plan.kind].label,
    forecastSetH: [null, null, null],
    seenSetH: null,
    yieldKg: null,
    sourness: null,
    texture: null,
    note: state.finished?.reason ?? null,
  };
}
