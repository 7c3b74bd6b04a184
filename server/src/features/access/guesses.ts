interface Limits {
  readonly each: number;
  readonly all: number;
  readonly withinMs: number;
}

/**
 * Counts guesses at the kitchen code: of each address, and of all together, for addresses cost nothing.
 * @example createGuesses({ each: 10, all: 40, withinMs: 600_000 }).allowed('192.0.2.7', Date.now()) // true
 */
export function createGuesses({ each, all, withinMs }: Limits) {
  let recent: { readonly ip: string; readonly atMs: number }[] = [];
  return {
    /** Whether one guess more is listened to; it counts from here on. */
    allowed(ip: string, nowMs: number): boolean {
      recent = recent.filter(({ atMs }) => nowMs - atMs < withinMs);
      if (recent.length >= all || recent.filter((guess) => guess.ip === ip).length >= each) return false;
      recent.push({ ip, atMs: nowMs });
      return true;
    },
  };
}
