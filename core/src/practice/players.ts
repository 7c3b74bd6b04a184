import { EVENT_VERSION } from '../contract/index.ts';
import type { DraftEvent, PracticeHand } from '../contract/index.ts';
import { churnWindowC } from '../science/butter/index.ts';
import { placeAmbientC } from '../science/heat/index.ts';
import { warmCulture } from '../science/souring/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';
import { doneEntries, makeAt, souringOf, type MakeState } from '../make/index.ts';
import { heatTargetC, markPh, saltWantedKg, type Said } from '../steps/index.ts';
import { roomC } from './crock.ts';
import type { Practised } from './exercise.ts';
import { firmnessAhead, outcomeOf, type Outcome } from './outcome.ts';
import { practiceId } from './practice-id.ts';
import { PRACTICE_DEVICE, walkPractice, type Moment, type PracticeWalk } from './walk.ts';

type WithoutTime<H> = H extends { readonly atMs: number } ? Omit<H, 'atMs'> : never;
/** What hands do at a moment: to the stove and the crock, or what they say of the batch. */
export type Act =
  WithoutTime<Exclude<PracticeHand, { kind: 'told' }>> | { readonly kind: 'say'; readonly said: Said };
/** What a player does: an act, or calling the present step done. */
export type Play = Act | { readonly kind: 'done' };

/** An act as a hand of the log. @param n how many hands went before @param no the batch */
export function handOf(act: Act, atMs: number, startMs: number, n: number, no = 1): PracticeHand {
  const at = Math.round(atMs - startMs);
  if (act.kind !== 'say') return { ...act, atMs: at };
  const id = practiceId(no);
  return {
    kind: 'told',
    atMs: at,
    event: {
      id: `${id.slice(0, 18)}${String(n).padStart(8, '0')}`,
      streamId: id,
      at: new Date(startMs + at).toISOString(),
      cookId: null,
      deviceId: PRACTICE_DEVICE,
      version: EVENT_VERSION,
      ...act.said,
    } as DraftEvent,
  };
}

/** What somebody knows who decides: how it stands, and what was told so far. */
interface Seen {
  readonly of: Practised;
  readonly state: MakeState;
  readonly moment: Moment;
  /** What was done in this step. */
  readonly acts: readonly PracticeHand[];
}
/** One who plays: what to do at a moment, nothing to wait on. */
export type Player = (seen: Seen) => readonly Play[];

const DONE: Play = { kind: 'done' };

const STIRS_EVERY_S = 150;
/** How far a held pot may go over what is wanted before the fire goes out, and under it before it comes back, K. */
const HOLD_OVER_K = 2;
const HOLD_UNDER_K = 0.4;
/** What the cultures like at least, and how warm is too warm, °C. */
const LIKES = { warm: [39, 47], cool: [19, 30] } as const;
const CLEAR_SERUM = 0.035;

const onTheStove: Player = ({ of, state, moment, acts }) => {
  const { plan } = of.world;
  const { facts } = state.current!.step;
  const wantedC = heatTargetC(plan);
  const stir: Play[] = moment.unstirredS > STIRS_EVERY_S && moment.flame !== 'off' ? [{ kind: 'stir' }] : [];
  if (facts.moves === 'down') {
    if (moment.flame !== 'off') return [{ kind: 'flame', to: 'off' }];
    return moment.celsius <= plan.inoculateC + 0.5 ? [DONE] : [];
  }
  if (facts.moves === 'up') {
    const want = plan.heat.kind === 'boil' ? 'full' : 'medium';
    if (moment.celsius >= wantedC) return [{ kind: 'flame', to: 'low' }, { kind: 'stir' }, DONE];
    // What it gives on medium may not be enough.
    const slow = moment.flame === 'medium' && acts.length > 0 && heatingMin(acts, moment, of) > 50;
    if (moment.flame !== want && moment.flame !== 'full')
      return [{ kind: 'flame', to: want }, { kind: 'stir' }];
    return slow ? [{ kind: 'flame', to: 'full' }] : stir;
  }
  const held = (moment.atMs - state.current!.startedAtMs!) / MINUTE_MS;
  if (held >= plan.heat.holdMin + 1) return [{ kind: 'flame', to: 'off' }, DONE];
  if (moment.celsius > wantedC + HOLD_OVER_K && moment.flame !== 'off') return [{ kind: 'flame', to: 'off' }];
  if (moment.celsius < wantedC + HOLD_UNDER_K) {
    if (moment.flame !== 'medium' && moment.flame !== 'full')
      return [{ kind: 'flame', to: 'medium' }, { kind: 'stir' }];
    // A weak burner does not keep it up on medium.
    if (moment.flame === 'medium' && moment.celsius < wantedC)
      return [{ kind: 'flame', to: 'full' }, { kind: 'stir' }];
  }
  return stir;
};
const heatingMin = (acts: readonly PracticeHand[], { atMs }: Moment, { world }: Practised): number =>
  (atMs - world.startMs - acts[0]!.atMs) / MINUTE_MS;

const whereItSours: Player = ({ of, state, moment, acts }) => {
  const { plan, truth } = of.world;
  const warm = warmCulture(plan.starter.kind);
  const [least, most] = LIKES[warm ? 'warm' : 'cool'];
  const souring = souringOf(state);
  const ready = souring ? (markPh(souring, plan, 'ready') ?? 4.5) : 4.5;
  if (souring && state.current!.step.facts.sours) {
    if (moment.ph !== null && moment.ph <= ready) return [DONE];
  } else if ((moment.atMs - state.current!.startedAtMs!) / MINUTE_MS >= 30) return [DONE];
  const heldC = placeAmbientC(plan.place, roomC(of.world, moment.atMs), 0) + truth.placeOffC;
  if (!acts.some(({ kind }) => kind === 'bath' || kind === 'move')) {
    if (heldC < least) return warm ? [{ kind: 'bath', to: 'warm' }] : [{ kind: 'move', to: 'cupboard' }];
    if (heldC > most) return [warm ? { kind: 'bath', to: 'warm' } : { kind: 'move', to: 'counter' }];
  }
  const fresh = acts.some((hand) => hand.kind === 'told' && hand.event.type === 'starter-added');
  if (truth.lnCells < -1.5 && !fresh) {
    const { massKg, statedRatio, typed } = plan.starter;
    return [{ kind: 'say', said: { type: 'starter-added', data: { massKg, statedRatio, typed } } }];
  }
  return [];
};

const atTheChurn: Player = ({ of, moment }) => {
  if (moment.churned >= 1) return [DONE];
  const [low, high] = churnWindowC(of.world.plan.milk);
  if (moment.bath === 'none') {
    if (moment.celsius < low + 0.5) return [{ kind: 'bath', to: 'warm' }];
    if (moment.celsius > high + 2.5) return [{ kind: 'bath', to: 'iced' }];
    return [];
  }
  const there = moment.bath === 'warm' ? moment.celsius >= (low + high) / 2 : moment.celsius <= high;
  return there ? [{ kind: 'bath', to: 'none' }] : [];
};

const tempering: Player = ({ of, state, moment }) => {
  const { aim } = state.current!.step;
  const toC = aim?.to === 'heat' ? aim.celsius : 13;
  const from = of.world.begins.celsius ?? of.world.plan.milk.startC;
  if (Math.abs(moment.celsius - toC) < 0.4 || (from < toC ? moment.celsius > toC : moment.celsius < toC))
    return [{ kind: 'move', to: 'fridge' }, DONE];
  if (moment.place === 'planned') return [{ kind: 'move', to: from < toC ? 'counter' : 'fridge' }];
  // A kitchen too cold for it: warm water.
  return moment.bath === 'none' && roomC(of.world, moment.atMs) < toC + 1 && from < toC
    ? [{ kind: 'bath', to: 'warm' }]
    : [];
};

const atThePan: Player = ({ moment }) => {
  if (moment.climbed >= 0.75) return [{ kind: 'flame', to: 'off' }, DONE];
  const wanted = moment.dried >= 1 ? 'low' : 'medium';
  return moment.flame === wanted ? [] : [{ kind: 'flame', to: wanted }];
};

const atTheBowl: Player = ({ moment }) =>
  moment.serum > CLEAR_SERUM
    ? [{ kind: 'say', said: { type: 'rinsed', data: { clear: moment.serum < 0.15 } } }]
    : [DONE];

/** Milk powder goes in by so much at a time, kg. */
const POWDER_STEP_KG = 0.01;
/** What milk that is held well has unfolded of its whey protein. */
const HELD_WELL = 0.95;

/** Nobody whisks more into a pot, kg. */
const MOST_POWDER_KG = 0.2;
/** Skimmed-milk powder whisked into the cold milk: so much of it in all. @param massKg above 0 */
export const powderIn = (massKg: number) => ({
  type: 'replanned' as const,
  data: {
    powder: {
      kind: 'skim' as const,
      massKg,
      typed: { value: Math.round(massKg * 1e5) / 100, unit: 'g' as const },
    },
    why: '',
  },
});

/** Powder that is still missing for milk as firm as is wanted; `null` where none is. */
function powderWanted({ of, state }: Seen): Said | null {
  const least = of.aims.find(({ id }) => id === 'firm')?.range?.[0];
  if (least === undefined || !of.powder || state.current!.step.facts.inThePot !== 'milk') return null;
  const { plan } = state;
  const firmWith = (massKg: number): number => {
    const milk = massKg > 0 ? { ...plan.milk, powder: powderIn(massKg).data.powder } : plan.milk;
    return firmnessAhead(state, { ...plan, milk }, HELD_WELL) ?? least;
  };
  let massKg = plan.milk.powder?.massKg ?? 0;
  while (massKg < MOST_POWDER_KG && firmWith(massKg) < least + 2) massKg += POWDER_STEP_KG;
  return massKg > (plan.milk.powder?.massKg ?? 0) ? powderIn(massKg) : null;
}

const byHand: Player = (seen) => {
  const { state, moment, acts } = seen;
  const powder = powderWanted(seen);
  if (powder) return [{ kind: 'say', said: powder }];
  const saltKg = saltWantedKg(makeAt(state, moment.atMs));
  const salted = acts.some((hand) => hand.kind === 'told' && hand.event.type === 'salted');
  if (saltKg !== null && saltKg > 0 && !salted)
    return [
      {
        kind: 'say',
        said: {
          type: 'salted',
          data: { massKg: saltKg, typed: { value: Math.round(saltKg * 1e5) / 100, unit: 'g' } },
        },
      },
    ];
  return [DONE];
};

/** Chilled through, °C. */
const CHILLED_C = 7;

/** Who knows all that is true, and does it well: what a world allows. */
export const PERFECT: Player = (seen) => {
  const { moment, of } = seen;
  switch (moment.work) {
    case 'stove':
      return onTheStove(seen);
    case 'place':
      return whereItSours(seen);
    case 'temper':
      return tempering(seen);
    case 'churn':
      return atTheChurn(seen);
    case 'pan':
      return atThePan(seen);
    case 'bowl':
      return atTheBowl(seen);
    case 'cold':
      return moment.celsius <= CHILLED_C ? [DONE] : [];
    case 'set':
      return moment.set >= 1.05 ? [DONE] : [];
    case 'cloth':
      return (outcomeOf(of.world, { state: seen.state, moments: [moment] }, moment.atMs).thick ?? 0) >= 1
        ? [DONE]
        : [];
    default:
      return byHand(seen);
  }
};

/** Who plays looks so far ahead first, h; then to the end. */
const LOOKS_H = [0.3, 6];
/** Nobody does so much. */
const MOST_HANDS = 400;

/**
 * A batch played by somebody, until it ends or its time is over.
 * @param from what hands did already, and when the player takes over; left out, at its beginning
 * @yields how far it is, ms of its time
 * @example played(batch, PERFECT, 14).outcome.safe // true
 */
export function* playing(
  of: Practised,
  player: Player,
  limitH: number,
  from: { readonly hands: readonly PracticeHand[]; readonly atMs: number } = {
    hands: [],
    atMs: of.world.startMs,
  },
): Generator<
  number,
  { readonly hands: readonly PracticeHand[]; readonly walk: PracticeWalk; readonly outcome: Outcome }
> {
  const { world, ends } = of;
  const hands: PracticeHand[] = [...from.hands];
  const limitMs = world.startMs + limitH * HOUR_MS;
  let fromMs = from.atMs;
  /** Walked so far ahead, and further only where nothing is to be done by then. */
  let looks = 0;
  const look = (): PracticeWalk => {
    const untilMs = Math.min(limitMs, fromMs + (LOOKS_H[looks] ?? limitH) * HOUR_MS);
    return walkPractice(world, hands, untilMs, undefined, false);
  };
  let walk = look();
  for (;;) {
    const end = walk.state.steps.find(({ step }) => step.id === ends) ?? walk.state.steps.at(-1)!;
    if (end.endedAtMs !== null || hands.length >= MOST_HANDS) break;
    const { current } = walk.state;
    if (!current) break;
    const since = (current.startedAtMs ?? world.startMs) - world.startMs;
    const acts = hands.filter(({ atMs }) => atMs >= since);
    let chosen: { atMs: number; acts: readonly Play[] } | null = null;
    for (const moment of walk.moments) {
      if (moment.atMs < fromMs || moment.atMs > limitMs) continue;
      const wanted = player({ of, state: walk.state, moment, acts });
      if (wanted.length > 0) {
        chosen = { atMs: moment.atMs, acts: wanted };
        break;
      }
    }
    if (!chosen) {
      // Nothing to do until then: perhaps later.
      if (looks >= LOOKS_H.length) break;
      looks++;
      walk = look();
      continue;
    }
    looks = 0;
    for (const act of chosen.acts) {
      if (act.kind === 'done') {
        for (const said of doneEntries(walk.state))
          hands.push(handOf({ kind: 'say', said }, chosen.atMs, world.startMs, hands.length));
      } else hands.push(handOf(act, chosen.atMs, world.startMs, hands.length));
    }
    // A second later: who does one thing after another is never at the same moment twice.
    fromMs = chosen.atMs + 1000;
    walk = look();
    yield fromMs - world.startMs;
  }
  return { hands, walk, outcome: outcomeOf(world, walk, Math.min(limitMs, walk.moments.at(-1)!.atMs), ends) };
}

/** The same at one go. */
export function played(...of: Parameters<typeof playing>) {
  const run = playing(...of);
  for (;;) {
    const step = run.next();
    if (step.done === true) return step.value;
  }
}

/** Who lifts no hand. */
export const IDLE: Player = () => [];
