import type { Work } from '@morning-crock/core';

/** Works that can be told by eye: of these there is a drawing of not yet, now and too far. */
const SEEN = ['stove', 'place', 'churn', 'bowl', 'pan', 'set', 'cloth'] as const satisfies readonly Work[];
export type SeenWork = (typeof SEEN)[number];

export const hasLooks = (work: Work): work is SeenWork => (SEEN as readonly Work[]).includes(work);
