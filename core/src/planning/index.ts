export * from './backwards.ts';
export { coldBath, type Allowed, type Price } from './variants.ts';
export {
  butterBack,
  planningButter,
  type ButterWay,
  type ButterWays,
  type ButterWish,
} from './butter-back.ts';
export {
  nextNight,
  nightWays,
  turnings,
  warmBath,
  type Night,
  type NightWay,
  type Turning,
} from './night.ts';
