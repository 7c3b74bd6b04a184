import { between, type LogClue } from '../../science/causes/index.ts';
import { HOUR_MS, MINUTE_MS } from '../../science/units/index.ts';
import { drainingNow } from '../draining-now.ts';
import type { MakeAt } from '../make-view.ts';

/** Read within so many minutes of a step's end, it says how warm that was. */
const NEAR_MIN = 20;
const HEAT_SIGMA_C = 0.8;
/** Drained for so many times as long as it needed is too long; one σ of ln of what it needed. */
const LONGER = 1.35;
const LONGER_SIGMA = 0.2;

/** What a log says of a curd: its rennet, its cloth. */
export function curdClues(at: MakeAt): LogClue[] {
  const { make } = at;
  const { treatment } = make.plan.milk;
  const { heat } = make.plan;
  const clues: LogClue[] = [];
  const rennet = make.steps.find(({ step }) => step.kind === 'add-rennet');
  if (rennet) {
    clues.push(
      { clue: 'rennet', fits: [0, 0.93, 0.07], said: 'Rennet was planned.' },
      {
        clue: 'rennet-milk',
        fits:
          treatment === 'ultra-heated'
            ? [0, 0, 1]
            : heat.kind !== 'none' && heat.targetC > 76
              ? [0, 1, 0]
              : [1, 0, 0],
        said:
          treatment === 'ultra-heated'
            ? 'Ultra-heated milk.'
            : heat.kind === 'none'
              ? 'Milk not heated further.'
              : `Milk heated to {${heat.targetC}}.`,
      },
    );
    const atMs = rennet.endedAtMs;
    const read =
      atMs === null
        ? undefined
        : make.temperatures.findLast((t) => Math.abs(t.atMs - atMs) < NEAR_MIN * MINUTE_MS);
    if (read)
      clues.push({
        clue: 'rennet-heat',
        fits: [...between(read.celsius, HEAT_SIGMA_C, [28, 35.5]), 0],
        said: `Milk at {${read.celsius}} when the rennet went in.`,
      });
  }
  const draining = drainingNow(at, at.denatured());
  if (draining?.thickMs) {
    const began = make.steps.find(({ step }) => step.id === draining.step)!.startedAtMs!;
    const neededH = (draining.thickMs[1] - began) / HOUR_MS;
    clues.push({
      clue: 'drained-for',
      fits: between(Math.log(Math.max(0.05, draining.hours) / Math.max(0.05, neededH)), LONGER_SIGMA, [
        Math.log(LONGER),
      ]),
      said: `Drained ${draining.hours.toFixed(1)} h. About ${neededH.toFixed(1)} h was enough.`,
    });
  }
  return clues;
}
