// Bound once: a look-up of the global in the inner loops costs more than the function itself in some hosts.
const { imul, sqrt, log, cos, sin } = Math;

/** A source of randomness that gives the same numbers for the same seed, everywhere. */
export interface Random {
  /** Uniform in [0, 1). */
  uniform(): number;
  /** Standard normal. */
  normal(): number;
}

/** FNV-1a hash of a text, for seeds. @returns an unsigned 32-bit integer. */
export function hashSeed(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) {
    hash ^= text.charCodeAt(i);
    hash = imul(hash, 0x01000193);
  }
  return hash >>> 0;
}

/**
 * Seeded generator (mulberry32, T. Ettinger's public-domain mixer) with Box–Muller normals.
 * @param seed any number; its low 32 bits count
 */
export function createRandom(seed: number): Random {
  let state = seed >>> 0;
  let spare: number | null = null;
  const uniform = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  const normal = (): number => {
    if (spare !== null) {
      const value = spare;
      spare = null;
      return value;
    }
    const radius = sqrt(-2 * log(1 - uniform()));
    const angle = 2 * Math.PI * uniform();
    spare = radius * sin(angle);
    return radius * cos(angle);
  };
  return { uniform, normal };
}
