import { creamDegree, type CreamDegree } from '@morning-crock/core';

/** How sour cream is, as milk and cream are recorded. */
export interface Sour {
  readonly soured: boolean;
  readonly ph?: number | undefined;
}

export const DEGREE_LABEL: Readonly<Record<CreamDegree, string>> = {
  sweet: 'sweet',
  'just-sour': 'just sour',
  sour: 'sour, ripened',
};

/** How sour a lot is, in a word; nothing while it is sweet. @example sourWords({ soured: false, ph: 5.7 }) // "just sour" */
export function sourWords(lot: Sour): string {
  const degree = creamDegree(lot);
  return degree === 'sweet' ? '' : degree === 'sour' ? 'soured' : DEGREE_LABEL[degree];
}
