import type { KeptMethod, Method } from '../contract/index.ts';
import { effectiveEvents, type LoggedEvent } from '../log/index.ts';

/**
 * The kitchen's own methods, each with its versions, the latest first.
 * @param events of any streams, in any order; undone ones do not count
 */
export function foldMethods(events: readonly LoggedEvent[]): KeptMethod[] {
  const kept = new Map<string, { dropped: boolean; versions: { at: string; method: Method }[] }>();
  for (const event of effectiveEvents(events)) {
    if (event.type !== 'method-changed') continue;
    const own = kept.get(event.streamId) ?? { dropped: false, versions: [] };
    if (event.data.kind === 'saved') {
      own.dropped = false;
      own.versions.unshift({ at: event.at, method: event.data.method });
    } else own.dropped = true;
    kept.set(event.streamId, own);
  }
  return [...kept].flatMap(([id, own]) => (own.versions.length > 0 ? [{ id, ...own }] : []));
}

/** The version to write after those there are. Two tablets may write the same one: both are kept. */
export const nextVersion = ({ versions }: KeptMethod): number =>
  Math.max(...versions.map(({ method }) => method.version)) + 1;
