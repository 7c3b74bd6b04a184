import { daysOld, growthPerDay, isLive, placeOf, STARTER_FACTS } from '@morning-crock/core';
import type { Culture } from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';

const PLACE = { cold: 'in the fridge', freezer: 'in the freezer', room: 'at room temperature' } as const;

/** "turn 3, 2 days old, in the cold". */
export function cultureWords(culture: Culture, nowMs: number): string {
  const days = Math.floor(daysOld(culture, nowMs));
  const age = days === 0 ? 'made today' : `${days} ${days === 1 ? 'day' : 'days'} old`;
  if (culture.packet) return `${STARTER_FACTS[culture.kind].label.toLowerCase()}, ${PLACE[placeOf(culture)]}`;
  return `generation ${culture.turn}, ${age}, ${isLive(culture) ? PLACE[placeOf(culture)] : 'none left'}`;
}

/** @example packetWords(1.25) // '1.25 packets' */
export function packetWords(packets: number): string {
  const shown = Math.round(packets * 100) / 100;
  return `${shown} ${shown === 1 ? 'packet' : 'packets'}`;
}

/** What is left of it and what is known of it. */
export function factsOf(culture: Culture, units: Units): string[] {
  const { packet } = culture;
  const growth = growthPerDay(culture);
  return [
    STARTER_FACTS[culture.kind].label,
    culture.heirloom ? 'heirloom' : '',
    packet ? `${packetWords(packet.packetsLeft)}, each for ${units.volume(packet.statedLitres)}` : '',
    packet?.opened ? 'one opened' : '',
    packet?.lot ? `lot ${packet.lot}` : '',
    packet?.useByMs ? `use by ${units.day(packet.useByMs)}` : '',
    culture.massKg === null ? '' : `${units.mass(culture.massKg)} left`,
    growth === null ? '' : `grows ${(growth * 100).toFixed(1)} % a day`,
    culture.source ? `from ${culture.source}` : '',
  ].filter(Boolean);
}
