import { lazy, Suspense } from 'react';
import { useAppSelector } from '../data/store.ts';

/** Mostly there is nothing to say of what is kept here: the strip comes when there is. */
const Kept = lazy(async () => ({ default: (await import('./Kept.tsx')).Kept }));

export function KeptWatch() {
  const quiet = useAppSelector(
    ({ outbox: { reachable, back, entries }, live }) =>
      reachable && back === null && !live.outdated && entries.every((e) => !e.refused && !e.aside),
  );
  if (quiet) return null;
  return (
    <Suspense>
      <Kept />
    </Suspense>
  );
}
