import type * as z from 'zod';
import { foldMake, type MakeState } from '../make/index.ts';
import { CAUSE_IDS, CAUSES, CLUES, COMPLAINT_IDS, COMPLAINTS } from '../science/causes/index.ts';
import { eventsOfNeverEntered, findingWhy, toDegrees } from '../why/index.ts';
import type { WHY_INPUTS, WHY_OUTPUTS } from './why-schemas.ts';

type WhyIn = z.infer<typeof WHY_INPUTS.why>;
type WhyOut = z.infer<typeof WHY_OUTPUTS.why>;

const iso = (ms: number | null): string | null =>
  ms === null ? null : new Date(Math.round(ms)).toISOString();
const NEVER_ID = '00000000000000000000000000';
const NOTHING = 'None of the known causes fits';

function stateOf({ make, plan, since, now }: WhyIn): MakeState | null {
  if (make) return foldMake(make.id, make.events);
  const events = eventsOfNeverEntered(NEVER_ID, {
    plan: plan!,
    sinceMs: since === undefined ? null : Date.parse(since),
    nowMs: Date.parse(now),
  });
  return foldMake(NEVER_ID, events);
}

export const WHY_SUMS = {
  why: (input: WhyIn): WhyOut => {
    const { complaint, answers, now, settled } = input;
    const { discard = null, stillGood } = COMPLAINTS[complaint];
    const none: WhyOut = {
      discard,
      causes: [],
      ask: null,
      rescues: [],
      stillGood: toDegrees(stillGood),
      next: null,
      limitAt: null,
      fault: null,
    };
    const state = stateOf(input);
    if (!state) return { ...none, fault: 'The batch has no beginning: its first entry is missing.' };
    const work = findingWhy({
      state,
      complaint,
      answers,
      nowMs: Date.parse(now),
      settled: settled.map((one) => (one === 'none' ? null : one)),
    });
    let step = work.next();
    while (step.done !== true) step = work.next();
    const { causes, ask, rescues, safety } = step.value;
    const top = causes[0]?.cause ?? null;
    const clue = ask && 'clue' in ask ? ask.clue : null;
    return {
      ...none,
      causes: causes.map(({ cause, share, evidence }) => ({
        cause: cause ?? 'none',
        title: cause === null ? NOTHING : CAUSES[cause].title,
        share,
        evidence: evidence.map(({ words, atMs, nats }) => ({ words: toDegrees(words), at: iso(atMs), nats })),
      })),
      ask: ask && {
        bits: ask.bits,
        clue,
        reading: 'reading' in ask ? ask.reading : null,
        asks: clue && toDegrees(CLUES[clue].asks),
        answers: clue ? CLUES[clue].answers.map((words) => toDegrees(words)) : [],
      },
      rescues: rescues.map(({ what, chance, bodyMs: [p10, p50, p90] }) => ({
        what,
        chance,
        set: { p10: iso(p10), p50: iso(p50), p90: iso(p90) },
      })),
      next: top === null ? null : toDegrees(CAUSES[top].next),
      limitAt: iso(safety?.limitAtMs ?? null),
    };
  },
};

/** The ids that complaints and causes have in logs and scripts, with what they are called. */
export const listFaults = (): {
  readonly complaints: readonly { readonly id: string; readonly label: string; readonly causes: string[] }[];
  readonly causes: readonly { readonly id: string; readonly title: string }[];
} => ({
  complaints: COMPLAINT_IDS.map((id) => ({
    id,
    label: COMPLAINTS[id].label,
    causes: Object.keys(COMPLAINTS[id].causes),
  })),
  causes: CAUSE_IDS.map((id) => ({ id, title: CAUSES[id].title })),
});
