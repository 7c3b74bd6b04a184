import { drainedAfter, drainedBy, wheyBackKg } from '../science/curd/index.ts';
import type { EventType, MakePlan, Method } from '../contract/index.ts';
import { cueProbability, MILK_CUES, sournessOfPh, type Cue } from '../science/souring/index.ts';
import { makeFlow, pointForecast, souringOf, stateOfPlan } from '../make/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { createRandom, hashSeed, type Random } from '../science/numerics/index.ts';
import { methodSteps, planOfMethod } from '../products/index.ts';
import { drainingOf, markPh, NOTHING_SEEN, thicknessOf } from '../steps/index.ts';
import { begin, grams, notes, type DemoCream } from './demo-cream.ts';
import { LANTERN_FOLD } from './demo-kitchen.ts';
import { trueSouring, type HiddenTruth } from './truth.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

/** How one make of the cultured shelf differs from its method. */
interface ShelfSketch {
  readonly method: string;
  readonly name: string;
  readonly litres: number;
  /** Begun so long before now, days. */
  readonly daysAgo: number;
  readonly room?: number;
  /** Left in its cloth so much longer than told. */
  readonly drainedLonger?: number;
  /** Nobody looked until it was far too slow; then it was put somewhere warm. */
  readonly rescued?: boolean;
  readonly note?: string;
  readonly say?: string;
}

const SKETCHES: readonly ShelfSketch[] = [
  {
    method: 'acid-set',
    name: 'Acid-set, for the pan',
    litres: 3.4,
    daysAgo: 47,
    say: 'Squeaks. Does not melt, as it should.',
  },
  {
    method: 'clabber',
    name: 'Clabber from Marrow',
    litres: 1.3,
    daysAgo: 38,
    room: 22,
    note: 'Smelled clean the second evening.',
  },
  {
    method: 'buttermilk',
    name: 'Buttermilk, cold week',
    litres: 2.3,
    daysAgo: 31,
    room: 16.5,
    rescued: true,
    note: 'Still liquid after the night: the dairy was far too cold. Into the oven with its lamp.',
    say: 'Good after all.',
  },
  {
    method: 'fresh-rennet',
    name: 'Fresh cheese, the small mould',
    litres: 4.6,
    daysAgo: 26,
    say: 'Sweet, a little soft.',
  },
  {
    method: 'jar-of-two',
    name: 'Two of a jar',
    litres: 2.7,
    daysAgo: 19,
    room: 19,
    say: 'Cream a finger thick.',
  },
  { method: 'yogurt-strained', name: 'Strained, for the stall', litres: 4.2, daysAgo: 15 },
  {
    method: 'skyr',
    name: 'Skyr, left too long',
    litres: 3.3,
    daysAgo: 9,
    drainedLonger: 2.6,
    note: 'Forgot it over the milking: thick as putty. Whey back until it was right.',
    say: 'Nobody would know.',
  },
  { method: 'creamer-spiced', name: 'Creamer for the stall', litres: 0.9, daysAgo: 8 },
  { method: 'frozen-yogurt', name: 'Frozen, plum', litres: 1.6, daysAgo: 7 },
  { method: 'kefir', name: 'Kefir, daily', litres: 0.8, daysAgo: 5.6, room: 19.5 },
  { method: 'kefir', name: 'Kefir, daily', litres: 0.8, daysAgo: 4.6, room: 19.5 },
  {
    method: 'kefir',
    name: 'Kefir, daily',
    litres: 0.8,
    daysAgo: 3.6,
    room: 19.5,
    say: 'Livelier than last week.',
  },
  { method: 'washed-curd', name: 'The wheel on the left', litres: 9.2, daysAgo: 17 },
  { method: 'brined', name: 'White, in brine', litres: 5.4, daysAgo: 3.2 },
];

const methodOf = (id: string): Method => SHIPPED_METHODS.find((method) => method.id === id)!;

/** Plays a make by its method, from a hidden truth: its steps take as long as they take, and somebody writes down what counts. */
function byMethod(sketch: ShelfSketch, nowMs: number): DemoCream {
  const startMs = Math.round((nowMs - sketch.daysAgo * DAY_MS) / (15 * MINUTE_MS)) * 15 * MINUTE_MS;
  const base = planOfMethod(
    methodOf(sketch.method),
    LANTERN_FOLD,
    new Date(startMs).toISOString(),
    sketch.litres,
  );
  const plan: MakePlan = {
    ...base,
    name: sketch.name,
    ...(sketch.room === undefined ? {} : { roomC: sketch.room }),
    pot: [...LANTERN_FOLD.pots]
      .sort((a, b) => a.litres - b.litres)
      .find((p) => p.litres * 0.9 > sketch.litres)!,
  };
  return { plan, play: (makeId, own, untilMs, members) => playShelf(sketch, makeId, own, untilMs, members) };
}

function truthFor(random: Random): HiddenTruth {
  return {
    rate: Math.exp(0.1 * random.normal()),
    placeOffC: 0.4 * random.normal(),
    burner: 1,
    loss: 1,
    lagFactor: 1,
    countOff: 0.1 * random.normal(),
  };
}

/** When somebody looked at what was far too slow, h. */
const RESCUED_H = 13;

/** Longer than this nothing of the demo stands before somebody puts it away, h. */
const LONGEST_H = 60;

function playShelf(
  sketch: ShelfSketch,
  makeId: string,
  plan: MakePlan,
  untilMs: number,
  members: number | undefined,
) {
  const random = createRandom(hashSeed(`shelf ${sketch.name} ${sketch.daysAgo}`));
  const startMs = Date.parse(plan.startAt);
  const { events, say } = notes(LANTERN_FOLD.cooks[sketch.litres > 3 ? 0 : 1]!.id, untilMs);
  begin(say, makeId, plan, members);
  const state = stateOfPlan(plan);
  const point = pointForecast(state, startMs);
  const truth = truthFor(random);
  let atMs = startMs;
  let zero = startMs;
  let sourMs: number | null = null;
  let endPh = 6.6;
  let souring: ReturnType<typeof trueSouring> = null;
  const planned = new Map(
    point.steps.map((time, i) => [time.id, time.endMs - (point.steps[i - 1]?.endMs ?? startMs)] as const),
  );
  const acid = (ms: number): void => {
    if (!souring) return;
    const ph = Math.round((souring.truePh((ms - zero) / HOUR_MS) + 0.1 * random.normal()) * 5) / 5;
    say(ms, 'ph-read', { ph, instrument: 'strip', sigma: null, typed: { value: ph, unit: 'pH' } });
  };
  for (const step of methodSteps(plan)) {
    const about = (planned.get(step.id) ?? step.handsMin * MINUTE_MS) * Math.exp(0.08 * random.normal());
    let endMs = atMs + Math.max(MINUTE_MS, about);
    const done = (): void => say(endMs, 'step-done', { step: step.id });
    if (step.facts.inoculates) {
      zero = endMs;
      const { massKg, statedRatio, typed } = plan.starter;
      if (plan.starter.kind === 'none') done();
      else say(endMs, 'starter-added', { massKg, statedRatio, typed });
      souring = trueSouring(
        plan,
        truth,
        startMs,
        zero,
        point.temperature.findLast(([ms]) => ms <= zero)?.[1] ?? plan.inoculateC,
      );
      atMs = endMs;
      continue;
    }
    if (step.facts.sours && souring) {
      const own = souringOf(state);
      const readyPh = own && markPh(own, plan, 'ready');
      if (readyPh !== null) {
        let hour = 1;
        while (hour < LONGEST_H && souring.truePh(hour) > readyPh) hour += 0.25;
        const pick = (ph: number): Cue => {
          let left = random.uniform();
          return (
            MILK_CUES.find((cue) => (left -= cueProbability(cue, ph, souring?.denatured ?? 0)) < 0) ?? 'set'
          );
        };
        if (sketch.rescued) {
          say(zero + RESCUED_H * HOUR_MS, 'cue-seen', { cue: 'liquid', cleanSmell: null });
          say(zero + (RESCUED_H + 0.1) * HOUR_MS, 'replanned', {
            place: LANTERN_FOLD.places.find(({ kind }) => kind === 'oven-lamp')!,
            why: 'a warm place, to hurry it',
          });
          // In the warm it does in a few hours what the cold had kept it from.
          hour = RESCUED_H + Math.min(6, Math.max(3, (hour - RESCUED_H) * 0.35));
        }
        for (const share of [0.7, 1]) {
          const lookMs = zero + share * hour * HOUR_MS;
          const ph = share === 1 ? readyPh : souring.truePh(share * hour);
          say(lookMs, 'cue-seen', {
            cue: share === 1 ? 'set' : pick(ph),
            cleanSmell: ph < 5.3 ? true : null,
          });
        }
        acid(zero + (hour + 0.05) * HOUR_MS);
        endPh = sketch.rescued ? readyPh : souring.truePh(hour);
        endMs = zero + (hour + 0.1) * HOUR_MS;
      } else {
        // A rennet cheese sours on in its press: its acid is measured there.
        let hour = 2;
        while (hour < 40 && souring.truePh(hour) > 5.1) hour += 0.5;
        sourMs = zero + hour * HOUR_MS;
      }
      done();
      atMs = endMs;
      continue;
    }
    if (sourMs !== null && sourMs < endMs) {
      say(sourMs, 'ph-read', {
        ph: 5.2,
        instrument: 'strip',
        sigma: null,
        typed: { value: 5.2, unit: 'pH' },
      });
      sourMs = null;
    }
    switch (step.kind) {
      case 'strain': {
        const denatured = souring?.denatured ?? point.denatured;
        const curd = makeFlow(state, denatured).into.get(step.id)!;
        const of = { step: step.instance, goods: { into: 'milk', out: '' } };
        const { draining } = drainingOf(plan, of, { curd, denatured, startMs: atMs, seen: NOTHING_SEEN });
        const real = { ...draining, tauAt6CH: draining.tauAt6CH * Math.exp(0.25 * random.normal()) };
        const halfH = about / 2 / HOUR_MS;
        const early = Math.round(drainedAfter(real, halfH).wheyKg * 1000) / 1000;
        say(atMs + halfH * HOUR_MS, 'drain-weighed', {
          step: step.id,
          massKg: early,
          of: 'whey',
          typed: grams(early),
        });
        const hours = (about / HOUR_MS) * (sketch.drainedLonger ?? 1);
        endMs = atMs + hours * HOUR_MS;
        const wheyKg = Math.round(drainedAfter(real, hours).wheyKg * 1000) / 1000;
        say(endMs - 2 * MINUTE_MS, 'drain-weighed', {
          step: step.id,
          massKg: wheyKg,
          of: 'whey',
          typed: grams(wheyKg),
        });
        if (sketch.drainedLonger) {
          const back = Math.round(wheyBackKg(drainedBy(real, wheyKg), thicknessOf(of)) * 1000) / 1000;
          if (back > 0) {
            endMs += 12 * MINUTE_MS;
            say(endMs - MINUTE_MS, 'whey-returned', { step: step.id, massKg: back, typed: grams(back) });
          }
        }
        break;
      }
      case 'coagulate':
        say(endMs - 8 * MINUTE_MS, 'break-tried', { step: step.id, clean: false });
        break;
      case 'press':
      case 'dry':
      case 'age':
      case 'freeze': {
        const { instance } = step;
        const everyMs =
          instance.kind === 'press'
            ? about / (instance.turns + 1)
            : instance.kind === 'dry' || instance.kind === 'age'
              ? instance.turnEveryH * HOUR_MS
              : about;
        for (let ms = atMs + everyMs; ms < Math.min(endMs - 0.2 * everyMs, untilMs); ms += everyMs)
          say(ms, 'turned', { step: step.id });
        break;
      }
      default:
    }
    if (step.facts.endedBy === 'weighed') {
      const denatured = souring?.denatured ?? point.denatured;
      const { out, off } = makeFlow(state, denatured, 14);
      const of = step.facts.weighs;
      const kg = of ? off.reduce((sum, part) => sum + (part.what === of ? part.massKg : 0), 0) : out.massKg;
      const outKg = Math.round(kg * (0.97 + 0.01 * random.normal()) * 1000) / 1000;
      say(endMs, 'weighed', { massKg: outKg, typed: grams(outKg), ...(of ? { of } : {}) });
    } else if (step.facts.endedBy === 'tasted') {
      say(endMs, 'tasted', { sourness: sournessOfPh(endPh), texture: 'spoonable', text: sketch.say ?? '' });
    } else done();
    atMs = endMs;
  }
  if (sketch.note) say(Math.min(atMs, startMs + 2 * DAY_MS), 'noted', { text: sketch.note });
  say(atMs + 5 * MINUTE_MS, 'finished', { verdict: 'kept', reason: '' });
  // What is told in between belongs where it happened.
  return events.sort(
    (a, b) => Date.parse(a.at) - Date.parse(b.at) || ORDER.indexOf(a.type) - ORDER.indexOf(b.type),
  );
}
/** Of one instant the beginning comes first and the end last. */
const ORDER: readonly EventType[] = ['make-started', 'planned', 'step-done', 'finished'];

/** The cultured shelf of the past weeks: one rescued, one drained too far and mended, some still lying there. */
export const demoShelf = (nowMs: number): DemoCream[] => SKETCHES.map((sketch) => byMethod(sketch, nowMs));

/** Kefir that stands on the shelf today. */
export const demoKefir = (nowMs: number): DemoCream =>
  byMethod({ method: 'kefir', name: 'Kefir, daily', litres: 0.8, daysAgo: 0.73, room: 19.5 }, nowMs);

/** How the fold makes its skyr: less rennet than the book, and a night in the cold before it drains. */
export function demoMethods(id: string): Method[] {
  const skyr = methodOf('skyr');
  const first: Method = {
    ...skyr,
    id,
    name: 'Skyr the Lantern way',
    basedOn: { id: skyr.id, version: skyr.version },
    goodFor: 'Half the rennet, a little sourer; drains while the stall is packed.',
    steps: skyr.steps.map((step) => (step.kind === 'add-rennet' ? { ...step, imcuPerLitre: 6 } : step)),
  };
  const note = 'Lift the cloth after twenty minutes and turn the curd once.';
  const second: Method = {
    ...first,
    version: 2,
    aims: { ...first.aims, sourness: 'tart' },
    steps: first.steps.map((step) => (step.kind === 'strain' ? { ...step, fraction: 0.082, note } : step)),
  };
  return [first, second];
}
