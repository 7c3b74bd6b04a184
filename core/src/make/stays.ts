import type { MakePlan } from '../contract/index.ts';
import { placeTauH } from '../science/heat/index.ts';
import { batchOf, type Batch } from '../setup/index.ts';
import type { Parts } from './split-and-joined.ts';
import { unreadCourse } from './unread-course.ts';
import { HOUR_MS } from '../science/units/index.ts';

/** Milk's expected way through the places it stands in, one after the other. */
export interface ExpectedCourse {
  readonly at: (hour: number) => number;
  /** Heat of the place it stands in last, as the book has it, °C. */
  readonly ambientC: number;
  /** How slowly it follows that place, h. */
  readonly tauH: number;
  /** Since when it stands there, hours since inoculation. */
  readonly sinceH: number;
  /** When it was moved, parted or mixed. */
  readonly movedH: readonly number[];
}

/**
 * The milk's course when nobody reads it, through every place it stood or is to stand in since inoculation. What a kitchen
 * learned of the place it was planned for counts there only.
 */
export function expectedCourse(
  plan: MakePlan,
  batch: Batch,
  { alone, stays }: Pick<Parts, 'alone' | 'stays'>,
  from: { readonly zeroMs: number; readonly startC: number; readonly horizonH: number },
): ExpectedCourse {
  const { zeroMs, horizonH } = from;
  const begun = stays.findLastIndex(({ fromMs }) => fromMs <= zeroMs);
  const through = stays.slice(Math.max(0, begun));
  const learned = through[0]!.place.name;
  // What sours may be only some of what the make has: a feed.
  const share = batch.litres / batchOf(alone).litres;
  const legs: { readonly fromH: number; readonly at: (hour: number) => number }[] = [];
  let startC = from.startC;
  let last = { ambientC: startC, tauH: 1, sinceH: 0 };
  for (const [i, { fromMs, place, litres, mixed }] of through.entries()) {
    const fromH = i === 0 ? 0 : (fromMs - zeroMs) / HOUR_MS;
    const here = legs.at(-1);
    if (here) startC = here.at(fromH);
    if (mixed) startC = mixed.keeps * startC + (1 - mixed.keeps) * mixed.celsius;
    const own = i === 0 || place.name === learned ? plan.factors : undefined;
    const tauH = placeTauH(place, litres * share) * Math.exp(own?.placeTau?.value ?? 0);
    const { bottles: _bottles, ...bare } = plan;
    // Bottles laid in at the beginning warm the place they were laid into.
    const leg = unreadCourse({ ...(i === 0 ? plan : bare), place }, batch, {
      startC,
      tauH,
      shiftC: own?.placeHeat?.value ?? 0,
      horizonH: Math.max(0, horizonH - fromH),
      zeroMs: zeroMs + fromH * HOUR_MS,
    });
    legs.push({ fromH, at: (hour) => leg.at(hour - fromH) });
    last = { ambientC: leg.ambientC, tauH, sinceH: fromH };
  }
  return {
    ...last,
    at: (hour) => (legs.findLast(({ fromH }) => fromH <= hour) ?? legs[0]!).at(hour),
    movedH: legs.slice(1).map(({ fromH }) => fromH),
  };
}
