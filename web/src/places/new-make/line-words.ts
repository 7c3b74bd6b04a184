import {
  batchOf,
  CHURN_FACTS,
  creamDegree,
  isHeated,
  MILK_SAID,
  mixedIn,
  placeAmbientC,
  potWords,
  productOf,
  secondName,
  shortOfCulture,
  STARTER_FACTS,
  listed,
  lower,
} from '@morning-crock/core';
import { PRODUCT_TAKES, type Culture, type Lot, type MakePlan } from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';
import { packetWords } from '../../parts/words/culture-words.ts';
import { MACHINE_LABEL } from '../../parts/words/freezing-words.ts';
import { stepOf } from '../../parts/words/method-step.ts';
import { wetnessOf } from './panels/wetness.ts';

/** What a plan's lines say: one sentence a line, from which somebody sees whether it is what they want. */

/** Cream by how sour it is. */
const CREAM_WORDS = { sweet: 'sweet cream', 'just-sour': 'just-sour cream', sour: 'ripened cream' } as const;

const percent = (fraction: number): string => `${(fraction * 100).toFixed(1)} %`;
const fatWords = (plan: MakePlan): string =>
  `${plan.milk.fatFraction === null ? 'about ' : ''}${percent(plan.milk.fatFraction ?? batchOf(plan).composition.fatFraction)} fat`;

/** "Marrow, morning", "Marrow, morning and Marrow, evening". */
const lotNames = (plan: MakePlan, lots: readonly Lot[]): string =>
  (plan.milk.lots ?? [])
    .map(({ lotId }) => lots.find(({ id }) => id === lotId)?.name ?? 'the milk room')
    .join(' and ');

/**
 * What goes in.
 * @example pourWords(plan, [], units) // "2 L shop milk, whole, pasteurised, about 3.5 % fat"
 */
export function pourWords(plan: MakePlan, lots: readonly Lot[], units: Units): string {
  const { milk } = plan;
  const takes = PRODUCT_TAKES[plan.product];
  const from = milk.lots
    ? ` from ${lotNames(plan, lots)}`
    : milk.goods
      ? ` from ${milk.goods.map(({ name }) => name).join(' and ')}`
      : '';
  if (takes === 'butter')
    return `${units.mass(batchOf(plan).massKg)} butter${from}, ${wetnessOf(plan).label}`;
  const amount = `${milk.byLevel ? 'about ' : ''}${units.volume(milk.litres)}`;
  if (takes === 'cream') {
    const state = milk.wholeCurd ? 'whole soured milk' : CREAM_WORDS[creamDegree(milk)];
    return `${amount} ${milk.treatment} ${state}${from}, ${fatWords(plan)}, at ${units.temperature(milk.startC)}`;
  }
  const { into } = productOf(plan).goods;
  // What is not milk any more is told by what it is, and by its milk.
  const of =
    into === 'milk'
      ? milk.lots || milk.goods
        ? from
        : ` ${MILK_SAID[milk.kind]}`
      : ` ${into}${milk.goods ? from : ` of ${MILK_SAID[milk.kind]}`}`;
  const added = [
    milk.second && `${units.volume(milk.second.litres)} ${secondName(milk.second)}`,
    milk.powder && `${units.mass(milk.powder.massKg)} milk powder`,
  ].filter((part) => part !== undefined);
  return `${amount}${of}, ${milk.treatment}, ${fatWords(plan)}${added.length > 0 ? `, with ${added.join(' and ')}` : ''}`;
}

const COOLED = { counter: 'cool', bath: 'cool in cold water', 'iced-bath': 'cool in iced water' } as const;
const cooledHow = ({ cooling }: MakePlan): string =>
  cooling?.kind === 'counter' && cooling.lidOn ? 'cool with the lid on' : COOLED[cooling?.kind ?? 'counter'];
/** A setting is told where it is not the usual one. */
const SET_TO = { low: ' on low heat', medium: '', full: ' on full heat' } as const;

/**
 * What is done to it before the starter goes in, read on from "Heat" or "Scald".
 * @example heatWords(plan, units) // "to 85 °C, hold 10 min, cool to 44.0 °C"
 */
export function heatWords(plan: MakePlan, units: Units): string {
  const { heat, inoculateC } = plan;
  const to = units.temperature(inoculateC);
  if (!isHeated(plan)) return PRODUCT_TAKES[plan.product] === 'cream' ? 'not at all' : `only to ${to}`;
  const hold = heat.holdMin > 0 ? [`hold ${heat.holdMin} min`] : [];
  return [
    `${heat.kind === 'boil' ? 'to the boil' : `to ${units.temperature(heat.targetC)}`}${heat.flame ? SET_TO[heat.flame] : ''}`,
    ...hold,
    `${cooledHow(plan)} to ${to}`,
  ].join(', ');
}

/**
 * What sours it.
 * @example starterWords(plan, [], units) // "live plain yogurt, 41 g (2.0 %)"
 */
export function starterWords(plan: MakePlan, cultures: readonly Culture[], units: Units): string {
  const { starter } = plan;
  const { label, dosing } = STARTER_FACTS[starter.kind];
  if (dosing === 'none') return 'none; raw milk sours by itself';
  const culture = cultures.find(({ id }) => id === starter.cultureId);
  const name = culture
    ? `${culture.name}${culture.packet ? '' : `, generation ${culture.turn}`}`
    : lower(label);
  if (dosing === 'stated')
    return starter.statedRatio === null
      ? `${name}, dose not entered`
      : `${name}, ${Number(starter.statedRatio.toFixed(2))} × the packet dose`;
  if (starter.massKg === null || starter.massKg === 0) return `${name}, dose not entered`;
  return `${name}, ${units.mass(starter.massKg)} (${percent(starter.massKg / batchOf(plan).massKg)})`;
}

/** What a plan asks of its culture and the register does not have; nothing when there is enough. */
export function shortWords(plan: MakePlan, cultures: readonly Culture[], units: Units): string | null {
  const culture = cultures.find(({ id }) => id === plan.starter.cultureId);
  const short = culture ? shortOfCulture(plan, culture) : null;
  if (!short) return null;
  const [left, wanted] =
    short.of === 'kg'
      ? [`${units.mass(short.left)} of this culture is`, units.mass(short.wanted)]
      : [
          `${packetWords(short.left)} of this culture ${short.left === 1 ? 'is' : 'are'}`,
          packetWords(short.wanted),
        ];
  return `Only ${left} on record. This batch needs ${wanted}. Weigh what you have, or use a smaller dose.`;
}

/**
 * Where it stands while it sours, and in what.
 * @example placeWords(plan, units) // "Yogurt maker at 43.0 °C, in the Milk pot"
 */
export function placeWords(plan: MakePlan, units: Units): string {
  const { place, pot, jars = [] } = plan;
  const at =
    place.kind === 'appliance'
      ? `${place.name} at ${units.temperature(place.setPointC ?? 43)}`
      : `${place.name}, about ${units.temperature(placeAmbientC(place, plan.roomC, 1))}`;
  if (jars.length > 0) return `${at}, in ${jars.length === 1 ? 'one jar' : `${jars.length} jars`}`;
  return `${at}, in ${potWords(pot)}`;
}

/** How it is frozen; `null` where nothing is. @example freezeWords(plan) // "churned in a bowl frozen beforehand, hardened 2.5 h" */
export function freezeWords(plan: MakePlan): string | null {
  const freeze = stepOf(plan, 'freeze');
  if (!freeze) return null;
  if (freeze.machine) return `churned in a ${MACHINE_LABEL[freeze.machine]}, hardened ${freeze.hours} h`;
  const stirred = freeze.stirEveryMin === null ? '' : `, stirred every ${freeze.stirEveryMin} min`;
  return `in the freezer ${freeze.hours} h${stirred}`;
}

/** How it shall come out. @example resultWords(plan) // "classic, spoonable" */
export function resultWords({ wanted, ...plan }: MakePlan): string {
  const { sourness, thickness, leastH } = wanted;
  const least = leastH === undefined ? '' : `, at least ${leastH} h warm`;
  const mixed = mixedIn(plan).map(({ what, fraction }) => `, with ${(fraction * 100).toFixed(0)} % ${what}`);
  const body = PRODUCT_TAKES[plan.product] === 'milk' ? `, ${thickness}` : '';
  return `${sourness}${body}${least}${mixed.join('')}`;
}

/**
 * How the cream is churned; nothing where nothing is.
 * @example churnWords(plan, units) // "shaken jar at 13.0 °C, in 2 loads"
 */
export function churnWords(plan: MakePlan, units: Units): string | null {
  const [temper, churn] = [stepOf(plan, 'temper'), stepOf(plan, 'churn')];
  if (!temper || !churn) return null;
  const { loads = 1 } = churn;
  const { label } = CHURN_FACTS[churn.churn];
  return `${churn.name === '' || churn.name === label ? lower(label) : churn.name} at ${units.temperature(temper.toC)}${churn.setting ? `, setting ${churn.setting.at} of ${churn.setting.of}` : ''}${loads > 1 ? `, in ${loads} loads` : ''}`;
}

/** How the butter is finished. @example finishWords(plan) // "3 washes, 1.2 % salt" */
export function finishWords(plan: MakePlan): string {
  const washes = stepOf(plan, 'wash')?.washes ?? 0;
  const salt = stepOf(plan, 'work')?.saltFraction ?? 0;
  return [
    washes === 0 ? 'not washed' : washes === 1 ? 'one wash' : `${washes} washes`,
    salt === 0 ? 'no salt' : `${percent(salt)} salt`,
  ].join(', ');
}

/** How the butter is clarified; nothing where nothing is. @example panWords(plan, units) // "low heat, off at 112 °C, slow and grainy" */
export function panWords(plan: MakePlan, units: Units): string | null {
  const [clarify, sets] = [stepOf(plan, 'clarify'), stepOf(plan, 'cool-ghee')];
  if (!clarify || !sets) return null;
  return `${clarify.flame} heat, off at ${units.temperature(clarify.doneC)}, ${sets.as === 'coarse' ? 'cooled slowly to grain' : 'cooled fast to set smooth'}`;
}

/**
 * When it begins, and what it is called where it has a name of its own.
 * @example startWords(plan, { time: '', offeredMs: null }, units, nowMs) // "now"
 */
export function startWords(
  plan: MakePlan,
  start: { readonly time: string; readonly offeredMs: number | null },
  units: Units,
  nowMs: number,
): string {
  const later = start.time !== '' || start.offeredMs !== null;
  const when = later ? `at ${units.time(start.offeredMs ?? Date.parse(plan.startAt), nowMs)}` : 'now';
  const name = plan.name.trim();
  return name === '' || name === productOf(plan).label || name === plan.method.name
    ? when
    : `${when}, as ${name}`;
}

/** More times than these are told by their first and last. */
const MOST_TIMES = 3;
/** @example timesWords(['22:34', '22:43']) // 'about 22:34 and 22:43' */
export const timesWords = (times: readonly string[]): string =>
  times.length > MOST_TIMES
    ? `${times.length} times between ${times[0]} and ${times.at(-1)}`
    : `about ${listed(times)}`;
