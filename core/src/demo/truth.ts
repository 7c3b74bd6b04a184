import { widthMOf, type DraftEvent, type EventOf, type EventType, type MakePlan } from '../contract/index.ts';
import {
  acidOfPh,
  createKernel,
  crossingH,
  MILK_CUES,
  cueProbability,
  sournessOfPh,
  firmnessWord,
  plasmaTitratableAcidityPercent,
  titratedPercent,
  PICK_UP_PH,
  SET_PH,
  type Cue,
} from '../science/souring/index.ts';
import { runVessel } from '../science/heat/index.ts';
import {
  bandForecast,
  ENSEMBLE_MEMBERS,
  incubationOf,
  plannedOf,
  pointForecast,
  souringOf,
  stateOfPlan,
  walkThermal,
  type MakeState,
} from '../make/index.ts';
import { batchOf, coolsCovered, heatingKw } from '../setup/index.ts';
import { markPh } from '../steps/index.ts';
import { hashSeed, interpolateLinear, createRandom } from '../science/numerics/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

/** How often the demo's logger writes a row. */
const LOG_EVERY_MS = 20_000;
/** What the demo's cook weighs off for a titration, g. */
const SAMPLE_G = 9;

/** What really happens in a demo make, hidden from the forecast. */
export interface HiddenTruth {
  /** True pace of the culture. */
  readonly rate: number;
  /** How far the warm place is off, K. */
  readonly placeOffC: number;
  /** True burner and pot against the book. */
  readonly burner: number;
  readonly loss: number;
  readonly lagFactor: number;
  /** The starter as strong as it really is, log10. */
  readonly countOff: number;
}

/** How a cook goes about it. */
export interface Habits {
  readonly deviceId: string;
  readonly cookId: string;
  /** Minutes late at each step, on average. */
  readonly lateMin: number;
  /** Hours after inoculation when somebody looks. */
  readonly looksH: readonly number[];
  readonly instrument: 'meter' | 'strip' | 'none';
  /** A logger in the milk during incubation. */
  readonly probe: boolean;
  /** A logger of its own that writes a file: what it is called and how much it reads too high, K. */
  readonly logger?: { readonly name: string; readonly offC: number };
  /** A titration at the pick-up. */
  readonly titrates?: boolean;
  /** Takes it out at this hour whatever it looks like; left out, when a look says it is done. */
  readonly pickUpH?: number;
  readonly note: string;
}

/** A demo event without identity; the seeding server gives it one. */
export type DemoEvent = Omit<DraftEvent, 'id' | 'streamId' | 'version' | 'type' | 'data'> &
  {
    [T in EventType]: { readonly type: T; readonly data: EventOf<T>['data'] };
  }[EventType];

/** What was recorded of a played make, and when it was truly set, which nobody in it knows. */
export interface PlayedMake {
  readonly events: DemoEvent[];
  readonly setAtMs: number | null;
  /** Rows of the logger's file, as it wrote them; `null` without one. */
  readonly log: { readonly name: string; readonly at: number[]; readonly values: number[] } | null;
}

/** How a make truly sours, which nobody in it knows. */
interface TrueSouring {
  readonly setAtMs: number | null;
  /** By hours since inoculation. */
  readonly truePh: (hour: number) => number;
  readonly trueC: (hour: number) => number;
  readonly trueState: MakeState;
  readonly denatured: number;
}

/** The souring of a plan with its hidden truth; `null` when its dose does not say enough. */
export function trueSouring(
  plan: MakePlan,
  truth: HiddenTruth,
  startMs: number,
  inoculatedMs: number,
  celsius: number,
): TrueSouring | null {
  const truePlace = {
    ...plan.place,
    ...(plan.place.kind === 'appliance' ? { biasC: (plan.place.biasC ?? 0) + truth.placeOffC } : {}),
  };
  const trueRoomC = plan.place.kind === 'appliance' ? plan.roomC : plan.roomC + truth.placeOffC;
  const trueState = stateOfPlan({ ...plan, place: truePlace, roomC: trueRoomC });
  const walk = walkThermal(trueState, startMs);
  const incubation = incubationOf(trueState, {
    ...walk,
    inoculation: { ...walk.inoculation, atMs: inoculatedMs, celsius },
  });
  if (!incubation) return null;
  const kernel = createKernel(
    incubation.spec.grid,
    incubation.spec.starts,
    incubation.spec.startAcidMmolPerKg,
  );
  const row = new Float64Array(kernel.steps + 1);
  kernel.run(
    {
      rate: truth.rate,
      log10Offset: truth.countOff,
      biasC: 0,
      lagFactor: truth.lagFactor,
      plasmaSnfPercent: incubation.spec.plasmaSnfPercent,
    },
    row,
    0,
  );
  const souring = souringOf(trueState);
  const trueSetPh = (souring && markPh(souring, plan, 'body')) ?? SET_PH;
  const setH = crossingH(row, 0, kernel.steps, incubation.stepH, trueSetPh);
  const hours = Float64Array.from(row, (_, i) => i * incubation.stepH);
  const courseH = incubation.course.map(([h]) => h);
  const courseC = incubation.course.map(([, c]) => c);
  return {
    setAtMs: Number.isFinite(setH) ? inoculatedMs + setH * HOUR_MS : null,
    truePh: (h) => interpolateLinear(hours, row, h),
    trueC: (h) => interpolateLinear(courseH, courseC, h),
    trueState,
    denatured: walk.denatured,
  };
}

/**
 * Plays one make from its first milk until `untilMs`: the truth runs on the core with hidden factors, the cook reads
 * it with an imperfect thermometer, tilts jars, comes late. Nothing of it is typed in.
 */
export function playMake(
  makeId: string,
  plan: MakePlan,
  truth: HiddenTruth,
  habits: Habits,
  untilMs: number,
  members = ENSEMBLE_MEMBERS,
): PlayedMake {
  // By the truth, not by an id that is new at each filling: the demo tells the same story every time.
  const random = createRandom(hashSeed(`truth ${JSON.stringify(truth)}`));
  const events: DemoEvent[] = [];
  const { deviceId, cookId } = habits;
  const say = <T extends EventType>(
    atMs: number,
    type: T,
    data: EventOf<T>['data'],
    device = deviceId,
  ): void => {
    if (atMs > untilMs) return;
    events.push({
      at: new Date(Math.round(atMs)).toISOString(),
      cookId: device === deviceId ? cookId : null,
      deviceId: device,
      type,
      data,
    } as DemoEvent);
  };
  const late = (): number => habits.lateMin * MINUTE_MS * (0.3 + 1.4 * random.uniform());
  const readTemperature = (atMs: number, trueC: number, instrument = 'hand'): void => {
    const celsius = Math.round((trueC + (instrument === 'hand' ? 0.35 : 0.12) * random.normal()) * 10) / 10;
    say(
      atMs,
      'temperature-read',
      { celsius, instrument, typed: { value: celsius, unit: 'C' } },
      instrument === 'hand' ? deviceId : `device:${instrument}`,
    );
  };

  const startMs = Date.parse(plan.startAt);
  const planned = stateOfPlan(plan);
  say(startMs, 'make-started', { plan });
  say(startMs, 'planned', {
    forecast: plannedOf(planned, bandForecast(planned, startMs, hashSeed(makeId), members)),
  });

  // The truth: the same pot with hidden factors.
  const { composition, litres, massKg } = batchOf(plan);
  const vessel = {
    composition,
    litres,
    widthM: widthMOf(plan.pot),
    airC: plan.roomC,
    lossFactor: plan.pot.lossFactor * truth.loss,
  };
  let atMs = startMs + 4 * MINUTE_MS + late();
  say(atMs, 'step-done', { step: 'pour' });
  let celsius = plan.milk.startC;
  const follow = (curve: readonly (readonly [number, number])[], everyMin: number): void => {
    const seconds = curve.map(([s]) => s);
    const temperatures = curve.map(([, c]) => c);
    for (let s = everyMin * 60; s < seconds.at(-1)!; s += everyMin * 60) {
      readTemperature(atMs + s * 1000, interpolateLinear(seconds, temperatures, s));
    }
    atMs += seconds.at(-1)! * 1000;
    celsius = temperatures.at(-1)!;
  };
  const targetC = plan.heat.kind === 'none' ? plan.inoculateC : plan.heat.targetC;
  const powerKw = heatingKw(plan, 0) * truth.burner;
  const heating = runVessel({ ...vessel, startC: celsius, powerKw, lidded: false }, targetC);
  follow(heating.secondsAndCelsius, 7);
  readTemperature(atMs, celsius);
  say(atMs + 10_000, 'step-done', { step: 'heat' });
  let evaporatedKg = heating.evaporatedKg;
  if (plan.heat.kind === 'hold') {
    atMs += plan.heat.holdMin * MINUTE_MS + late() / 2;
    readTemperature(atMs - 2 * MINUTE_MS, celsius);
    say(atMs, 'step-done', { step: 'hold' });
  }
  if (plan.heat.kind !== 'none') {
    const cooling = runVessel(
      { ...vessel, startC: celsius, lidded: coolsCovered(plan) },
      plan.inoculateC - random.uniform(),
    );
    follow(cooling.secondsAndCelsius, 18);
    evaporatedKg += cooling.evaporatedKg;
    readTemperature(atMs, celsius);
    say(atMs + 20_000, 'step-done', { step: 'cool' });
  }
  atMs += 5 * MINUTE_MS + late();
  say(atMs, 'starter-added', {
    massKg: plan.starter.massKg,
    statedRatio: plan.starter.statedRatio,
    typed: plan.starter.typed,
  });
  const zero = atMs;

  const souring = trueSouring(plan, truth, startMs, zero, celsius);
  if (!souring) return { events, setAtMs: null, log: null };
  const { setAtMs, truePh, trueC, trueState, denatured } = souring;

  const pickCue = (ph: number): Cue => {
    let left = random.uniform();
    return MILK_CUES.find((cue) => (left -= cueProbability(cue, ph, denatured)) < 0) ?? 'whey-shows';
  };
  let doneH = habits.pickUpH ?? habits.looksH.at(-1) ?? 8;
  for (const h of habits.looksH) {
    if (h >= doneH + 1e-9) break;
    const ph = truePh(h);
    say(zero + h * HOUR_MS, 'cue-seen', { cue: pickCue(ph), cleanSmell: true });
    if (habits.instrument !== 'none') {
      const spread = habits.instrument === 'meter' ? 0.08 : 0.25;
      const step = habits.instrument === 'meter' ? 100 : 5;
      // Who reads something wholly unlike the last time reads it again.
      const off = Math.max(-1, Math.min(1, random.normal()));
      const value = Math.round((ph + spread * off) * step) / step;
      say(zero + h * HOUR_MS + MINUTE_MS, 'ph-read', {
        ph: value,
        instrument: habits.instrument,
        sigma: null,
        typed: { value, unit: 'pH' },
      });
    }
    if (habits.pickUpH === undefined && ph <= PICK_UP_PH[plan.wanted.sourness] + 0.08) {
      doneH = h + 0.1;
      break;
    }
  }
  const doneMs = zero + doneH * HOUR_MS;
  if (habits.probe) {
    for (let ms = zero + 2 * MINUTE_MS; ms < Math.min(doneMs, untilMs); ms += 6 * MINUTE_MS) {
      readTemperature(ms, trueC((ms - zero) / HOUR_MS), 'Probe stand-in');
    }
  }
  const endPh = truePh(doneH);
  let log: PlayedMake['log'] = null;
  if (habits.logger) {
    const { name, offC } = habits.logger;
    log = { name, at: [], values: [] };
    for (let ms = zero + 30_000; ms < Math.min(doneMs, untilMs); ms += LOG_EVERY_MS) {
      log.at.push(Math.round(ms));
      log.values.push(Math.round((trueC((ms - zero) / HOUR_MS) + offC + 0.08 * random.normal()) * 100) / 100);
    }
  }
  if (habits.titrates && endPh < 5) {
    const { composition, plasmaSnfPercent } = batchOf(plan);
    const acid = acidOfPh(endPh, plasmaSnfPercent);
    const percent = plasmaTitratableAcidityPercent(acid, plasmaSnfPercent) * (1 - composition.fatFraction);
    const naohMl = Math.round((percent / titratedPercent(1, SAMPLE_G) + 0.1 * random.normal()) * 10) / 10;
    say(doneMs - 2 * MINUTE_MS, 'titrated', {
      naohMl,
      sampleG: SAMPLE_G,
      percent: titratedPercent(naohMl, SAMPLE_G),
      typed: { value: naohMl, unit: 'mL' },
    });
  }
  if (endPh > 5.3) {
    // It never went: nobody tastes it.
    say(doneMs, 'noted', { text: habits.note });
    say(doneMs + MINUTE_MS, 'finished', {
      verdict: 'discarded',
      reason: 'Still liquid, not souring as it should.',
    });
    return { events: inOrder(events), setAtMs, log };
  }
  say(doneMs, 'step-done', { step: 'incubate' });
  say(doneMs + 5 * HOUR_MS, 'step-done', { step: 'chill' });
  const out = massKg + (plan.starter.massKg ?? 0) - evaporatedKg - 0.012 - 0.02 * random.uniform();
  const outKg = Math.round(out * 1000) / 1000;
  say(doneMs + 5.05 * HOUR_MS, 'weighed', { massKg: outKg, typed: { value: outKg, unit: 'kg' } });
  const texture = firmnessWord(pointForecast(trueState, startMs).firmness + 5 * random.normal());
  say(doneMs + 5.1 * HOUR_MS, 'tasted', {
    sourness: sournessOfPh(endPh + 0.03 * random.normal()),
    texture,
    text: habits.note,
  });
  const kept = Math.round(40 + 30 * random.uniform()) / 1000;
  say(doneMs + 5.2 * HOUR_MS, 'reserved', { massKg: kept, typed: { value: kept * 1000, unit: 'g' } });
  say(doneMs + 5.3 * HOUR_MS, 'finished', { verdict: 'kept', reason: '' });
  return { events: inOrder(events), setAtMs, log };
}

const inOrder = (events: DemoEvent[]): DemoEvent[] =>
  events.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
