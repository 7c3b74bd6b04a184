import { formatMinutes, type NoPlanReason, type Offer, type Price } from '@morning-crock/core';
import type { Units } from '../../data/units-of.ts';

/** What one price asks of the maker. */
function priceWords(price: Price, units: Units, nowMs: number): string {
  switch (price.kind) {
    case 'start':
      return `start ${units.time(price.atMs, nowMs)}`;
    case 'dose':
      return `${units.mass(Math.abs(price.deltaKg))} ${price.deltaKg > 0 ? 'more' : 'less'} starter (${units.mass(price.massKg)})`;
    case 'place':
      return `in ${price.name}`;
    case 'heat':
      return `set the dial to ${units.temperature(price.toC)} instead of ${units.temperature(price.fromC)}`;
    case 'bath':
      return `cool in ${units.volume(price.waterLitres)} of cold water, which saves about ${formatMinutes(price.savesMin)}`;
    case 'sourer':
      return `sourer: ${price.sourness}`;
  }
}

/** An offer's prices in one line. */
export function offerWords(offer: Offer, units: Units, nowMs: number): string {
  const asked = offer.prices.filter((p) => p.kind !== 'start');
  return asked.length === 0 ? 'as planned' : asked.map((p) => priceWords(p, units, nowMs)).join('; ');
}

/** Why there is no way, and what is nearest. */
export function noWayWords(
  reason: NoPlanReason,
  earliestMs: number | null,
  units: Units,
  nowMs: number,
): string {
  const earliest = earliestMs === null ? '' : ` The earliest time is about ${units.time(earliestMs, nowMs)}.`;
  switch (reason) {
    case 'past':
      return 'Choose a time within the next five days.';
    case 'too-late':
      return `The batch cannot be ready by then with the changes you allow.${earliest}`;
    case 'nobody-there':
      return 'Every possible start needs you while everybody is asleep or away. Choose another time.';
    case 'too-sour':
      return 'The batch would be ready while nobody is there, and too sour by the time somebody is. Allow a sourer result, or a different temperature or dose.';
    case 'unsafe':
      return 'No safe plan found. The milk would stay warm too long before it turned acid. Allow more changes.';
    case 'never-sets':
      return 'The milk would never set like this. Check the temperature and the starter.';
  }
}
