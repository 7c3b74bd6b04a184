import { describe, expect, test } from '@jest/globals';
import { EVENT_VERSION, kitchenSettings } from '../contract/index.ts';
import {
  alarmsOf,
  bandForecast,
  fatBalance,
  foldMake,
  goOn,
  markBand,
  safetyOf,
  type MakeState,
} from '../index.ts';
import {
  demoChurningDue,
  demoCreamPast,
  demoHistory,
  demoKefir,
  demoRipening,
  demoShelf,
  demoToday,
  demoUnderWay,
  lanternFoldAt,
  playMake,
  type DemoCream,
  type DemoEvent,
} from './index.ts';
import { DAY_MS, HOUR_MS } from '../science/units/index.ts';
import { makeAt } from '../make/index.ts';

/** A Sunday, twelve past midnight. */
const SUNDAY = Date.parse('2026-06-07T00:12:00.000Z');
const ZONE = 'UTC';
/** A day under way began so long ago. */
const BEGUN_MS = 3 * HOUR_MS;

const idOf = (n: number): string => `01JDEM0MAKE0000000000${String(n).padStart(5, '0')}`;

function folded(id: string, events: readonly DemoEvent[], untilMs: number): MakeState {
  const state = foldMake(
    id,
    events.map((event, n) => ({
      ...event,
      // What begins later is planned now.
      at: new Date(Math.min(Date.parse(event.at), untilMs)).toISOString(),
      id: `01JDEM0EVENT000${String(n).padStart(11, '0')}`,
      streamId: id,
      version: EVENT_VERSION,
    })),
  );
  if (!state) throw new Error('a played make folds');
  return state;
}
const played = (make: DemoCream, id: string, untilMs: number): MakeState =>
  folded(id, make.play(id, make.plan, Math.max(untilMs, Date.parse(make.plan.startAt)), 50), untilMs);

/** All that is under way when the demo is opened at an instant. */
function underWay(nowMs: number): MakeState[] {
  const yogurts = demoUnderWay(nowMs).map(({ plan, truth, habits }, n) =>
    folded(idOf(n), playMake(idOf(n), plan, truth, habits, nowMs).events, nowMs),
  );
  const others = [demoRipening(nowMs), demoKefir(nowMs), demoChurningDue(nowMs), ...demoShelf(nowMs)].map(
    (make, n) => played(make, idOf(10 + n), nowMs),
  );
  return [...yogurts, ...others].filter(({ finished }) => !finished);
}

/** Every hour, and every weekday with hours by day and by night. */
const moments = Array.from({ length: 24 }, (_, hour) => SUNDAY + (hour % 7) * DAY_MS + hour * HOUR_MS).map(
  (ms) => [new Date(ms).toUTCString().slice(0, 22), ms] as const,
);

test.each(moments)(
  'opened on %s, nothing that is under way clashes with sleep or with itself',
  (_, nowMs) => {
    const kitchen = lanternFoldAt(nowMs, ZONE);
    expect(kitchenSettings.safeParse(kitchen).error).toBeUndefined();
    const makes = underWay(nowMs).map((state, n) => ({ id: `M${n}`, state, by: null, fixed: {}, who: {} }));
    expect(makes.length).toBeGreaterThanOrEqual(5);
    const going = goOn({ kitchen, zeroMs: nowMs - BEGUN_MS, days: 2, keptFree: [], makes, slots: [], nowMs });
    expect(going).toMatchObject({ broken: 0 });
    expect(going!.hands.length).toBeGreaterThan(10);
  },
);

test.each([SUNDAY, SUNDAY + 15 * HOUR_MS])('no more than one thing rings when it is opened', (nowMs) => {
  const ringing = underWay(nowMs).flatMap((state) => {
    const forecast = bandForecast(state, nowMs, 7, 60);
    const safety = safetyOf(state, forecast.point.temperature, nowMs, markBand(forecast, 'safe').p90);
    return alarmsOf(state, forecast, safety).filter(({ dueAtMs }) => dueAtMs <= nowMs);
  });
  expect(ringing.length).toBeLessThanOrEqual(1);
});

test('by day the fold sleeps at night; opened at night it works the night and sleeps by day', () => {
  const cookAt = (hour: number) => lanternFoldAt(SUNDAY + hour * HOUR_MS, ZONE).cooks[0];
  expect(cookAt(9)).toMatchObject({ sleepFrom: '22:00', sleepTo: '05:00' });
  expect(cookAt(20)).toMatchObject({ sleepFrom: '11:30', sleepTo: '18:30' });
});

test('midnight is that of the place where the fold is', () => {
  const noonUtc = Date.parse('2026-06-10T12:00:00.000Z');
  expect(demoToday(noonUtc, 'UTC')).toBe(Date.parse('2026-06-10T00:00:00.000Z'));
  expect(demoToday(noonUtc, 'Pacific/Auckland')).toBe(Date.parse('2026-06-10T12:00:00.000Z'));
});

describe('what is past can be believed', () => {
  /** So far apart two readings of one milk may lie, pH. */
  const METER_ERROR = 0.1;
  const STRIP_ERROR = 0.5;
  const nowMs = SUNDAY + 9 * HOUR_MS;
  const logs = [...demoHistory(demoToday(nowMs, ZONE)), ...demoUnderWay(nowMs)].map((make, n) => ({
    name: make.plan.name,
    events: playMake(idOf(n), make.plan, make.truth, make.habits, nowMs).events,
  }));

  test.each(logs)('pH of $name falls but for the error of what measures it', ({ events }) => {
    let lowest = 14;
    for (const event of events) {
      if (event.type !== 'ph-read') continue;
      const error = event.data.instrument === 'strip' ? STRIP_ERROR : METER_ERROR;
      expect(event.data.ph).toBeLessThanOrEqual(lowest + error);
      lowest = Math.min(lowest, event.data.ph);
    }
  });

  test('of the fat of each churning 1–4 % is lost to the buttermilk, unless the notes say why', () => {
    const churnings = demoCreamPast(nowMs)
      .map((make, n) => played(make, idOf(50 + n), nowMs))
      .filter(
        (state) => state.finished && state.weighedKg !== null && fatBalance(makeAt(state, nowMs)) !== null,
      );
    expect(churnings.length).toBeGreaterThanOrEqual(4);
    for (const state of churnings) {
      const { fatKg, inButtermilkKg, inButterKg } = fatBalance(makeAt(state, nowMs))!;
      expect(inButterKg).toBeLessThanOrEqual(fatKg * 1.01);
      const lost = (inButtermilkKg ?? 0) / fatKg;
      if (state.notes.length > 0 || (state.tasting?.text ?? '') !== '') continue;
      expect(lost).toBeGreaterThanOrEqual(0.01);
      expect(lost).toBeLessThanOrEqual(0.04);
    }
  });
});
