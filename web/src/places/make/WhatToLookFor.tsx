import { workOf, type MakeState } from '@morning-crock/core';
import { PRODUCT_TAKES } from '@morning-crock/core/contract';
import { lazy, Suspense, useState } from 'react';
import { hasLooks } from '../../parts/drawings/looks/has-looks.ts';

/** The drawings come when somebody asks for them. */
const ThreeLooks = lazy(async () => ({
  default: (await import('../../parts/drawings/looks/ThreeLooks.tsx')).ThreeLooks,
}));

/** What the present step should look like: not yet, now and too far, where there is something to see. */
export function WhatToLookFor({ state }: { readonly state: MakeState }) {
  const [open, setOpen] = useState(false);
  const step = state.current?.step;
  if (!step) return null;
  const work = workOf(step.kind);
  if (!hasLooks(work) || step.facts.moves === 'down') return null;
  return (
    <details className="above-s" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="unfolds">What to look for</summary>
      {open && (
        <Suspense>
          <ThreeLooks work={work} cream={PRODUCT_TAKES[state.plan.product] === 'cream'} />
        </Suspense>
      )}
    </details>
  );
}
