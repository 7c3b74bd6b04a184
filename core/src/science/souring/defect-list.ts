/** What can be wrong with what was made, as a tongue or an eye finds it. */
export const DEFECTS = [
  'grainy',
  'stringy',
  'split',
  'gassy',
  'bitter',
  'yeasty',
  'burnt',
  'too-sour',
  'weak',
  'greasy',
  'crumbly',
  'streaky',
] as const;
export type Defect = (typeof DEFECTS)[number];
