import type { StepKind } from '../contract/index.ts';
import { POUR } from './pour.ts';
import { HEAT } from './heat.ts';
import { HOLD } from './hold.ts';
import { COOL } from './cool.ts';
import { INOCULATE } from './inoculate.ts';
import { INCUBATE } from './incubate.ts';
import { CHILL } from './chill.ts';
import { WEIGH } from './weigh.ts';
import { TASTE } from './taste.ts';
import { RESERVE } from './reserve.ts';
import { SCALD } from './scald.ts';
import { RIPEN } from './ripen.ts';
import { THICKEN } from './thicken.ts';
import { TAKE_OUT } from './take-out.ts';
import { TEMPER } from './temper.ts';
import { CHURN } from './churning/churn.ts';
import { DRAIN } from './drain.ts';
import { WASH } from './wash.ts';
import { WORK } from './work.ts';
import { FEED } from './feed.ts';
import { STAND } from './stand.ts';
import { CLARIFY } from './clarify.ts';
import { SETTLE } from './settle.ts';
import { FILTER } from './filter.ts';
import { COOL_GHEE } from './cool-ghee.ts';
import { ADD_RENNET } from './add-rennet.ts';
import { COAGULATE } from './coagulate.ts';
import { RIPEN_MILK } from './ripen-milk.ts';
import { CUT } from './cut.ts';
import { REST } from './rest.ts';
import { STIR } from './stir.ts';
import { SWAP_WHEY } from './swap-whey.ts';
import { STRAIN } from './strain.ts';
import { PRESS } from './press.ts';
import { SALT } from './salt.ts';
import { BRINE } from './brine.ts';
import { ACIDIFY } from './acidify.ts';
import { ADD_DOSE } from './add-dose.ts';
import { LADLE } from './ladle.ts';
import { POUR_OFF } from './pour-off.ts';
import { GRAINS_OUT } from './grains-out.ts';
import { SECOND_RIPEN } from './second-ripen.ts';
import { MIX_IN } from './mix-in.ts';
import { WHIP } from './whip.ts';
import { FREEZE } from './freeze.ts';
import { OWN } from './own.ts';
import { AGE, DRY } from './shelf.ts';
import type { StepFacts, StepType } from './step-type.ts';

export * from './step-type.ts';
export type { Goods, StepOf } from './step-of.ts';
export type { AcidMark, MarkMoment, MarkName, MarkRole, ShareMark } from './mark.ts';
export { closed, handsOnly, type Leg, type LegReading, type LegRun } from './leg.ts';
export { heatTargetC } from './heat.ts';
export { coolingMin } from './cool.ts';
export {
  loadsOf,
  temperBath,
  temperMin,
  tempersCold,
  withStanding,
  type Standing,
  type TemperBath,
} from './temper.ts';
export { preparationOf, type Preparation } from './churning/set-out-for-churning.ts';
export {
  churnName,
  creamIn,
  loadRuns,
  withLoads,
  withLoadsAnew,
  withLoadsLeft,
  type LoadRun,
} from './churning/load-runs.ts';
export { CHURN_TOLD } from './churning/churn-told.ts';
export * from './churning/loads-on-the-clock.ts';
export { churningStep } from './churning/too-long.ts';
export * from './churning/churning-log.ts';
export { churningClues } from './clues/churning-clues.ts';
export { curdClues } from './clues/curd-clues.ts';
export { ruledOut } from './clues/ruled-out.ts';
export * from './churning/slow-churning.ts';
export * from './churning/fat-balance.ts';
export { churnedOf } from './churning/churned.ts';
export { butterKeepsAt } from './churning/butter-of-make-keeps.ts';
export { serumLeftIn } from './churning/serum.ts';
export { SALT_TOLD, WASH_TOLD, WORK_TOLD } from './butter-told.ts';
export { PAN_TOLD } from './pan-told.ts';
export * from './pan-now.ts';
export * from './draining-now.ts';
export * from './rennet-learned.ts';
export type { Alarm } from './alarm.ts';
export type { Fit } from './learns.ts';
export type { MakeAt, MakeView, StepState, TemperatureReading } from './make-view.ts';
export { told, type Told as StepTold } from './told.ts';
export { saltShareOf } from './work.ts';
export { FREEZING_MACHINE_FACTS, MACHINE_FILL, type FreezeStep } from './freeze.ts';
export { freeName } from './free-name.ts';
export { DOSED, labelDoseWords, type DoseStep } from './add-dose.ts';
export { washingOf, serumLeft } from './wash.ts';
export { boilsOff, clarifyOf, panOf, panStep } from './clarify.ts';
export { scaldMin, whenThere, type Fed } from './feeding.ts';
export { THICKENS_H } from './thicken.ts';
export { clothSeen, wheyOffKg, wheyWeighed } from './cloth-seen.ts';
export {
  CURD_TOLD,
  NOTHING_SEEN,
  type Curd,
  type CurdSeen,
  type Flowed,
  type PartedOff,
} from './curd-run.ts';
export { rennetAmount, rennetOf, rennetWords, type RennetStep } from './add-rennet.ts';
export { drainingOf, drainWayOf, thicknessOf, LONGEST_DRAIN_H } from './draining-of.ts';
export { TRY_AGAIN_MIN } from './coagulate.ts';
export { CELLAR_C } from './shelf.ts';
export { twoOf } from './ladle.ts';
export { makesGas } from './gas.ts';
export { workOf, type Work } from './practised.ts';
export { STEP_ADVICE } from './advice/index.ts';

/** One kind of step a line: nothing else knows them by name. */
export const STEP_TYPES: Readonly<Record<StepKind, StepType>> = {
  pour: POUR,
  heat: HEAT,
  hold: HOLD,
  cool: COOL,
  inoculate: INOCULATE,
  incubate: INCUBATE,
  chill: CHILL,
  weigh: WEIGH,
  taste: TASTE,
  reserve: RESERVE,
  scald: SCALD,
  ripen: RIPEN,
  thicken: THICKEN,
  'take-out': TAKE_OUT,
  temper: TEMPER,
  churn: CHURN,
  drain: DRAIN,
  wash: WASH,
  work: WORK,
  feed: FEED,
  stand: STAND,
  clarify: CLARIFY,
  settle: SETTLE,
  filter: FILTER,
  'cool-ghee': COOL_GHEE,
  'add-rennet': ADD_RENNET,
  coagulate: COAGULATE,
  'ripen-milk': RIPEN_MILK,
  cut: CUT,
  rest: REST,
  stir: STIR,
  'swap-whey': SWAP_WHEY,
  strain: STRAIN,
  press: PRESS,
  salt: SALT,
  brine: BRINE,
  acidify: ACIDIFY,
  ladle: LADLE,
  'pour-off': POUR_OFF,
  'grains-out': GRAINS_OUT,
  'second-ripen': SECOND_RIPEN,
  'add-dose': ADD_DOSE,
  'mix-in': MIX_IN,
  whip: WHIP,
  freeze: FREEZE,
  own: OWN,
  dry: DRY,
  age: AGE,
};

/** What is known of a kind of step. */
/** What a step wants to find. @example stepAsks('heat') // ['a burner', 'a probe'] */
export const stepAsks = (kind: StepKind): readonly string[] => STEP_TYPES[kind].asks ?? [];
export const stepFacts = (kind: StepKind): StepFacts => STEP_TYPES[kind].facts;
