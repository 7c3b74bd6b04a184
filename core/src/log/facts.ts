import type { EventType } from '../contract/index.ts';

/** What a stream of entries is about. */
export type StreamKind = 'make' | 'lot' | 'culture' | 'method' | 'day' | 'goods' | 'kitchen';
/** What is folded from the entries of many streams. */
export type Register = 'milk' | 'cultures' | 'larder';
/** What a kitchen is asked for besides its registers and its makes. */
export type KitchenList = 'kitchen' | 'factors' | 'methods' | 'days';

/** All that has to be known of a type of entry apart from its shape. */
export interface EventFacts {
  /** Whose stream takes it. */
  readonly of: readonly StreamKind[];
  /** A stream begins with it; nothing takes it back. */
  readonly begins?: true;
  /** A stream is over with it. */
  readonly ends?: true;
  /** It counts for nothing by itself: it changes another entry. */
  readonly changes?: true;
  /** There may be any number of them, each bounded by its shape: none can make a make unreadable. */
  readonly bounded?: true;
  /** Others are worked out with it: after it the make must still be readable. */
  readonly shapes?: true;
  /** No forecast follows from it. */
  readonly aside?: true;
  /** A make that is over still takes it, whenever it is dated. */
  readonly afterwards?: true;
  /** Undo passes over it: nobody entered it by hand. */
  readonly unasked?: true;
  /** No line of the Daybook follows from it. */
  readonly unlisted?: true;
  /** What was learned may be another with it. */
  readonly teaches?: true;
  /** The registers that are folded from it. */
  readonly feeds?: readonly Register[];
  /** The registers that may have something to say against it. */
  readonly checkedBy?: readonly Register[];
  /** A make gave something to the milk room by it: taken back, what was made of that must still have been. */
  readonly gives?: true;
  /** It says what kind of happening it is, and whom it is about: a correction leaves that alone. */
  readonly named?: true;
  /** What else is another with it. */
  readonly renews?: readonly KitchenList[];
}

const ANY: readonly StreamKind[] = ['make', 'lot', 'culture', 'method', 'day', 'goods', 'kitchen'];
const MAKE: readonly StreamKind[] = ['make'];
const ALL: readonly Register[] = ['milk', 'cultures', 'larder'];

/** One line a type: whoever has to tell types apart asks here. */
export const EVENT_FACTS: Readonly<Record<EventType, EventFacts>> = {
  'make-started': {
    of: MAKE,
    begins: true,
    shapes: true,
    unasked: true,
    feeds: ALL,
    checkedBy: ['milk', 'cultures'],
  },
  planned: { of: MAKE, shapes: true, aside: true, unasked: true, unlisted: true },
  'step-done': { of: MAKE, feeds: ['milk'], gives: true },
  'step-skipped': { of: MAKE, feeds: ['milk', 'larder'], gives: true },
  'temperature-read': { of: MAKE, bounded: true, unlisted: true },
  'heat-felt': { of: MAKE, bounded: true, unlisted: true },
  'ph-read': { of: MAKE, bounded: true },
  titrated: { of: MAKE, bounded: true, afterwards: true },
  'trace-imported': { of: MAKE, bounded: true, teaches: true },
  replanned: { of: MAKE, shapes: true },
  'jar-chilled': { of: MAKE, shapes: true },
  'cue-seen': { of: MAKE, bounded: true },
  'starter-added': { of: MAKE, shapes: true, feeds: ['cultures'] },
  weighed: { of: MAKE, afterwards: true, feeds: ['milk', 'larder'], gives: true },
  'stage-seen': { of: MAKE, bounded: true },
  'pan-weighed': { of: MAKE, bounded: true },
  'pan-changed': { of: MAKE, bounded: true },
  'pan-tested': { of: MAKE, bounded: true, afterwards: true },
  rinsed: { of: MAKE, bounded: true },
  salted: { of: MAKE, afterwards: true },
  'load-begun': { of: MAKE, shapes: true },
  'churn-rested': { of: MAKE, shapes: true },
  'water-poured': { of: MAKE, shapes: true },
  iced: { of: MAKE, bounded: true },
  flavoured: { of: MAKE, bounded: true, afterwards: true },
  shaped: { of: MAKE, bounded: true, afterwards: true },
  tasted: { of: MAKE, bounded: true, aside: true, afterwards: true },
  'fault-told': { of: MAKE, bounded: true, aside: true, afterwards: true },
  noted: { of: MAKE, bounded: true, aside: true, afterwards: true },
  reserved: { of: MAKE, afterwards: true, feeds: ['cultures'], checkedBy: ['cultures'] },
  'alarm-acknowledged': {
    of: MAKE,
    bounded: true,
    aside: true,
    afterwards: true,
    unasked: true,
    unlisted: true,
  },
  corrected: { of: ANY, changes: true, afterwards: true, teaches: true, feeds: ALL },
  voided: { of: ANY, changes: true, afterwards: true, unasked: true, teaches: true, feeds: ALL },
  finished: { of: MAKE, ends: true, teaches: true, feeds: ['milk', 'cultures'] },
  'milk-poured': { of: MAKE, shapes: true, feeds: ['milk'], checkedBy: ['milk'] },
  'culture-changed': {
    of: ['culture'],
    begins: true,
    feeds: ['cultures'],
    checkedBy: ['cultures'],
    named: true,
    renews: ['factors'],
  },
  fed: { of: MAKE, shapes: true },
  'waking-started': {
    of: MAKE,
    begins: true,
    shapes: true,
    unasked: true,
    feeds: ['cultures'],
    checkedBy: ['cultures'],
  },
  'waking-done': { of: MAKE, shapes: true },
  'milk-moved': { of: ['lot'], begins: true, feeds: ['milk'], checkedBy: ['milk'], named: true },
  'drain-weighed': { of: MAKE, shapes: true, feeds: ['milk'], gives: true },
  'whey-returned': { of: MAKE, shapes: true, feeds: ['milk'], gives: true },
  'break-tried': { of: MAKE, bounded: true },
  turned: { of: MAKE, bounded: true },
  tagged: { of: MAKE, bounded: true, aside: true, unlisted: true },
  'split-off': { of: MAKE, shapes: true, unasked: true, feeds: ['milk'] },
  joined: { of: MAKE, shapes: true, unasked: true },
  photographed: { of: MAKE, bounded: true, aside: true, afterwards: true, unlisted: true },
  'method-changed': { of: ['method'], begins: true, renews: ['methods'] },
  'day-changed': { of: ['day'], begins: true, renews: ['days'] },
  'larder-moved': {
    of: ['goods'],
    begins: true,
    feeds: ['larder', 'milk'],
    checkedBy: ['larder'],
    named: true,
  },
  'kitchen-changed': { of: ['kitchen'], renews: ['kitchen', 'factors'] },
  'learning-reset': { of: ['kitchen'], renews: ['factors'] },
};

/** The types of which something holds. @example eventsThat((f) => f.bounded) // ['temperature-read', …] */
export const eventsThat = (holds: (facts: EventFacts) => boolean | undefined): readonly EventType[] =>
  (Object.keys(EVENT_FACTS) as EventType[]).filter((type) => holds(EVENT_FACTS[type]));

/** Whether a make begins with it: no lot and no culture. */
export const beginsMake = (type: EventType): boolean =>
  EVENT_FACTS[type].begins === true && EVENT_FACTS[type].of.includes('make');

/** Whether an entry changes another. */
export const isChange = <E extends { readonly type: EventType }>(
  event: E,
): event is Extract<E, { readonly type: 'voided' | 'corrected' }> => EVENT_FACTS[event.type].changes === true;

/** The types a register is folded from. */
export const feeding = (register: Register): readonly EventType[] =>
  eventsThat((facts) => facts.feeds?.includes(register));
