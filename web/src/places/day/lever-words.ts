import { formatMinutes, type Lever } from '@morning-crock/core';
import type { Units } from '../../data/units-of.ts';

/** A share of the milk. @example shareWords(0.025) // '2.5 %' */
export const shareWords = (share: number): string => `${Math.round(share * 1000) / 10} %`;

/** Where a batch is kept warm, as it is said of it. @example warmWords('thermos') // 'in a thermos' */
export const warmWords = (kind: string | undefined): string =>
  ({
    'insulated-box': 'in an insulated box',
    thermos: 'in a thermos',
    'oven-lamp': 'in the oven with its lamp on',
  })[kind ?? ''] ?? 'in a towel';

/** What would help, as it is offered. @param name of the batch it is about @example leverWords(lever, 'Yogurt', units) // 'Cool the Yogurt in an iced bath, with 2 kg of ice' */
export function leverWords(
  { kind, iceKg, litres, aims, beginsMs }: Lever,
  name: string,
  units: Units,
): string {
  return {
    'iced-bath': `${name}: cool in an iced bath${iceKg === null ? '' : `, with ${units.mass(iceKg)} of ice`}`,
    place: `${name}: keep warm ${warmWords(aims?.place?.kind)} instead of the warm place`,
    starter: `${name}: use ${shareWords(aims?.starter?.share ?? 0)} starter`,
    early: `${name}: start it before the rest${beginsMs === null ? '' : `, on ${units.day(beginsMs)} at ${units.clock(beginsMs)}`}`,
    less: `${name}: make ${units.volume(litres ?? 0)} instead`,
    pot: `Another pot of ${units.volume(litres ?? 0)}`,
    burner: 'Another burner',
    helper: 'Somebody to help',
  }[kind];
}

/** What it costs is said from so much on, min. */
const WORTH_SAYING_MIN = 10;

/** By how much it helps, the most important first, and what it costs. */
export function helpWords({ makesItFit, lessLateMin, lessOutsideMin, soonerMin }: Lever): string {
  if (makesItFit) return 'With this, everything fits.';
  const parts = [
    lessLateMin > 0 ? `${formatMinutes(lessLateMin)} less late` : '',
    lessOutsideMin > 0 ? `${formatMinutes(lessOutsideMin)} less outside your hours` : '',
    soonerMin > 0 ? `each batch ready ${formatMinutes(soonerMin)} sooner on average` : '',
    soonerMin <= -WORTH_SAYING_MIN
      ? `but each batch ready ${formatMinutes(-soonerMin)} later on average`
      : '',
  ].filter((words) => words !== '');
  const said = parts.join(', ');
  return said === '' ? '' : `${said.charAt(0).toUpperCase()}${said.slice(1)}.`;
}
