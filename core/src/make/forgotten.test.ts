import { describe, expect, test } from '@jest/globals';
import type { MakePlan } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import { planOfMethod, PRODUCTS } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';
import { createLog, MAKE_ID, START } from './fixtures/make-events.ts';
import {
  alarmsOf,
  bandForecast,
  foldMake,
  nextHands,
  nextTurn,
  pointForecast,
  safetyOf,
  stateOfPlan,
  type MakeState,
} from './index.ts';

const KITCHEN = defaultKitchen('UTC');
const LITRES = 2;
const BUTTER_KG = 0.5;
/** Forgotten for so long after the step that went on should have been over, h; the band is drawn for one of them. */
const HOURS = [0.5, 3, 14, 72] as const;
const DRAWN_H = 14;
const FEW_MEMBERS = 40;
/** Warm hours are added up along the course, which is told from the present: so much they differ, h. */
const WARM_H = 0.6;

/** A batch whose steps were done when they were to be, up to one that goes on. */
function upTo(plan: MakePlan, steps: ReturnType<typeof pointForecast>['steps'], current: number): MakeState {
  const log = createLog();
  const events: LoggedEvent[] = [log(0, 'make-started', { plan })];
  const { massKg, statedRatio, typed } = plan.starter;
  for (const { id, kind, endMs } of steps.slice(0, current)) {
    const minute = Math.round((endMs - START) / MINUTE_MS);
    events.push(
      kind === 'inoculate'
        ? log(minute, 'starter-added', { massKg, statedRatio, typed })
        : kind === 'weigh'
          ? log(minute, 'weighed', { massKg: 0.3, typed: { value: 300, unit: 'g' } })
          : log(minute, 'step-done', { step: id }),
    );
  }
  return foldMake(MAKE_ID, events)!;
}

describe('whatever is forgotten, at any of its steps, for hours or for days, nothing that is said of it contradicts itself', () => {
  test.each(SHIPPED_METHODS.map((method) => [method.id, method] as const))('%s', (_id, method) => {
    const amount = PRODUCTS[method.product].goods.into === 'butter' ? BUTTER_KG : LITRES;
    const plan = planOfMethod(method, KITCHEN, new Date(START).toISOString(), amount);
    const { steps } = pointForecast(stateOfPlan(plan), START);
    for (let k = 0; k < steps.length; k++) {
      const state = upTo(plan, steps, k);
      const { current } = state;
      if (!current) continue;
      const { facts, id } = current.step;
      const startMs = current.startedAtMs ?? START;
      const longMs = Math.max(0, steps[k]!.endMs - startMs);
      let warmH = { hours: 0, warm: Number.NaN };
      for (const hours of HOURS) {
        const nowMs = startMs + longMs + hours * HOUR_MS;
        const at = `${id}, ${hours} h`;
        const point = pointForecast(state, nowMs);
        for (const step of point.steps) {
          expect([at, step.id, step.endMs >= step.startMs]).toEqual([at, step.id, true]);
          if (step.status === 'coming')
            expect([at, step.id, step.startMs >= nowMs - 1]).toEqual([at, step.id, true]);
        }
        // No pot gets hotter than its fire, and no freezer colder than itself.
        const heats = point.temperature.map(([, celsius]) => celsius);
        expect([at, Math.min(...heats) > -25, Math.max(...heats) < 160]).toEqual([at, true, true]);
        const safety = safetyOf(state, point.temperature, nowMs, null);
        // What was warm stays so, and no hour is longer than it is.
        const more = safety.warmH - warmH.warm;
        if (!Number.isNaN(more)) {
          expect([at, more > -WARM_H]).toEqual([at, true]);
          expect([at, more < hours - warmH.hours + WARM_H]).toEqual([at, true]);
        }
        warmH = { hours, warm: safety.warmH };
        const turn = nextTurn(state, point);
        if (turn) expect([at, turn.no <= turn.of]).toEqual([at, true]);
        if (hours !== DRAWN_H) continue;
        const forecast = bandForecast(state, nowMs, 3, FEW_MEMBERS);
        for (const { step, end } of forecast.steps) {
          if (point.steps.find((s) => s.id === step)?.status !== 'coming' || end.p10 === null) continue;
          expect([at, step, end.p10 >= nowMs - MINUTE_MS, end.p10 <= end.p50! + 1]).toEqual([
            at,
            step,
            true,
            true,
          ]);
        }
        const next = nextHands(state, forecast, safety, nowMs)!;
        const said = [next, ...alarmsOf(state, forecast, safety)].map((one) => JSON.stringify(one)).join(' ');
        expect([at, /NaN|undefined|Infinity/.exec(said)?.[0]]).toEqual([at, undefined]);
        if (!facts.waits || facts.sours || safety.verdict === 'over') continue;
        // It is asked for now, and since when that is so is told.
        const endless = point.steps.find((s) => s.id === id)?.endless === true;
        if (!endless) expect([at, next.act, next.atMs <= nowMs + MINUTE_MS]).toEqual([at, next.act, true]);
        if (!endless) expect([at, next.act, next.sinceMs !== undefined]).toEqual([at, next.act, true]);
      }
    }
  });
});
