import { EVENT_VERSION } from './entry-version.ts';
import * as z from 'zod';
import {
  CHURN_STAGES,
  FLAVOURINGS,
  GHEE_STAGES,
  MOST_BUTTER_WATER,
  SALT_KINDS,
} from '../science/butter/index.ts';
import { CUES, DEFECTS, GROUPS, SOURNESS } from '../science/souring/index.ts';
import { CULTURE_PLACES, cultureChange, wakingDone, wakingPlan } from './cultures.ts';
import { faultTold } from './faults.ts';
import { HEAT_CUES } from '../science/heat/index.ts';
import { dayChange } from './day-doc.ts';
import { kitchenChange } from './kitchen.ts';
import { FACTOR_KINDS } from './learning.ts';
import { larderMovement } from './larder.ts';
import { milkMovement, milkPoured } from './milk-room.ts';
import { methodChange } from './method-doc.ts';
import { stepRef } from './methods.ts';
import { composition, makePlan, makePlanV1, planChange, plannedForecast } from './plan.ts';
import { photoFacts } from './photos.ts';
import { traceFacts } from './trace.ts';
import {
  deviceName,
  instant,
  longText,
  massKg,
  shortName,
  temperatureC,
  text,
  typedQuantity,
  ulid,
} from './quantities.ts';
import { unstorable } from './storable.ts';

/** The versions that every door takes: rows are never rewritten, and a page kept open goes on sending its own. */
const KNOWN_VERSIONS = [1, 2, 3, EVENT_VERSION];

/** What is weighed besides the product itself. */
export const BY_PRODUCTS = ['buttermilk', 'whey'] as const;
export type ByProduct = (typeof BY_PRODUCTS)[number];

const stepOnly = z.strictObject({ step: stepRef });

/** What each kind of event carries: what happened, in the past tense, as typed and in core units. */
export const EVENT_DATA = {
  'make-started': z.strictObject({ plan: makePlan }),
  planned: z.strictObject({ forecast: plannedForecast }),
  'step-done': stepOnly,
  'step-skipped': stepOnly,
  'temperature-read': z.strictObject({
    celsius: temperatureC,
    instrument: shortName,
    typed: typedQuantity,
    /** As the instrument said it, when a checked thermometer was set right; `celsius` is the corrected value. */
    rawC: temperatureC.optional(),
    thermometerId: ulid.optional(),
  }),
  /** How warm it is by eye or finger: a rough reading. */
  'heat-felt': z.strictObject({ cue: z.enum(HEAT_CUES) }),
  'ph-read': z.strictObject({
    ph: z
      .number()
      .min(2.5, 'is more acid than any yogurt (pH 2.5)')
      .max(8.5, 'is too high for milk (pH 8.5 at most)'),
    instrument: z.enum(['meter', 'strip']),
    /** One σ when the instrument states it. */
    sigma: z.number().positive().max(1).nullable(),
    typed: typedQuantity,
  }),
  /** Titratable acidity: mL of 0.1 N NaOH on a weighed sample, % lactic acid. */
  titrated: z.strictObject({
    naohMl: z.number().positive('must be above 0').max(100, 'is more than a burette holds'),
    sampleG: z.number().min(0.5, 'is too little to weigh').max(200, 'is more than 200 g'),
    percent: z.number().min(0.02, 'is less than any milk').max(4, 'is more than any yogurt (4 %)'),
    typed: typedQuantity,
  }),
  /** A logger's file, stored whole elsewhere; a thinned sample of it is folded. */
  'trace-imported': traceFacts,
  /** What is left was planned anew. */
  replanned: planChange,
  /** One jar of several went into the cold. */
  'jar-chilled': z.strictObject({ jar: ulid }),
  'cue-seen': z.strictObject({ cue: z.enum(CUES), cleanSmell: z.boolean().nullable() }),
  'starter-added': z.strictObject({
    massKg: z.number().min(0).max(20).nullable(),
    statedRatio: z.number().min(0).max(50).nullable(),
    typed: typedQuantity.nullable(),
  }),
  /** What came out; of a by-product when it says which. */
  weighed: z.strictObject({
    massKg,
    typed: typedQuantity,
    of: z.enum(BY_PRODUCTS).optional(),
    /** Nobody weighed it: told by how full a jar or pot is. */
    byLevel: z.literal(true).optional(),
  }),
  /** How far a churning is, or a pan of ghee. */
  'stage-seen': z.strictObject({ stage: z.enum([...CHURN_STAGES, ...GHEE_STAGES]) }),
  /** The pan with what is in it: what it lost since the first time is water. */
  'pan-weighed': z.strictObject({ massKg, typed: typedQuantity }),
  /** Solids stuck: it went on in another pan, which weighs what it weighs. */
  'pan-changed': z.strictObject({}),
  /** One wash; whether its water ran clear. */
  rinsed: z.strictObject({ clear: z.boolean() }),
  /** A pan test of the butter: a little of it weighed before and after its water was boiled off. */
  'pan-tested': z
    .strictObject({ beforeKg: massKg, afterKg: massKg, typed: typedQuantity })
    .refine((test) => test.afterKg <= test.beforeKg, {
      error: 'is more than before, but boiling only takes water off',
      path: ['afterKg'],
    })
    .refine((test) => test.afterKg >= (1 - MOST_BUTTER_WATER) * test.beforeKg, {
      error: 'is too little: this butter would be more than 40 % water',
      path: ['afterKg'],
    }),
  salted: z.strictObject({
    massKg: massKg.max(5, 'is more than 5 kg of salt'),
    typed: typedQuantity,
    /** Measured by the spoon, which kind it was: each packs differently. */
    kind: z.enum(SALT_KINDS).optional(),
  }),
  /** The next load went into the churn; the first goes in when churning begins. */
  'load-begun': z.strictObject({ load: z.number().int().min(2).max(40) }),
  /** The churn stands still, so that a motor or arms can rest; or goes on. */
  'churn-rested': z.strictObject({ resting: z.boolean() }),
  /** Water was poured into the churn. */
  'water-poured': z.strictObject({
    massKg: massKg.max(60, 'is more than 60 kg'),
    celsius: temperatureC
      .min(0, 'is below 0 °C: that is ice')
      .max(40, 'is too hot: the water would melt the butter'),
    typed: typedQuantity,
  }),
  /** Soft butter was laid into iced water, to firm. */
  iced: z.strictObject({ minutes: z.number().min(1).max(240, 'is more than four hours') }),
  /** Something went into the butter besides salt: what is fresh and moist in fat must be kept cold. */
  flavoured: z.strictObject({ with: z.enum(FLAVOURINGS), text: text(80) }),
  /** Cut or moulded into pieces. */
  shaped: z.strictObject({
    pieces: z
      .array(z.strictObject({ count: z.number().int().min(1).max(200), massKg }))
      .min(1, 'needs at least one piece')
      .max(20, 'is more than 20 sizes'),
    typed: typedQuantity,
  }),
  tasted: z.strictObject({
    /** Left out where nobody asks: of butter and ghee. */
    sourness: z.enum(SOURNESS).optional(),
    texture: z.enum(['thin', 'pourable', 'spoonable', 'firm']).optional(),
    text: longText,
    /** What is wrong with it; left out, nothing. */
    defects: z.array(z.enum(DEFECTS)).max(12).optional(),
  }),
  /** Something is not as it should be: the complaint, answers to questions, what it turned out to be. The latest of a complaint counts. */
  'fault-told': faultTold,
  noted: z.strictObject({ text: longText.min(1, 'needs some text') }),
  /** Kept for the next time: a turn of its culture begins. */
  reserved: z.strictObject({
    massKg,
    typed: typedQuantity,
    name: shortName.optional(),
    place: z.enum(CULTURE_PLACES).optional(),
  }),
  'alarm-acknowledged': z.strictObject({ alarm: text(120) }),
  corrected: z.strictObject({
    target: ulid,
    at: instant.nullable(),
    /** The whole entry as it should have been: held against its target's shape at the door. */
    data: z.record(text(80), z.unknown()).superRefine(unstorable),
  }),
  voided: z.strictObject({ target: ulid }),
  finished: z.strictObject({
    verdict: z.enum(['kept', 'discarded']),
    reason: longText,
    /** All of it was poured into this other make. */
    into: ulid.optional(),
  }),
  /** A part of it went another way, as a make of its own. */
  'split-off': z.strictObject({
    makeId: ulid,
    share: z.number().min(0.01, 'is too small a share').max(0.99, 'is nearly the whole batch'),
    /** Which of its jars went along. */
    jars: z.array(ulid).max(200),
  }),
  /** Another make was poured into it; how that was then. */
  joined: z.strictObject({
    makeId: ulid,
    massKg: massKg.max(200, 'is more than 200 kg'),
    celsius: temperatureC,
    composition,
    acidMmolPerKg: z.number().min(0).max(400),
    log10CfuPerMl: z.partialRecord(z.enum(GROUPS), z.number().min(-2).max(11)),
    raw: z.boolean(),
    /** How long it had stood warm, h, and whether its acid had been shown. */
    warmH: z.number().min(0).max(2000),
    shownAcid: z.boolean(),
  }),
  /** What was poured into a make, and from which lots. */
  'milk-poured': milkPoured,
  /** Something happened to a culture. */
  'culture-changed': cultureChange,
  /** How the waking of a dried culture was told before it was a make like any other. */
  'waking-started': z.strictObject({ plan: wakingPlan }),
  'waking-done': wakingDone,
  /** A waking culture was given its milk; `null` is as much as planned. */
  fed: z.strictObject({
    step: stepRef,
    massKg: massKg.max(50, 'is more than 50 kg').nullable(),
    typed: typedQuantity.nullable(),
  }),
  /** Something happened to a lot of milk or cream. */
  'milk-moved': milkMovement,
  /** What a step's cloth let go so far, as the bowl holds it, or what hangs in it. */
  'drain-weighed': z.strictObject({
    step: stepRef,
    massKg,
    of: z.enum(['whey', 'curd']),
    typed: typedQuantity,
  }),
  /** Drained too far: whey was stirred back. */
  'whey-returned': z.strictObject({ step: stepRef, massKg, typed: typedQuantity }),
  /** The curd was tried with a knife: does it break clean? */
  'break-tried': z.strictObject({ step: stepRef, clean: z.boolean() }),
  /** The cheese was turned. */
  turned: z.strictObject({ step: stepRef }),
  /** Which of the kitchen's numbered tags hang on its jars; the latest counts. */
  tagged: z.strictObject({
    tags: z
      .array(
        z
          .number('is not a number')
          .int('is not a whole number')
          .min(1, 'is less than 1')
          .max(999, 'is more than 999'),
      )
      .max(40, 'is more than forty'),
  }),
  /** A picture was taken of it; it is stored elsewhere. */
  photographed: photoFacts,
  'method-changed': methodChange,
  'day-changed': dayChange,
  /** Something happened to goods in the larder. */
  'larder-moved': larderMovement,
  'kitchen-changed': kitchenChange,
  /** What was learned about one thing is forgotten from here on. */
  'learning-reset': z.strictObject({ kind: z.enum(FACTOR_KINDS), thing: text(40).min(1) }),
} as const;

export type EventType = keyof typeof EVENT_DATA;
export const EVENT_TYPES = Object.keys(EVENT_DATA) as EventType[];

/** An event as a device sends it. */
export type DraftEvent = {
  [T in EventType]: {
    /** Identity, made by the sender; never an order. */
    readonly id: string;
    /** The make; the lot for `milk-moved`; the culture for `culture-changed`; the goods for `larder-moved`; the kitchen for `kitchen-changed` and `learning-reset`. */
    readonly streamId: string;
    /** When it happened. */
    readonly at: string;
    readonly cookId: string | null;
    readonly deviceId: string;
    readonly version: number;
    readonly type: T;
    readonly data: z.infer<(typeof EVENT_DATA)[T]>;
  };
}[EventType];

/** An event as the log holds it. */
export type StoredEvent = DraftEvent & { readonly seq: number; readonly receivedAt: string };
export type EventOf<T extends EventType> = Extract<DraftEvent, { type: T }>;

const envelopeOf = <T extends EventType, D extends z.ZodType>(type: T, version: number[], data: D) =>
  z.strictObject({
    id: ulid,
    streamId: ulid,
    at: instant,
    cookId: ulid.nullable(),
    deviceId: deviceName,
    version: z.literal(version),
    type: z.literal(type),
    data,
  });
const storedToo = { seq: z.number().int().positive(), receivedAt: instant };

/** One kind of event in all its versions; `more` is what the log adds. */
function envelope<T extends EventType>(type: T, more: Partial<typeof storedToo>) {
  const today = (versions: number[]) =>
    envelopeOf(type, versions, EVENT_DATA[type] as z.ZodType).extend(more);
  if (type !== 'make-started') return today(KNOWN_VERSIONS);
  const first = envelopeOf(type, [1], z.strictObject({ plan: makePlanV1 })).extend(more);
  return z.discriminatedUnion('version', [first, today([2, 3, EVENT_VERSION])]);
}

type Envelopes = readonly [
  z.ZodObject<{ type: z.ZodLiteral<EventType> }>,
  ...z.ZodObject<{ type: z.ZodLiteral<EventType> }>[],
];
const envelopes = EVENT_TYPES.map((type) => envelope(type, {})) as unknown as Envelopes;
/** As sent: an older version is still in its own shape, see `broughtUp`. */
export const draftEvent = z.discriminatedUnion('type', envelopes) as unknown as z.ZodType<DraftEvent>;

const storedEnvelopes = EVENT_TYPES.map((type) => envelope(type, storedToo)) as unknown as Envelopes;
export const storedEvent = z.discriminatedUnion('type', storedEnvelopes) as unknown as z.ZodType<StoredEvent>;

/**
 * An event of a version this program knows, as it is.
 * @throws RangeError for one it does not know
 */
export function knownEvent(raw: unknown): unknown {
  const version = typeof raw === 'object' && raw !== null && 'version' in raw ? raw.version : undefined;
  if (typeof version === 'number' && KNOWN_VERSIONS.includes(version)) return raw;
  throw new RangeError(
    `entry version ${String(version)} is not known; this Morning Crock writes version ${EVENT_VERSION}`,
  );
}
