/** Every key that does something outside of a field. */
export const KEYS = [
  ['?', 'show these shortcuts'],
  ['n', 'new batch'],
  ['/', 'go to a page'],
  ['d', 'mark the step as done (in a batch)'],
  ['r', 'add a reading (in a batch)'],
  ['u', 'undo your last entry (in a batch)'],
  ['0–9', 'type a reading (in a batch)'],
] as const;
