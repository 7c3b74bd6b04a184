import type { LarderMovement } from '../contract/index.ts';
import type { EntryFault, LoggedEvent, Replayed } from '../log/index.ts';
import { formatMass, type MeasureSystem } from '../units/index.ts';
import { cameOut, partOf } from './came-out.ts';
import { goodKg } from './count.ts';
import { applyToLarder, openLarder, stockAt, type Larder, type LarderDraft } from './register.ts';

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
  if (same) return { path: 'data.good.code', message: `is on ${same.name} already` };
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
