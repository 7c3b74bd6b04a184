import { BY_GOODS, type Good, type LarderMovement } from '../contract/index.ts';
import type { EntryFault, LoggedEvent, Replayed } from '../log/index.ts';
import { formatMass, type MeasureSystem } from '../units/index.ts';
import { goodKg } from './count.ts';
import { applyToLarder, openLarder, stockAt, type Larder, type LarderDraft } from './register.ts';

/** Scales differ: so much more than was weighed may be put up. */
const SCALE_SHARE = 0.02;
const SCALE_KG = 0.01;
/** A page's sums and ours may differ in the last digits. */
const EPSILON_KG = 1e-4;

/** Most that may be put up of what was weighed, kg. @example mostPutUpKg(1) // 1.03 */
export const mostPutUpKg = (weighedKg: number): number => weighedKg * (1 + SCALE_SHARE) + SCALE_KG;

/** What was put up of a make's product, or of what came out besides, kg. */
const putUpOf = (larder: Larder, makeId: string, byProduct: boolean): number =>
  [...larder.goods.values()]
    .filter((good) => good.makeId === makeId && isByGood(good) === byProduct)
    .reduce((sum, { putUpKg }) => sum + putUpKg, 0);
const BY: ReadonlySet<string> = new Set(BY_GOODS);
const isByGood = ({ what }: Pick<Good, 'what'>): boolean => BY.has(what);

function putUpFault(
  larder: Larder,
  { good, pieces }: Extract<LarderMovement, { kind: 'put-up' }>,
  system: MeasureSystem,
): EntryFault | null {
  const same = [...larder.goods.values()].find(({ code }) => code === good.code);
  if (same) return { path: 'data.good.code', message: `is on ${same.name} already` };
  const made = good.makeId === null ? undefined : larder.makes.get(good.makeId);
  if (good.makeId === null || !made || isByGood(good) || made.weighedKg === null) return null;
  const kg = pieces.reduce((sum, { count, eachKg }) => sum + count * eachKg, 0);
  const before = putUpOf(larder, good.makeId, false);
  if (before + kg <= mostPutUpKg(made.weighedKg)) return null;
  const earlier = before > 0 ? `, ${formatMass(before, system)} of it put up before` : '';
  return {
    path: 'data.pieces',
    message: `${formatMass(kg, system)} in all is more than the make gave: ${formatMass(made.weighedKg, system)} was weighed${earlier}`,
  };
}

/**
 * Whether a movement makes sense with what the larder holds. More than there is never leaves it: recounted first, it may.
 * @returns where in the entry, and what is wrong; `null` when nothing is
 */
export function larderFault(
  larder: Larder,
  goodId: string,
  data: LarderMovement,
  atMs: number,
  system: MeasureSystem = 'metric',
): EntryFault | null {
  const good = larder.goods.get(goodId);
  if (data.kind === 'put-up')
    return good
      ? { path: 'streamId', message: 'these goods were put up before' }
      : putUpFault(larder, data, system);
  if (!good) return { path: 'streamId', message: 'there are no such goods in the larder' };
  if (atMs < good.putUpMs) return { path: 'at', message: `is before ${good.name} was put up` };
  const { place, size } = data.kind === 'recount' ? data.at : data.from;
  const path = data.kind === 'recount' ? 'data.at' : 'data.from';
  if (size >= good.sizesKg.length) return { path: `${path}.size`, message: `${good.name} has no such size` };
  if (data.kind === 'recount') return null;
  const there = stockAt(good, place, size)?.massKg ?? 0;
  if (data.massKg > there + Math.max(EPSILON_KG, there * 1e-6))
    return {
      path: 'data.massKg',
      message: `is more than there is: ${formatMass(Math.max(0, there), system)} of ${formatMass(goodKg(good), system)} in all; recount it first if there is more`,
    };
  if (data.kind === 'thaw-for') {
    if (place !== 'freezer')
      return { path: 'data.from.place', message: 'is not the freezer: it needs no thawing' };
    if (data.readyAt !== null && Date.parse(data.readyAt) <= atMs)
      return { path: 'data.readyAt', message: 'is over already' };
  }
  if (data.kind === 'carry') {
    if (data.to === place) return { path: 'data.to', message: 'is where it stands' };
    if (data.to === 'freezer' && stockAt(good, place, size)?.thawed)
      return { path: 'data.to', message: `${good.name} was frozen once: not again` };
  }
  return null;
}

/** The larder as a log is gone through, for what a late entry, a correction or an undo would make impossible. */
export function larderReplay(system: MeasureSystem = 'metric'): Replayed<LarderDraft> {
  return {
    open: () => openLarder(),
    apply: applyToLarder,
    fault: (larder, event: LoggedEvent) =>
      event.type === 'larder-moved'
        ? larderFault(larder, event.streamId, event.data, Date.parse(event.at), system)
        : null,
  };
}
