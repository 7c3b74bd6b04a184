export * from './wish.ts';
export { layingRoughly, type RoughDay } from './rough-day.ts';
export { daySpells } from './day-spells.ts';
export { SPARE_DAYS, type DayChore, type DayWish, type WishedMake } from './asked-day.ts';
export { lookingForLevers, type Lever, type LeverKind } from './levers.ts';
export { slotsOf, type DayHands } from './hands.ts';
export { dayNeeds, type DayNeed } from './needs.ts';
export type { WhyHere } from './why-here.ts';
export type { KeptFree } from './kept-free.ts';
export type { Robustness } from './robust.ts';
export { howItWent, type StepWent } from './how-it-went.ts';
export { movedBy, movedSince, type MovedBy } from './moved-by.ts';
export { goOn, type DayGoesOn, type GoingDay } from './live.ts';
export {
  litresThere,
  pourDay,
  SKIM_MIN,
  skimmables,
  poursFor,
  sortOf,
  wantsOf,
  type Skimmable,
  type DayPours,
  type DaySkim,
  type WayOut,
} from './pours.ts';
export { eveningList, heldSpans, lanesOf, type EveningThing } from './evening.ts';
export { mostLitres } from './most-litres.ts';
export { USUAL_COLANDERS } from './vessels.ts';
export { LOOK_MIN } from './problem.ts';
export { daysAfter, foldDays } from './kept-days.ts';
export { waitingFor, waitingIn } from './waiting-in.ts';
export { comingSlots, goingOf } from './going-day.ts';
