import { cleanBreakSigma, minutesToCleanBreak } from '../science/curd/index.ts';
import { rennetOf } from './add-rennet.ts';
import { CURD_TOLD } from './curd-run.ts';
import { told } from './told.ts';
import { factsOf, type StepType } from './step-type.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** After a try that was not clean, it is tried again so much later, minutes. */
export const TRY_AGAIN_MIN = 7;

/** Renneted milk stands until it breaks clean. */
export const COAGULATE: StepType = {
  kind: 'coagulate',
  gerund: 'setting',
  facts: factsOf({ inThePot: 'curd', waits: true, probed: true, tells: true, looks: true }),
  words: () => ({
    title: 'Set',
    doneWords: 'Curd breaks clean',
    doing:
      'Leave the milk quite still. To test, push a knife in flat and lift. The curd should split in one clean line, with clear whey.',
    why: 'Cut too early, curd is lost in the whey. Cut too late, the curd holds on to its whey.',
    endWords: 'clean break',
    due: { title: 'Try the curd', text: 'Does the curd break clean? If not, try again in seven minutes.' },
  }),
  aim: () => ({ to: 'words', words: 'Until a clean break' }),
  hands: () => ({ handsMin: 1, slackMin: 15, mustAct: true }),
  cautions: () => ['rennet-no-acid'],
  stands: () => 'as-it-is',
  // Tried and not ready, it rings again at the next try.
  within: (make) => {
    const tries = told(make, CURD_TOLD).tries.filter(
      ({ step, clean }) => step === make.current?.step.id && !clean,
    ).length;
    return { suffix: tries === 0 ? '' : `-try-${tries}`, over: false, says: [], ends: true };
  },
  later: ({ plan, of, celsius, phAt, startMs, denatured, told: toldOf, z }) => {
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
    const tries = toldOf(CURD_TOLD).tries.filter((t) => t.step === of.step.id && t.atMs >= startMs);
    const last = tries.at(-1);
    if (!last) return { minutes, sigmaMin: sigma * minutes };
    // What was tried and did not break yet has told more than the book knows.
    const triedMin = (last.atMs - startMs) / MINUTE_MS;
    return last.clean
      ? { minutes: triedMin, sigmaMin: 0 }
      : { minutes: Math.max(minutes, triedMin + TRY_AGAIN_MIN), sigmaMin: 0.3 * TRY_AGAIN_MIN };
  },
};
