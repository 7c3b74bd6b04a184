import type { KitchenPlace, KitchenPot, KitchenSettings } from '../contract/index.ts';
import { APPLIANCE_SIGMA_C, PLACE_FACTS, placeWarms } from '../science/heat/index.ts';

/** A pot as plans are made with it today: the lid is a choice of each cooling, not of the pot. */
const potOfToday = ({ lidded: _lidded, ...pot }: KitchenPot): KitchenPot => pot;

/** A place as plans are made with it today: nobody has held a thermometer into an appliance that was never checked. */
function placeOfToday(place: KitchenPlace): KitchenPlace {
  const unread =
    place.checkedAt !== undefined && placeWarms(place)
      ? APPLIANCE_SIGMA_C.checked
      : place.kind === 'appliance'
        ? APPLIANCE_SIGMA_C.unchecked
        : PLACE_FACTS[place.kind].biasSigmaC;
  return place.biasSigmaC === unread ? place : { ...place, biasSigmaC: unread };
}

/**
 * A kitchen as plans are made in it today, whenever its things were stored. What is planned already keeps the things as
 * they were. @example kitchenOfToday(stored).pots[0].lidded // undefined
 */
export const kitchenOfToday = (kitchen: KitchenSettings): KitchenSettings => ({
  ...kitchen,
  pots: kitchen.pots.map(potOfToday),
  places: kitchen.places.map(placeOfToday),
});
