import { showsSet, souringOf, soursToTheEnd, walkThermal, type MakeState } from '../make/index.ts';
import { COMPLAINTS, type CauseShare, type ComplaintId, type Suspect } from '../science/causes/index.ts';
import { createRandom } from '../science/numerics/index.ts';
import { drawMembers, type Cue } from '../science/souring/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { fitOf, lnNone, souringLog, type SouringLog } from './souring-fit.ts';
import { souringWorlds, type SouringWorld } from './souring-worlds.ts';

/** Members run in each world: few, as they are the same ones in every world. */
const MEMBERS = 48;
/** Complaints that the walk of the souring tells about. */
export const OF_SOURING: ReadonlySet<ComplaintId> = new Set<ComplaintId>(['not-set', 'not-sour']);
/** A look so recent speaks for itself, h. */
const JUST_LOOKED_H = 0.5;
/** pH of something that does not taste sour, and its scatter. */
const NOT_SOUR = { ph: 6, sigma: 0.45 } as const;
/** What the complaint itself says of the acid, where nobody entered a look. */
function complained(
  complaint: ComplaintId,
  state: MakeState,
  hour: number,
  cues: readonly Cue[],
): Partial<Pick<SouringLog, 'acid' | 'unset'>> {
  const zero = state.inoculatedAtMs ?? 0;
  const looked = state.acidity.some(
    (entry) => Math.abs((entry.atMs - zero) / HOUR_MS - hour) < JUST_LOOKED_H,
  );
  if (looked) return {};
  return complaint === 'not-sour'
    ? { acid: [{ kind: 'ph', hour, instrument: 'tongue', ...NOT_SOUR }] }
    : { unset: { hour, cues: cues.filter((cue) => !showsSet(cue)), is: true } };
}

/** A souring that was walked in every world, and how well the log goes with each. */
export interface Walked {
  readonly worlds: readonly SouringWorld[];
  readonly log: SouringLog;
  readonly lnWorlds: readonly number[];
  readonly lnWalk: ReadonlyMap<Suspect, number>;
  readonly hour: number;
  readonly cues: readonly Cue[];
}

/** The souring in all its worlds, held against the log; `null` where the complaint is of something else. */
export function* walked(
  {
    state,
    complaint,
    nowMs,
  }: { readonly state: MakeState; readonly complaint: ComplaintId; readonly nowMs: number },
  seed: number,
): Generator<number, Walked | null> {
  const souring = souringOf(state);
  const zero = state.inoculatedAtMs;
  if (!OF_SOURING.has(complaint) || !souring || !soursToTheEnd(state) || zero === null) return null;
  const random = createRandom(seed);
  const worlds = yield* souringWorlds(state, nowMs, drawMembers(MEMBERS, random));
  if (worlds.length === 0) return null;
  const hour = (Math.min(nowMs, state.chilledAtMs ?? nowMs, state.finished?.atMs ?? nowMs) - zero) / HOUR_MS;
  const { cues } = souring;
  const { denatured } = walkThermal(state, nowMs);
  const log = souringLog(state, denatured, complained(complaint, state, hour, cues));
  const fit = fitOf(worlds, log);
  const { lnWorlds, lnCauses } = fit;
  yield 1;
  const { causes } = COMPLAINTS[complaint];
  const none = lnNone(worlds, log, fit, cues, (cause) => causes[cause] ?? 0, random);
  return { worlds, log, lnWorlds, lnWalk: new Map<Suspect, number>([...lnCauses, [null, none]]), hour, cues };
}

/** How likely each world is, of all worlds and none, by how likely its cause is. */
export function worldShares({ worlds, lnWorlds }: Walked, beliefs: readonly CauseShare[]): number[] {
  const of = (cause: Suspect): number => beliefs.find((belief) => belief.cause === cause)?.share ?? 0;
  const own = worlds.map(({ share }, i) => Math.log(share) + lnWorlds[i]!);
  return worlds.map(({ cause }, i) => {
    const peers = worlds.flatMap((world, j) => (world.cause === cause ? [own[j]!] : []));
    const top = Math.max(...peers);
    const all = peers.reduce((sum, ln) => sum + Math.exp(ln - top), 0);
    return of(cause) * (Math.exp(own[i]! - top) / all);
  });
}

/** How far the place is off on average, over the worlds in which it is, K. */
export function placeOff({ worlds }: Walked, shares: readonly number[]): number {
  let sum = 0;
  let all = 0;
  for (const [i, { cause, placeOffC = 0 }] of worlds.entries())
    if (cause === 'place-cold') {
      sum += shares[i]! * placeOffC;
      all += shares[i]!;
    }
  return sum / all;
}
