import { keepingPowerKw } from '../science/heat/index.ts';
import { heatTargetC, unfolds } from './heat.ts';
import { vesselOf, weighedReadings, type Leg, type LegRun } from './leg.ts';
import { factsOf, type StepType } from './step-type.ts';
import { FIRE_OUT_MIN, stoodOn } from './stood-on.ts';
import { MINUTE_MS } from '../science/units/index.ts';

function leg({ plan, startC, startMs, readings, nowMs, status }: LegRun): Leg {
  // What is only seen of it moves it no further than it is likely to have gone.
  const asHeld = { secondsAndCelsius: [[0, startC] as const] };
  const held = weighedReadings(asHeld, readings, 0).map((r): readonly [number, number] => [
    r.minutes,
    r.temperatureC,
  ]);
  const endC = held.at(-1)?.[1] ?? startC;
  const minutes = Math.max(plan.heat.holdMin, held.at(-1)?.[0] ?? 0);
  const holds: Leg = {
    minutes,
    sigmaMin: 1,
    endC,
    endless: false,
    curve: [[0, startC], ...held, [minutes, endC]],
  };
  if (status === 'coming') return holds;
  return stoodOn(holds, (nowMs - startMs) / MINUTE_MS, {
    vessel: vesselOf(plan, startMs),
    lidded: plan.heat.lidOn ?? false,
    graceMin: FIRE_OUT_MIN,
  });
}

/** The milk is kept hot. */
export const HOLD: StepType = {
  kind: 'hold',
  gerund: 'holding',
  facts: factsOf({
    inThePot: 'hot-milk',
    waits: true,
    probed: true,
    uses: ['burner'],
  }),
  applies: ({ heat }) => heat.kind === 'hold' || (heat.kind === 'boil' && heat.holdMin > 0),
  words: (plan) => ({
    title: 'Hold at temperature',
    doneWords: 'Held long enough',
    doing: 'Hold this temperature. Stir now and then.',
    why: unfolds(plan)
      ? 'Holding goes on unfolding the whey proteins. The meter shows how far.'
      : 'Held hot, more germs die. The pasteurisation guide estimates how far. Very little whey protein unfolds.',
    due: { title: 'Held long enough', text: 'The holding time is over.' },
  }),
  hands: () => ({ handsMin: 2, slackMin: 10, mustAct: false }),
  cautions: () => ['hot-milk'],
  drawsKw: (plan) => {
    const celsius = heatTargetC(plan);
    const { lidOn = false } = plan.heat;
    const vessel = { ...vesselOf(plan, Date.parse(plan.startAt)), startC: celsius, lidded: lidOn };
    return Math.min(plan.burner.powerKw, keepingPowerKw(vessel, celsius) / plan.burner.efficiency);
  },
  aim: ({ heat }) => ({ to: 'time', minutes: heat.holdMin }),
  leg,
};
