import type { MakePlan } from '../contract/index.ts';
import { GROUP_CONSTANTS, STARTER_FACTS, type Group } from '../science/souring/index.ts';
import { potWords } from '../kitchen/index.ts';
import { boilingPointC, placeAmbientC } from '../science/heat/index.ts';
import {
  formatTemperature,
  formatVolume,
  type MeasureSystem,
  type TemperatureUnit,
  capital,
} from '../science/units/index.ts';
import { batchOf, isHeated, inoculumFor, souringKindOf } from './batch.ts';
import { placeUnchecked } from './room-heat.ts';
import { fillJars } from './jars.ts';

/** Something to say about a plan, beside the field it is about. */
export interface Advice {
  /** `stop`: the make cannot be started so; `caution`: it can, knowingly; `note`: worth knowing. */
  readonly severity: 'stop' | 'caution' | 'note';
  readonly field: 'milk' | 'starter' | 'heat' | 'inoculate' | 'place' | 'pot' | 'wanted' | 'start';
  readonly text: string;
}

/** Above this a group of bacteria suffers, °C: a room-temperature culture long before a warm one (docs/SCIENCE.md). */
const SUFFERS_FROM_C: Readonly<Record<Group, number>> = { st: 47, lb: 47, lc: 37.5 };

const groupsOf = (plan: MakePlan): Group[] => Object.keys(STARTER_FACTS[plan.starter.kind].log10) as Group[];

/** The units advice is worded in. */
export interface AdviceUnits {
  readonly temperature: TemperatureUnit;
  readonly measures: MeasureSystem;
}

type Check = (plan: MakePlan, units: AdviceUnits) => Advice | null;

/** One entry a thing that can be wrong with what is poured, heated and filled. */
const CHECKS: readonly Check[] = [
  (plan, units) =>
    batchOf(plan).litres > plan.pot.litres * 0.95
      ? {
          severity: 'stop',
          field: 'pot',
          text: `${capital(potWords(plan.pot))} holds ${formatVolume(plan.pot.litres, units.measures)}, so ${formatVolume(batchOf(plan).litres, units.measures)} is too full and would boil over. Use a larger pot or less milk.`,
        }
      : batchOf(plan).litres > plan.pot.litres * 0.85 && isHeated(plan)
        ? {
            severity: 'caution',
            field: 'pot',
            text: `${capital(potWords(plan.pot))} is nearly full, and milk rises when it boils. Stay with the pot.`,
          }
        : null,
  (plan, units) => {
    const boilC = boilingPointC(plan.altitudeM);
    return plan.heat.kind !== 'none' && plan.heat.kind !== 'boil' && plan.heat.targetC > boilC - 0.5
      ? {
          severity: 'stop',
          field: 'heat',
          text: `At this altitude milk boils at about ${formatTemperature(boilC, units.temperature)}, so it cannot reach ${formatTemperature(plan.heat.targetC, units.temperature)}. Choose a lower temperature.`,
        }
      : null;
  },
  (plan, units) =>
    isHeated(plan) && plan.heat.targetC < 72
      ? {
          severity: 'caution',
          field: 'heat',
          text: `${formatTemperature(plan.heat.targetC, units.temperature)} hardly unfolds the whey protein, so the set will be soft. For a firmer set, heat to at least 82 °C (180 °F).`,
        }
      : null,
  (plan, units) =>
    plan.starter.massKg !== null && batchOf(plan).litres + plan.starter.massKg > plan.pot.litres
      ? {
          severity: 'stop',
          field: 'pot',
          text: `Milk and starter together do not fit in ${potWords(plan.pot)} (${formatVolume(plan.pot.litres, units.measures)}). Use a larger pot or less milk.`,
        }
      : null,
  (plan, units) => {
    if (!plan.jars || plan.jars.length === 0) return null;
    const { leftOverLitres } = fillJars(plan);
    return leftOverLitres > 0.02
      ? {
          severity: 'caution',
          field: 'pot',
          text: `${formatVolume(leftOverLitres, units.measures)} does not fit in the jars. Add a jar or leave less headspace.`,
        }
      : null;
  },
  (plan) => {
    const share = (plan.milk.powder?.massKg ?? 0) / batchOf(plan).massKg;
    return share > 0.08
      ? {
          severity: 'caution',
          field: 'milk',
          text: `${(share * 100).toFixed(0)} % milk powder is a lot. You will taste it, and the set may be chalky. 2–5 % is usual.`,
        }
      : null;
  },
  (plan, units) =>
    plan.bottles && plan.bottles.celsius > 60 && plan.place.kind !== 'appliance'
      ? {
          severity: 'note',
          field: 'place',
          text: `Wrap the bottles of ${formatTemperature(plan.bottles.celsius, units.temperature)} water so that no jar touches one.`,
        }
      : null,
];

/** One entry a thing that can be wrong with a souring. */
const SOURING_CHECKS: readonly Check[] = [
  (plan) =>
    souringKindOf(plan) === 'treated-without-starter'
      ? {
          severity: 'stop',
          field: 'starter',
          text: 'Never leave heated, pasteurised or ultra-heated milk to sour without a starter. Choose a starter.',
        }
      : null,
  (plan) =>
    souringKindOf(plan) === 'raw-alone'
      ? {
          severity: 'caution',
          field: 'starter',
          text: 'Raw milk souring by itself can carry germs, and its timing is only a rough guess. It is not for pregnant people, small children, older people or anyone ill. A starter is recommended. Follow your local rules and your licence.',
        }
      : plan.milk.treatment === 'raw' && !isHeated(plan)
        ? {
            severity: 'caution',
            field: 'heat',
            text: 'This raw milk is not heated. Raw milk from any farm can carry germs, and souring does not make it safe. Heat it first. Follow your local rules and your licence.',
          }
        : null,
  (plan) =>
    STARTER_FACTS[plan.starter.kind].dosing !== 'none' && inoculumFor(plan, plan.starter) === null
      ? { severity: 'stop', field: 'starter', text: 'Enter how much starter goes in.' }
      : null,
  (plan, units) => {
    const groups = groupsOf(plan);
    const endures = Math.min(...groups.map((g) => GROUP_CONSTANTS[g].tMaxC));
    const suffers = Math.min(...groups.map((g) => SUFFERS_FROM_C[g]));
    if (plan.inoculateC >= endures)
      return {
        severity: 'stop',
        field: 'inoculate',
        text: `${formatTemperature(plan.inoculateC, units.temperature)} kills this culture, so the milk would not set. It suffers above about ${formatTemperature(suffers, units.temperature)} and dies near ${formatTemperature(endures, units.temperature)}. Let the milk cool further.`,
      };
    if (plan.inoculateC > suffers)
      return {
        severity: 'caution',
        field: 'inoculate',
        text: `${formatTemperature(plan.inoculateC, units.temperature)} is too hot for this culture. Part of it dies and the set comes late. Let the milk cool further.`,
      };
    return plan.inoculateC < 5
      ? {
          severity: 'stop',
          field: 'inoculate',
          text: 'The milk is too cold for any culture to work. Warm the milk first.',
        }
      : null;
  },
  (plan, units) => {
    const ambientC = placeAmbientC(plan.place, plan.roomC);
    const constants = groupsOf(plan).map((g) => GROUP_CONSTANTS[g]);
    const endures = Math.min(...constants.map((c) => c.tMaxC));
    const wakes = Math.min(...constants.map((c) => c.tMinC));
    const warm = constants.some((c) => c.tOptC > 40);
    const heat = formatTemperature(ambientC, units.temperature);
    if (ambientC >= endures)
      return {
        severity: 'stop',
        field: 'place',
        text: `${heat} is too hot to incubate. This culture dies above about ${formatTemperature(endures, units.temperature)}.`,
      };
    if (plan.place.kind === 'appliance' && ambientC <= wakes + 1)
      return {
        severity: 'stop',
        field: 'place',
        text: `At ${heat} this culture hardly works, so the milk would not set.`,
      };
    if (warm && plan.place.kind === 'appliance' && ambientC < 34)
      return {
        severity: 'caution',
        field: 'place',
        text: `${heat} is too cool for yogurt. The milk sets very slowly, or not at all. 38–44 °C (100–111 °F) is usual.`,
      };
    return ambientC > 47
      ? {
          severity: 'caution',
          field: 'place',
          text: `${heat} is hot for this culture. Choose a cooler setting or place.`,
        }
      : null;
  },
  (plan) =>
    placeUnchecked(plan)
      ? {
          severity: 'note',
          field: 'place',
          text: `${plan.place.name} has not been checked, so the times are less sure. Check it with water in Kitchen, Equipment.`,
        }
      : null,
  (plan) =>
    plan.starter.ageD !== null && plan.starter.ageD > 14 && STARTER_FACTS[plan.starter.kind].dosing === 'mass'
      ? {
          severity: 'note',
          field: 'starter',
          text: `A starter ${Math.round(plan.starter.ageD)} days old is weak. It stays strong for about a week.`,
        }
      : null,
];

/** What speaks against any plan by what is poured, heated and put where; order is the order on the screen. */
export const commonAdvice = (plan: MakePlan, units: AdviceUnits): Advice[] =>
  CHECKS.flatMap((check) => check(plan, units) ?? []);
/** What speaks against a plan in which something sours. */
export const souringAdvice = (plan: MakePlan, units: AdviceUnits): Advice[] =>
  SOURING_CHECKS.flatMap((check) => check(plan, units) ?? []);
