import { DEFECT_FACTS, type MakeState } from '@morning-crock/core';

/** What a tongue said, with what was wrong. @example tasteWords({ sourness: 'mild', texture: 'firm', text: '' }) // "mild, firm" */
export const tasteWords = ({ sourness, texture, defects = [] }: NonNullable<MakeState['tasting']>): string =>
  [sourness, texture, ...defects.map((defect) => DEFECT_FACTS[defect].label)]
    .filter((word) => word !== undefined)
    .join(', ') || 'nothing wrong';
