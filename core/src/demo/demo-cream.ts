import {
  butterBalance,
  churnAlong,
  gheeForecast,
  gheeStageShare,
  gheeYieldKg,
  piecesOf,
  STAGE_SHARE,
  tooLongMin,
  type ChurnStage,
  type GheeStage,
} from '../science/butter/index.ts';
import type { EventOf, EventType, MakePlan, StepInstance } from '../contract/index.ts';
import { CREAM_CUES, cueProbability, sournessOfPh, type Cue } from '../science/souring/index.ts';
import { FLAME_SHARE, runVessel } from '../science/heat/index.ts';
import { bandForecast, plannedOf, stateOfPlan } from '../make/index.ts';
import { batchOf } from '../setup/index.ts';
import { massOfLitresKg, MILK_FACTS, withFat } from '../science/milk/index.ts';
import { createRandom, hashSeed } from '../science/numerics/index.ts';
import { beginPlan } from '../products/index.ts';
import { creamIn, withLoads } from '../steps/index.ts';
import { LANTERN_FOLD } from './demo-kitchen.ts';
import { trueSouring, type DemoEvent, type HiddenTruth } from './truth.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

const DEVICE = 'dairy-tablet';

/** A make of cream in the demo: how it is played on is its own. */
export interface DemoCream {
  readonly plan: MakePlan;
  /** What is recorded of it until an instant. */
  readonly play: (makeId: string, plan: MakePlan, untilMs: number, members?: number) => DemoEvent[];
}

/** Writes down what a cook tells, until an instant. */
export function notes(cookId: string, untilMs: number) {
  const events: DemoEvent[] = [];
  const say = <T extends EventType>(atMs: number, type: T, data: EventOf<T>['data']): void => {
    if (atMs > untilMs) return;
    const at = new Date(Math.round(atMs)).toISOString();
    events.push({ at, cookId, deviceId: DEVICE, type, data } as DemoEvent);
  };
  return { events, say };
}

/** Begins a make, with what is forecast of it. */
export function begin(
  say: ReturnType<typeof notes>['say'],
  makeId: string,
  plan: MakePlan,
  members: number | undefined,
): void {
  const startMs = Date.parse(plan.startAt);
  const state = stateOfPlan(plan);
  say(startMs, 'make-started', { plan });
  say(startMs, 'planned', {
    forecast: plannedOf(state, bandForecast(state, startMs, hashSeed(makeId), members)),
  });
}

export const grams = (massKg: number) => ({ value: Math.round(massKg * 1000), unit: 'g' }) as const;
const ownCream = (litres: number, fatFraction: number): MakePlan['milk'] => ({
  litres,
  typed: { value: litres, unit: 'L' },
  kind: 'cow-lean',
  treatment: 'raw',
  fatFraction,
  startC: 5,
});

/** Cream ripening on the dairy shelf, looked at by somebody who smells it first. */
function ripening(name: string, litres: number, startMs: number, looksH: readonly number[]): DemoCream {
  const base = beginPlan('cultured-cream', LANTERN_FOLD, new Date(startMs).toISOString(), litres);
  const milk = ownCream(litres, 0.33);
  const creamKg = massOfLitresKg(litres, withFat(MILK_FACTS['cow-lean'].composition, 0.33));
  const massKg = Math.round(creamKg * 0.075 * 1000) / 1000;
  const plan: MakePlan = {
    ...base,
    name,
    milk,
    starter: { ...base.starter, ageD: 4, massKg, typed: grams(massKg) },
    pot: LANTERN_FOLD.pots[2]!,
    roomC: 20.5,
  };
  return {
    plan,
    play: (makeId, own, untilMs, members) => {
      const random = createRandom(hashSeed(`cream ${name} ${litres}`));
      const truth: HiddenTruth = {
        rate: 1.08 * Math.exp(0.08 * random.normal()),
        placeOffC: 0.6,
        burner: 1,
        loss: 1,
        lagFactor: 1,
        countOff: 0.1 * random.normal(),
      };
      const { events, say } = notes(LANTERN_FOLD.cooks[1]!.id, untilMs);
      begin(say, makeId, own, members);
      say(startMs + 5 * MINUTE_MS, 'step-done', { step: 'pour' });
      const zero = startMs + 11 * MINUTE_MS;
      const { starter } = own;
      say(zero, 'starter-added', { massKg: starter.massKg, statedRatio: null, typed: starter.typed });
      const souring = trueSouring(own, truth, startMs, zero, own.milk.startC);
      if (!souring) return events;
      const pick = (ph: number): Cue => {
        let left = random.uniform();
        return CREAM_CUES.find((cue) => (left -= cueProbability(cue, ph, 0)) < 0) ?? 'curdled';
      };
      for (const h of looksH) {
        const ph = souring.truePh(h);
        say(zero + h * HOUR_MS, 'cue-seen', { cue: pick(ph), cleanSmell: ph < 5.3 ? true : null });
        const read = Math.round((souring.trueC(h) + 0.2 * random.normal()) * 10) / 10;
        say(zero + h * HOUR_MS + MINUTE_MS, 'temperature-read', {
          celsius: read,
          instrument: 'hand',
          typed: { value: read, unit: 'C' },
        });
        if (ph > 4.72) continue;
        const coldMs = zero + (h + 0.1) * HOUR_MS;
        say(coldMs, 'step-done', { step: 'ripen' });
        say(coldMs + 13 * HOUR_MS, 'step-done', { step: 'thicken' });
        const outKg = Math.round((creamKg + massKg - 0.008) * 1000) / 1000;
        say(coldMs + 13.1 * HOUR_MS, 'weighed', { massKg: outKg, typed: grams(outKg) });
        say(coldMs + 13.2 * HOUR_MS, 'tasted', {
          sourness: sournessOfPh(souring.truePh(h + 0.1)),
          texture: 'spoonable',
          text: 'A spoon stands in it.',
        });
        say(coldMs + 13.3 * HOUR_MS, 'reserved', { massKg: 0.06, typed: grams(0.06) });
        say(coldMs + 13.4 * HOUR_MS, 'finished', { verdict: 'kept', reason: '' });
        break;
      }
      return events;
    },
  };
}

const stepOf = <K extends StepInstance['kind']>(plan: MakePlan, kind: K) =>
  plan.method.steps.find((s): s is Extract<StepInstance, { kind: K }> => s.kind === kind)!;

/** How one churning of the demo differs from the others. */
interface ChurningSketch {
  readonly name: string;
  readonly litres: number;
  readonly toC?: number;
  readonly roomC?: number;
  readonly fat?: number;
  readonly feed?: 'grass' | 'hay';
  readonly ripened?: boolean;
  readonly salt?: number;
  /** Begun straight from the cold, until somebody asked how warm it was. */
  readonly cold?: boolean;
  readonly note?: string;
}

/** Straight from the cold, °C: as it was begun, as it was when it took too long, and after its bath. */
const COLD_STORY = { begunC: 7, readC: 9.2, bathMin: 8, warmedC: 13 } as const;

/** A churning in the barrel, played from a cream that is a little leaner than anybody knows. */
function churning(sketch: ChurningSketch, startMs: number): DemoCream {
  const { name, litres, fat = 0.34, salt = 0.012, cold = false } = sketch;
  const base = beginPlan('butter', LANTERN_FOLD, new Date(startMs).toISOString(), litres);
  const plan = withLoads({
    ...base,
    name,
    milk: {
      ...ownCream(litres, fat),
      ...(sketch.feed && { feed: sketch.feed }),
      ...(sketch.ripened && { soured: true }),
    },
    pot: LANTERN_FOLD.pots[0]!,
    ...(sketch.roomC !== undefined && { roomC: sketch.roomC }),
    method: {
      ...base.method,
      steps: base.method.steps.map((step) => {
        if (step.kind === 'work') return { ...step, saltFraction: salt };
        return step.kind === 'temper' && sketch.toC !== undefined ? { ...step, toC: sketch.toC } : step;
      }),
    },
  });
  return {
    plan,
    play: (makeId, own, untilMs, members) => {
      const random = createRandom(hashSeed(`churn ${name} ${litres}`));
      const { events, say } = notes(LANTERN_FOLD.cooks[0]!.id, untilMs);
      const read = (at: number, celsius: number): void =>
        say(at, 'temperature-read', { celsius, instrument: 'hand', typed: { value: celsius, unit: 'C' } });
      begin(say, makeId, own, members);
      let atMs = startMs + 4 * MINUTE_MS;
      say(atMs, 'step-done', { step: 'take-out' });
      const { composition, litres: poured, massKg: creamKg } = batchOf(own);
      const temper = stepOf(own, 'temper');
      const churn = stepOf(own, 'churn');
      const startC = cold ? COLD_STORY.begunC : temper.toC;
      const warming = runVessel(
        {
          composition,
          litres: poured,
          startC: own.milk.startC,
          airC: own.roomC,
          lidded: true,
          lossFactor: 1.1,
        },
        startC,
      );
      atMs += warming.minutes * MINUTE_MS;
      read(atMs, Math.round((startC + 0.3 * random.normal()) * 10) / 10);
      say(atMs + MINUTE_MS, 'step-done', { step: 'temper' });
      const trueFat = composition.fatFraction * 0.94;
      const truth = {
        ...creamIn(own, { step: churn }, startC, startMs),
        fatFraction: trueFat,
      };
      const beganMs = atMs + 2 * MINUTE_MS;
      // Asked how warm it is once it takes too long, and warmed in a bath.
      const askedMin = cold ? tooLongMin(truth) + 3 : Infinity;
      const heats = cold
        ? [
            { minutes: askedMin, celsius: COLD_STORY.readC },
            { minutes: askedMin + COLD_STORY.bathMin, celsius: COLD_STORY.warmedC },
          ]
        : [];
      const along = churnAlong(truth, { heats, seen: [] });
      const slower = 1.15 * Math.exp(0.12 * random.normal());
      const minutes = cold ? askedMin + COLD_STORY.bathMin + 9 * slower : along.minutes * slower;
      const seen: readonly ChurnStage[] = cold ? ['froth'] : ['soft', 'stiff', 'yellow'];
      for (const stage of seen)
        say(beganMs + STAGE_SHARE[stage] * minutes * MINUTE_MS * (1 + 0.03 * random.normal()), 'stage-seen', {
          stage,
        });
      if (cold) {
        read(beganMs + askedMin * MINUTE_MS, COLD_STORY.readC);
        say(beganMs + (askedMin + 1) * MINUTE_MS, 'noted', {
          text: 'Far too cold: stood the churn in warm water and turned it slowly.',
        });
        read(beganMs + (askedMin + COLD_STORY.bathMin) * MINUTE_MS, COLD_STORY.warmedC);
      }
      say(beganMs + minutes * MINUTE_MS, 'stage-seen', { stage: 'broken' });
      atMs = beganMs + (minutes + 1.5) * MINUTE_MS;
      say(atMs, 'step-done', { step: 'churn' });
      const { butterKg } = butterBalance({
        creamKg,
        creamFatFraction: trueFat,
        buttermilkFatFraction: along.buttermilkFatFraction,
        butterFatFraction: 0.815,
      });
      const outKg = Math.round((butterKg - 0.006) * 1000) / 1000;
      const buttermilkKg = Math.round((creamKg - butterKg - 0.02) * 1000) / 1000;
      say(atMs + 6 * MINUTE_MS, 'weighed', {
        massKg: buttermilkKg,
        typed: grams(buttermilkKg),
        of: 'buttermilk',
      });
      for (const n of [1, 2, 3]) say(atMs + (6 + 4 * n) * MINUTE_MS, 'rinsed', { clear: n === 3 });
      say(atMs + 21 * MINUTE_MS, 'step-done', { step: 'wash' });
      const saltKg = Math.round(outKg * salt * 1000) / 1000;
      if (saltKg > 0) say(atMs + 30 * MINUTE_MS, 'salted', { massKg: saltKg, typed: grams(saltKg) });
      say(atMs + 34 * MINUTE_MS, 'step-done', { step: 'work' });
      say(atMs + 37 * MINUTE_MS, 'weighed', { massKg: outKg + saltKg, typed: grams(outKg + saltKg) });
      say(atMs + 39 * MINUTE_MS, 'shaped', {
        pieces: [...piecesOf(outKg + saltKg, PIECE_KG)],
        typed: grams(PIECE_KG),
      });
      if (sketch.note) say(atMs + 40 * MINUTE_MS, 'noted', { text: sketch.note });
      say(atMs + 41 * MINUTE_MS, 'finished', { verdict: 'kept', reason: '' });
      return events;
    },
  };
}

/** Stall butter is sold in such pieces, kg. */
const PIECE_KG = 0.23;

/** Ghee of stall butter that did not sell, on a ring that gives less than its plate says. */
function clarifying(name: string, butterKg: number, startMs: number): DemoCream {
  const base = beginPlan('ghee', LANTERN_FOLD, new Date(startMs).toISOString(), butterKg);
  return {
    plan: { ...base, name },
    play: (makeId, own, untilMs, members) => {
      const random = createRandom(hashSeed(`ghee ${name} ${butterKg}`));
      const { events, say } = notes(LANTERN_FOLD.cooks[0]!.id, untilMs);
      begin(say, makeId, own, members);
      const clarify = stepOf(own, 'clarify');
      const { composition } = batchOf(own);
      const truth = gheeForecast({
        butterKg,
        moistureFraction: clarify.moistureFraction + 0.015,
        fatFraction: composition.fatFraction - 0.015,
        startC: own.milk.startC,
        burnerKw: own.burner.powerKw * 0.84,
        flameFraction: FLAME_SHARE[clarify.flame],
        doneC: clarify.doneC,
        altitudeM: own.altitudeM,
      });
      const at = (minutes: number): number => startMs + minutes * MINUTE_MS;
      const panKg = 1.184 + butterKg;
      say(at(0.5), 'pan-weighed', { massKg: panKg, typed: grams(panKg) });
      for (const stage of ['foam', 'foam-thin', 'clear', 'gold'] satisfies GheeStage[])
        say(at(truth.minutes * gheeStageShare(truth, stage) * (1 + 0.02 * random.normal())), 'stage-seen', {
          stage,
        });
      const offMs = at(truth.minutes + 0.3);
      const hot = Math.round(clarify.doneC + random.normal());
      say(offMs - MINUTE_MS / 3, 'temperature-read', {
        celsius: hot,
        instrument: 'hand',
        typed: { value: hot, unit: 'C' },
      });
      say(offMs, 'step-done', { step: 'clarify' });
      say(offMs + 13 * MINUTE_MS, 'step-done', { step: 'settle' });
      say(offMs + 21 * MINUTE_MS, 'step-done', { step: 'filter' });
      const outKg =
        Math.round(
          gheeYieldKg({ butterKg, fatFraction: composition.fatFraction - 0.015 }, clarify.school === 'skim') *
            1000,
        ) / 1000;
      say(offMs + 24 * MINUTE_MS, 'weighed', { massKg: outKg, typed: grams(outKg) });
      say(offMs + 25 * HOUR_MS, 'step-done', { step: 'cool-ghee' });
      say(offMs + 25.1 * HOUR_MS, 'finished', { verdict: 'kept', reason: '' });
      return events;
    },
  };
}

/** What the fold made of cream before today: a churning in each season, one of them begun far too cold. */
export const demoCreamPast = (nowMs: number): DemoCream[] => [
  churning(
    { name: 'Winter butter', litres: 1.9, toC: 13.5, roomC: 15, feed: 'hay', fat: 0.32 },
    nowMs - 301.2 * DAY_MS,
  ),
  churning(
    {
      name: 'Spring butter',
      litres: 2.2,
      roomC: 16,
      feed: 'hay',
      cold: true,
      note: 'Next time measure first: it was hard as wax when I began.',
    },
    nowMs - 228.3 * DAY_MS,
  ),
  churning(
    {
      name: 'Meadow butter',
      litres: 2.5,
      toC: 11,
      roomC: 22,
      feed: 'grass',
      fat: 0.36,
      salt: 0.016,
      note: 'Very yellow, firm enough after the second wash.',
    },
    nowMs - 147.1 * DAY_MS,
  ),
  churning(
    { name: 'Ripened butter', litres: 2, toC: 15, roomC: 20, feed: 'grass', ripened: true, salt: 0 },
    nowMs - 82.2 * DAY_MS,
  ),
  ripening('Stall cream', 1.4, nowMs - 6 * DAY_MS, [9, 12, 14, 16, 18, 20, 23, 26]),
  churning({ name: 'Barrel butter', litres: 2.3 }, nowMs - 22 * DAY_MS),
  churning({ name: 'Barrel butter', litres: 2.1 }, nowMs - 2.2 * DAY_MS),
  clarifying('Ghee of stall butter', 0.74, nowMs - 9.3 * DAY_MS),
];

/** Cream ripening in mid-course. */
export const demoRipening = (nowMs: number): DemoCream =>
  ripening('Stall cream', 1.6, nowMs - 11.5 * HOUR_MS, [8, 11]);

/** A churning to be taken out soon; it waits for its cream. */
export const demoChurningDue = (nowMs: number): DemoCream =>
  churning({ name: 'Butter from the pot', litres: 1 }, nowMs + 35 * MINUTE_MS);
