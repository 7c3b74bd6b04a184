import { formatMinutes, type NoPlanReason, type Offer, type Price } from '@morning-crock/core';
import type { Units } from '../data/units-of.ts';

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
      return `dial at ${units.temperature(price.toC)} instead of ${units.temperature(price.fromC)}`;
    case 'bath':
      return `cool it in ${units.volume(price.waterLitres)} of cold water, about ${formatMinutes(price.savesMin)}`;
    case 'sourer':
      return `sourer: ${price.sourness}`;
  }
}

/** An offer's prices in one line. */
export function offerWords(offer: Offer, units: Units, nowMs: number): string {
  const asked = offer.prices.filter((p) => p.kind !== 'start');
  return asked.length === 0 ? 'as you planned it' : asked.map((p) => priceWords(p, units, nowMs)).join('; ');
}

/** Why there is no way, and what is nearest. */
export function noWayWords(
  reason: NoPlanReason,
  earliestMs: number | null,
  units: Units,
  nowMs: number,
): string {
  const earliest = earliestMs === null ? '' : ` The earliest is about ${units.time(earliestMs, nowMs)}.`;
  switch (reason) {
    case 'past':
      return 'Choose a time from now on, at most five days ahead.';
    case 'too-late':
      return `It cannot be ready by then with what may be changed.${earliest}`;
    case 'nobody-there':
      return 'Every start that would do needs hands when nobody is there: asleep or away.';
    case 'too-sour':
      return 'It would be ready when nobody is there to take it out, and be sourer than you want by the time somebody is. Allow it to be sourer, or another heat or dose.';
    case 'unsafe':
      return 'It would stand warm too long before it is acid: no such plan is offered.';
    case 'never-sets':
      return 'Like this it does not set at all. Look at the heat and the starter.';
  }
}
