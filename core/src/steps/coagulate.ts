import { cleanBreakSigma, minutesToCleanBreak } from '../science/curd/index.ts';
import { rennetOf } from './add-rennet.ts';
import { factsOf, type StepType } from './step-type.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** After a try that was not clean, it is tried again so much later, minutes. */
export const TRY_AGAIN_MIN = 7;

/** Renneted milk stands until it breaks clean. */
export const COAGULATE: StepType = {
  kind: 'coagulate',
  facts: factsOf({ inThePot: 'curd', waits: true, probed: true, tells: 'break' }),
  words: () => ({
    title: 'Set',
    doneWords: 'Curd breaks clean',
    doing:
      'Leave the milk quite still. To test, push a knife in flat and lift. The curd should split in one clean line, with clear whey.',
    why: 'Cut too early, curd is lost in the whey. Cut too late, the curd holds on to its whey.',
    endWords: 'clean break',
    due: { title: 'Try the curd', text: 'Does the curd break clean? If not, try again in seven minutes.' },
  }),
  aim: () => ({ to: 'words', words: 'a clean break' }),
  hands: () => ({ handsMin: 1, slackMin: 15, mustAct: true }),
  cautions: () => ['rennet-no-acid'],
  stands: () => 'as-it-is',
  later: ({ plan, of, celsius, phAt, startMs, denatured, seen, z }) => {
    const rennet = rennetOf(plan);
    if (!rennet) return { minutes: 45 };
    const sigma = cleanBreakSigma(rennet.unit, rennet.strengthImcu);
    const minutes =
      Math.exp(z * sigma) *
      minutesToCleanBreak({
        imcuPerLitre: rennet.imcuPerLitre,
        celsius,
        ph: phAt(startMs),
        denaturedFraction: denatured,
      });
    const tries = seen.tries.filter((t) => t.step === of.step.id && t.atMs >= startMs);
    const last = tries.at(-1);
    if (!last) return { minutes, sigmaMin: sigma * minutes };
    // What was tried and did not break yet has told more than the book knows.
    const triedMin = (last.atMs - startMs) / MINUTE_MS;
    return last.clean
      ? { minutes: triedMin, sigmaMin: 0 }
      : { minutes: Math.max(minutes, triedMin + TRY_AGAIN_MIN), sigmaMin: 0.3 * TRY_AGAIN_MIN };
  },
};
