/** Parts of butter that was churned at once. */
const PARTS = [
  { share: 0.25, label: 'a quarter' },
  { share: 1 / 3, label: 'a third' },
  { share: 0.5, label: 'half' },
] as const;

/** A part of a churning that may be finished another way. */
export interface ButterShare {
  /** Of all of it, 0..1. */
  readonly share: number;
  readonly label: string;
}

/**
 * Which parts of a churning may be finished another way: some of its loads, or of a single one so much of it.
 * @example sharesOf(3) // '1 load of 3', '2 loads of 3'
 */
export const sharesOf = (loads: number): readonly ButterShare[] =>
  loads < 2
    ? PARTS
    : Array.from({ length: loads - 1 }, (_, i) => ({
        share: (i + 1) / loads,
        label: `${i + 1} ${i === 0 ? 'load' : 'loads'} of ${loads}`,
      }));
