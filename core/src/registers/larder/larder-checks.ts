import type { LarderMovement } from '../../contract/index.ts';
import type { EntryFault, LoggedEvent, Replayed } from '../../log/index.ts';
import { formatMass, type MeasureSystem } from '../../science/units/index.ts';
import { cameOut, partOf } from './came-out.ts';
import { goodKg } from './count.ts';
import { applyToLarder, openLarder, stockAt, type Larder, type LarderDraft } from './larder-register.ts';

/** A page's sums and ours may differ in the last digits. */
const EPSILON_KG = 1e-4;

/** What was put up of one part of a make, kg. */
const putUpOf = (larder: Larder, makeId: string, part: string): number =>
  [...larder.goods.values()]
    .filter((good) => good.makeId === makeId && partOf(good.what) === part)
    .reduce((sum, { putUpKg }) => sum + putUpKg, 0);

/** No more is put up than came out, whoever says it: two tablets that put up the same jars say it twice. */
function putUpFault(
  larder: Larder,
  { good, pieces }: Extract<LarderMovement, { kind: 'put-up' }>,
  system: MeasureSystem,
): EntryFault | null {
  const same = [...larder.goods.values()].find(({ code }) => code === good.code);
  if (same) return { path: 'data.good.code', message: `is already on ${same.name}` };
  const made = good.makeId === null ? undefined : larder.makes.get(good.makeId);
  const out = made && cameOut(made, good.what);
  if (good.makeId === null || !out) return null;
  const kg = pieces.reduce((sum, { count, eachKg }) => sum + count * eachKg, 0);
  const before = putUpOf(larder, good.makeId, partOf(good.what));
  if (before + kg <= out.mostKg) return null;
  const gave = formatMass(out.massKg, system);
  const earlier = before > 0 ? `, and ${formatMass(before, system)} of it is in the larder already` : '';
  return {
    path: 'data.pieces',
    message: out.weighed
      ? `${formatMass(kg, system)} is more than the batch gave: ${gave} was weighed${earlier}`
      : `${formatMass(kg, system)} is more than the batch can have given: about ${gave}${earlier}. Weigh it first`,
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
      ? { path: 'streamId', message: 'this is already in the larder' }
      : putUpFault(larder, data, system);
  if (!good) return { path: 'streamId', message: 'the larder has no such item' };
  if (atMs < good.putUpMs) return { path: 'at', message: `is before ${good.name} was added to the larder` };
  const { place, size } = data.kind === 'recount' ? data.at : data.from;
  const path = data.kind === 'recount' ? 'data.at' : 'data.from';
  if (size >= good.sizesKg.length)
    return { path: `${path}.size`, message: `${good.name} has no pieces of that size` };
  if (data.kind === 'recount') return null;
  const there = stockAt(good, place, size)?.massKg ?? 0;
  if (data.massKg > there + Math.max(EPSILON_KG, there * 1e-6))
    return {
      path: 'data.massKg',
      message: `is more than there is in stock (${formatMass(Math.max(0, there), system)} of ${formatMass(goodKg(good), system)} in all). If there is more, recount it first`,
    };
  if (data.kind === 'thaw-for') {
    if (place !== 'freezer')
      return { path: 'data.from.place', message: 'is not the freezer, so nothing needs thawing' };
    if (data.readyAt !== null && Date.parse(data.readyAt) <= atMs)
      return { path: 'data.readyAt', message: 'is already past' };
  }
  if (data.kind === 'carry') {
    if (data.to === place) return { path: 'data.to', message: 'is where it already is' };
    if (data.to === 'freezer' && stockAt(good, place, size)?.thawed)
      return { path: 'data.to', message: `${good.name} has been frozen once. Do not freeze it again` };
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
