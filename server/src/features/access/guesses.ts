interface Limits {
  readonly each: number;
  readonly withinMs: number;
}

/**
 * Counts wrong guesses at the kitchen code, of each address by itself: nobody is kept out by what others guess. There are so
 * many codes that all addresses of a network together do not find one in a lifetime.
 * @example createGuesses({ each: 10, withinMs: 600_000 }).allowed('192.0.2.7', Date.now()) // true
 */
export function createGuesses({ each, withinMs }: Limits) {
  const wrong = new Map<string, readonly number[]>();
  const recent = (ip: string, nowMs: number): readonly number[] =>
    (wrong.get(ip) ?? []).filter((atMs) => nowMs - atMs < withinMs);
  return {
    /** Whether one guess more of an address is listened to. */
    allowed: (ip: string, nowMs: number): boolean => recent(ip, nowMs).length < each,
    /** Counts a guess; taken back when it turns out right. */
    guessed(ip: string, nowMs: number): void {
      for (const [other, at] of wrong) if (at.every((atMs) => nowMs - atMs >= withinMs)) wrong.delete(other);
      wrong.set(ip, [...recent(ip, nowMs), nowMs]);
    },
    right(ip: string): void {
      wrong.delete(ip);
    },
    /** A new code: what was guessed at the old one counts no more. */
    beginAnew(): void {
      wrong.clear();
    },
  };
}
