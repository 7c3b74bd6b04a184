/** "20 min", "6 h", "2 days 4 h": how long something takes, no finer than it is known. */
export function durationWords(minutes: number): string {
  if (minutes < 90) return `${Math.round(minutes)} min`;
  const hours = minutes / 60;
  if (hours < 10) return `${Math.round(hours * 2) / 2} h`;
  if (hours < 48) return `${Math.round(hours)} h`;
  return `${Math.round(hours / 24)} days`;
}
