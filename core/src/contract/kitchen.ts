import * as z from 'zod';
import { BURNER_KINDS, thermometerFault, WARM_PLACE_KINDS, widthOfPotM } from '../science/heat/index.ts';
import { CHURN_KINDS } from '../science/butter/index.ts';
import { MILK_KINDS } from '../science/milk/index.ts';
import { PRODUCT_IDS } from './methods.ts';
import { pricesSection } from './prices.ts';
import { instant, shortName, temperatureC, text, timeOfDay, ulid } from './quantities.ts';

export const CLOCKS = ['24h', '12h'] as const;
export const DAY_ORDERS = ['day-month', 'month-day', 'year-month'] as const;

export const unitsSection = z.strictObject({
  temperature: z.enum(['C', 'F']),
  measures: z.enum(['metric', 'us', 'imperial']),
  /** How this kitchen reads a clock; left out, by 24 hours. */
  clock: z.enum(CLOCKS).optional(),
  /** In which order it writes a day; left out, the day first. */
  dayOrder: z.enum(DAY_ORDERS).optional(),
  /** What money is called here; left out, costs are shown without a name. */
  money: text(12).trim().min(1, 'Enter a name').optional(),
});

/** IANA zone name. */
export const zoneName = text(64).refine(isZone, 'is not a time zone this computer knows. An example is UTC');

export const siteSection = z.strictObject({
  /** IANA zone name; clock times of this kitchen are in it. */
  zone: zoneName,
  altitudeM: z.number().min(-400, 'is lower than any land').max(5500, 'is higher than any dairy (5500 m)'),
  roomC: z.number().min(0, 'is below 0 °C, too cold for a room').max(45, 'is too hot for a room (45 °C)'),
  shortcuts: z.boolean(),
  /** How the room warms and cools over a day: local times with their heat; left out, it stays at `roomC`. */
  dayCurve: z
    .array(
      z.strictObject({
        at: timeOfDay,
        celsius: z.number().min(0, 'is below 0 °C').max(45, 'is too hot for a room'),
      }),
    )
    .max(24)
    .optional(),
});

export const pot = z.strictObject({
  id: ulid,
  name: shortName,
  litres: z.number().min(0.1, 'is less than 0.1 L').max(100, 'is more than 100 L'),
  /** Stored by pots of before the lid was a choice of each cooling: a plan that holds it keeps what it was planned with. */
  lidded: z.boolean().optional(),
  /** Multiplies the book's heat loss of this pot. */
  lossFactor: z.number().min(0.2).max(5),
  /** Inner width; left out, it follows from what the pot holds. */
  widthCm: z.number().min(4, 'is narrower than 4 cm').max(120, 'is wider than 120 cm').optional(),
});
/**
 * A pot's inner width as the heat balance wants it: as measured, else by what it holds. `undefined` for a pot of before
 * widths followed from that: its milk stands in a cylinder of its own.
 */
export function widthMOf({ widthCm, lidded, litres }: z.infer<typeof pot>): number | undefined {
  if (widthCm !== undefined) return widthCm / 100;
  return lidded === undefined ? widthOfPotM(litres) : undefined;
}

export const burner = z.strictObject({
  id: ulid,
  name: shortName,
  powerKw: z.number().min(0.1, 'is less than 0.1 kW').max(20, 'is more than 20 kW'),
  efficiency: z.number().min(0.05).max(1),
  /** A plate stays hot after it is switched off; left out, it follows at once. */
  kind: z.enum(BURNER_KINDS).optional(),
});

export const warmPlace = z.strictObject({
  id: ulid,
  name: shortName,
  kind: z.enum(WARM_PLACE_KINDS),
  setPointC: temperatureC.optional(),
  biasC: z.number().min(-20, 'is more than 20 °C off').max(20, 'is more than 20 °C off').optional(),
  tauH: z.number().min(0.05, 'is too quick (0.05 h at least)').max(100, 'is too slow (100 h at most)'),
  /** How far it may be off while nobody reads it, one σ, K; left out by places of before it was told. */
  biasSigmaC: z.number().min(0.1).max(10).optional(),
  /** When it was last checked with water. */
  checkedAt: instant.optional(),
  /** A check with water that is going on. */
  check: z
    .strictObject({
      startedAt: instant,
      litres: z.number().min(0.1, 'is less than 0.1 L').max(60, 'is more than 60 L'),
      startC: temperatureC.max(100, 'is hotter than boiling water'),
      readings: z
        .array(
          z.strictObject({ at: instant, celsius: temperatureC.max(100, 'is hotter than boiling water') }),
        )
        .max(8),
    })
    .optional(),
});

export const cook = z.strictObject({ id: ulid, name: shortName, sleepFrom: timeOfDay, sleepTo: timeOfDay });

/** A kind of jar the kitchen has, and how many. */
export const jarKind = z.strictObject({
  id: ulid,
  name: shortName,
  litres: z.number().min(0.03, 'is less than 30 mL').max(20, 'is more than 20 L'),
  count: z.number().int('is not a whole number').min(1, 'needs at least one').max(200, 'is more than 200'),
});

/** A thermometer and its last check in ice slush and boiling water. */
export const thermometer = z
  .strictObject({
    id: ulid,
    name: shortName,
    iceC: temperatureC.nullable(),
    boilingC: temperatureC.nullable(),
    /** Where the check was made: it decides where water boils. */
    altitudeM: z.number().min(-400).max(5500),
    checkedAt: instant.nullable(),
  })
  .superRefine((t, context) => {
    if (t.iceC === null && t.boilingC === null) return;
    const fault = thermometerFault(t);
    if (fault !== null)
      context.addIssue({
        code: 'custom',
        message: fault,
        path: [t.iceC !== null && Math.abs(t.iceC) > 8 ? 'iceC' : 'boilingC'],
      });
  });

/** Hours of some weekdays (0 is Sunday) when a cook is not there. */
export const absence = z.strictObject({
  id: ulid,
  cookId: ulid,
  name: shortName,
  days: z.array(z.number().int().min(0).max(6)).min(1, 'needs at least one day').max(7),
  from: timeOfDay,
  to: timeOfDay,
});

/** An animal or herd that gives milk. */
export const herdMember = z.strictObject({
  id: ulid,
  name: shortName,
  kind: z.enum(MILK_KINDS),
  /** When it last came into milk; `null` when nobody knows. */
  freshSince: instant.nullable(),
});

/** A churn and how much it holds; it is filled to half. */
export const churn = z.strictObject({
  id: ulid,
  name: shortName,
  litres: z.number().min(0.2, 'is less than 0.2 L').max(100, 'is more than 100 L'),
  /** Left out by kitchens that never said: a hand crank. */
  kind: z.enum(CHURN_KINDS).optional(),
  /** How many settings its motor has; left out, low, medium and high. */
  settings: z.number().int('is not a whole number').min(1).max(40, 'is more than forty').optional(),
});

/** How much of a product the kitchen wants to have: always, or newly made for one day of the week. */
export const wantedGood = z.strictObject({
  id: ulid,
  product: z.enum(PRODUCT_IDS),
  massKg: z.number().min(0.01, 'is less than 10 g').max(200, 'is more than 200 kg'),
  /** 0 is Sunday: what a stall or an order takes each week; `null` for what should always be there. */
  on: z.number().int().min(0).max(6).nullable(),
});

const wantedSection = z.array(wantedGood).max(60, 'is more than sixty');

/** Everything a kitchen knows about itself. */
export const kitchenSettings = z.strictObject({
  units: unitsSection,
  site: siteSection,
  pots: z.array(pot).min(1, 'needs at least one pot').max(40),
  burners: z.array(burner).min(1, 'needs at least one burner').max(20),
  places: z.array(warmPlace).min(1, 'needs at least one warm place').max(40),
  cooks: z.array(cook).min(1, 'needs at least one cook').max(20),
  jars: z.array(jarKind).max(40),
  thermometers: z.array(thermometer).max(40),
  absences: z.array(absence).max(60),
  herd: z.array(herdMember).max(60),
  churns: z.array(churn).max(20),
  prices: pricesSection,
  /** A kitchen that a device kept from before this was asked wants nothing. */
  wanted: wantedSection.default([]),
});

/** One section is changed at a time; the latest change of a section counts. */
export const kitchenChange = z.discriminatedUnion('section', [
  z.strictObject({ section: z.literal('units'), value: unitsSection }),
  z.strictObject({ section: z.literal('site'), value: siteSection }),
  z.strictObject({ section: z.literal('pots'), value: kitchenSettings.shape.pots }),
  z.strictObject({ section: z.literal('burners'), value: kitchenSettings.shape.burners }),
  z.strictObject({ section: z.literal('places'), value: kitchenSettings.shape.places }),
  z.strictObject({ section: z.literal('cooks'), value: kitchenSettings.shape.cooks }),
  z.strictObject({ section: z.literal('jars'), value: kitchenSettings.shape.jars }),
  z.strictObject({ section: z.literal('thermometers'), value: kitchenSettings.shape.thermometers }),
  z.strictObject({ section: z.literal('absences'), value: kitchenSettings.shape.absences }),
  z.strictObject({ section: z.literal('herd'), value: kitchenSettings.shape.herd }),
  z.strictObject({ section: z.literal('churns'), value: kitchenSettings.shape.churns }),
  z.strictObject({ section: z.literal('prices'), value: kitchenSettings.shape.prices }),
  z.strictObject({ section: z.literal('wanted'), value: wantedSection }),
]);

export type KitchenSettings = z.infer<typeof kitchenSettings>;
export type KitchenChange = z.infer<typeof kitchenChange>;
export type KitchenPlace = z.infer<typeof warmPlace>;
export type WantedGood = z.infer<typeof wantedGood>;
export type KitchenPot = z.infer<typeof pot>;
export type KitchenThermometer = z.infer<typeof thermometer>;

function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}
