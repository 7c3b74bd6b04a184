import type { CultureChange } from '../../contract/index.ts';
import type { EntryFault, LoggedEvent, Replayed } from '../../log/index.ts';
import { applyToCultures, openCultures, type CultureDraft, type Cultures } from './culture-register.ts';

/** Whether an entry makes sense with what the register holds; `null` when it does. */
export function cultureFault(
  all: Cultures,
  cultureId: string,
  data: CultureChange,
  atMs: number,
): EntryFault | null {
  const own = all.cultures.get(cultureId);
  if (data.kind === 'taken-in')
    return own ? { path: 'streamId', message: 'this culture has already been added' } : null;
  if (!own) return { path: 'streamId', message: 'there is no such culture' };
  if (atMs < own.bornMs) return { path: 'at', message: `is before ${own.name} existed` };
  if (own.gone && data.kind !== 'rename') return { path: 'data.kind', message: `${own.name} was discarded` };
  switch (data.kind) {
    case 'split':
      return all.cultures.has(data.into.cultureId)
        ? { path: 'data.into.cultureId', message: 'is already a culture' }
        : null;
    case 'merge': {
      const missing = data.with.findIndex((id) => !all.cultures.has(id));
      if (missing >= 0) return { path: `data.with.${missing}`, message: 'there is no such culture' };
      if (data.with.includes(cultureId)) return { path: 'data.with', message: 'is the same culture' };
      return all.cultures.has(data.into.cultureId)
        ? { path: 'data.into.cultureId', message: 'is already a culture' }
        : null;
    }
    case 'freeze':
      return own.stays.at(-1)!.place === 'freezer'
        ? { path: 'data.kind', message: `${own.name} is already in the freezer` }
        : null;
    default:
      return null;
  }
}

/** The culture a make or a waking is begun with, and where the entry says so. */
export function begunWith(event: LoggedEvent): { readonly id: string; readonly path: string } | null {
  if (event.type === 'make-started') {
    const id = event.data.plan.starter.cultureId;
    return id === undefined ? null : { id, path: 'data.plan.starter.cultureId' };
  }
  if (event.type === 'waking-started') {
    const id = event.data.plan.cultureId;
    return id === null ? null : { id, path: 'data.plan.cultureId' };
  }
  return null;
}

/** The register as a log is gone through, for what a late entry, a correction or an undo would make impossible. */
export const cultureReplay: Replayed<CultureDraft> = {
  open: () => openCultures(),
  apply: applyToCultures,
  fault: (all, event) => {
    if (event.type === 'culture-changed')
      return cultureFault(all, event.streamId, event.data, Date.parse(event.at));
    const begun = begunWith(event);
    return begun && !all.cultures.has(begun.id)
      ? { path: begun.path, message: 'there is no such culture' }
      : null;
  },
};
