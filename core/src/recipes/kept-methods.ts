import type { KeptMethod } from '../contract/index.ts';
import { effectiveEvents, type LoggedEvent } from '../log/index.ts';

/** Methods as they are after an entry; what is saved twice stands there once. */
export function methodsAfter(methods: readonly KeptMethod[], event: LoggedEvent): readonly KeptMethod[] {
  if (event.type !== 'method-changed') return methods;
  const { streamId: id, at, data } = event;
  const before = methods.find((kept) => kept.id === id);
  const versions = before?.versions ?? [];
  if (
    data.kind === 'saved' &&
    versions.some((kept) => kept.at === at && kept.method.version === data.method.version)
  )
    return methods;
  const after: KeptMethod =
    data.kind === 'saved'
      ? { id, dropped: false, versions: [{ at, method: data.method }, ...versions] }
      : { id, dropped: true, versions };
  // Dropped before anything was saved with it: there is nothing to show.
  if (after.versions.length === 0) return methods;
  return before ? methods.map((kept) => (kept === before ? after : kept)) : [...methods, after];
}

/**
 * The kitchen's own methods, each with its versions, the latest first.
 * @param events of any streams, in any order; undone ones do not count
 */
export const foldMethods = (events: readonly LoggedEvent[]): KeptMethod[] => [
  ...effectiveEvents(events).reduce<readonly KeptMethod[]>(methodsAfter, []),
];

/** The version to write after those there are. Two tablets may write the same one: both are kept. */
export const nextVersion = ({ versions }: KeptMethod): number =>
  Math.max(...versions.map(({ method }) => method.version)) + 1;
