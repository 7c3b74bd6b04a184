/** "14–21 days", "6–9 months", "not at all": a keeping time as people say it. */
export function daysWords([from, to]: readonly [number, number]): string {
  if (to === 0) return 'does not keep';
  if (from >= 60) return `${Math.round(from / 30)}–${Math.round(to / 30)} months`;
  return `${from}–${to} days`;
}
