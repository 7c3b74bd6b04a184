import {
  assimilating,
  contradictionOf,
  createEnsembleRun,
  drawMembers,
  type AcidityReading,
  type Assimilation,
  type Contradiction,
  type Ensemble,
  type EnsembleSpec,
} from '../science/souring/index.ts';
import { createRandom } from '../science/numerics/index.ts';

/** What readings made of an ensemble. */
export interface Judged extends Assimilation {
  readonly contradiction: Contradiction | null;
}

/** What an ensemble is drawn from, and how many of it. */
export interface Drawing {
  readonly spec: EnsembleSpec;
  readonly seed: number;
  readonly members: number;
}

interface Drawn {
  readonly prior: Ensemble;
  judged: { readonly by: string; readonly as: Judged } | null;
}

/** As text, so that the same is found again and nothing else: numbers print to the last digit. */
function keyOf({ spec: { grid, ...rest }, seed, members }: Drawing): string {
  const { halfStepC, looseness, stepH } = grid;
  return [JSON.stringify([rest, stepH, seed, members]), halfStepC.join(), looseness.join()].join(' ');
}

/** Members run between two breaths. */
const SLICE = 100;

/**
 * Draws ensembles and lets readings judge them, and keeps the latest few: a minute that passes, a note, or a look at the jar changes
 * nothing of what was drawn. What comes out is the same with and without.
 * @example new KeptEnsembles(12)
 */
export class KeptEnsembles {
  private readonly most: number;
  private readonly drawn = new Map<string, Drawn>();

  /** @param most how many are kept, each of about a megabyte; 0 for none */
  constructor(most: number) {
    this.most = most;
  }

  private keep(key: string, one: Drawn): Drawn {
    // The one asked for latest goes last.
    this.drawn.delete(key);
    this.drawn.set(key, one);
    for (const oldest of this.drawn.keys()) {
      if (this.drawn.size <= this.most) break;
      this.drawn.delete(oldest);
    }
    return one;
  }

  /**
   * Draws the members, or finds them again, and lets readings judge them.
   * @yields how far it is, 0..1: a good moment to stop
   */
  *judged(of: Drawing, readings: readonly AcidityReading[], denatured: number): Generator<number, Judged> {
    const key = this.most > 0 ? keyOf(of) : '';
    const drawn = this.keep(key, this.drawn.get(key) ?? (yield* drawing(of)));
    const by = JSON.stringify([readings, denatured]);
    if (drawn.judged?.by === by) return drawn.judged.as;
    const work = assimilating(of.spec, drawn.prior, readings, denatured, of.seed);
    let step = work.next();
    while (step.done !== true) {
      yield 1;
      step = work.next();
    }
    const { ensemble, stats } = step.value;
    const contradiction = contradictionOf(drawn.prior, ensemble, readings, denatured);
    drawn.judged = { by, as: { ensemble, stats, contradiction } };
    return drawn.judged.as;
  }
}

function* drawing({ spec, seed, members }: Drawing): Generator<number, Drawn> {
  const run = createEnsembleRun(spec, drawMembers(members, createRandom(seed)));
  for (let done = 0; done < members;) {
    done = run.advance(SLICE);
    yield done / members;
  }
  return { prior: run.ensemble, judged: null };
}
