import { describe, expect, test } from '@jest/globals';
import { draftEvent, EVENT_VERSION, kitchenSettings, makePlan } from '../contract/index.ts';
import {
  demoHistory,
  demoToday,
  demoUnderWay,
  LANTERN_FOLD,
  playMake,
  type DemoEvent,
  type DemoMake,
} from './index.ts';

const NOW = Date.parse('2026-06-10T09:00:00.000Z');
const MAKE = '01JDEM0MAKE000000000000000';
const play = ({ plan, truth, habits }: DemoMake, untilMs = NOW): DemoEvent[] =>
  playMake(MAKE, plan, truth, habits, untilMs).events;

test('the demo kitchen is one that the contract takes', () => {
  expect(kitchenSettings.safeParse(LANTERN_FOLD).error).toBeUndefined();
});

describe('played makes', () => {
  const history = demoHistory(demoToday(NOW, 'UTC'));

  test('every plan and every event would pass the door', () => {
    for (const make of history) {
      expect(makePlan.safeParse(make.plan).error).toBeUndefined();
      for (const event of play(make)) {
        const sent = { ...event, id: MAKE, streamId: MAKE, version: EVENT_VERSION };
        expect(draftEvent.safeParse(sent).error).toBeUndefined();
      }
    }
  });

  test('are in order of time and the same each time', () => {
    const [make] = history;
    const events = play(make!);
    expect(events.map((e) => e.at)).toEqual(events.map((e) => e.at).sort());
    expect(play(make!)).toEqual(events);
  });

  test('tell nothing of what has not happened yet', () => {
    for (const make of demoUnderWay(NOW)) {
      const events = play(make);
      expect(events.every((e) => Date.parse(e.at) <= NOW)).toBe(true);
      expect(events.some((e) => e.type === 'finished')).toBe(false);
      expect(play(make, Date.parse(make.plan.startAt) - 1)).toEqual([]);
    }
  });

  test('the warmer that was off its heat never set and nobody tasted it', () => {
    const cold = history.find((m) => m.truth.placeOffC < -10)!;
    const events = play(cold);
    expect(events.find((e) => e.type === 'finished')).toMatchObject({ data: { verdict: 'discarded' } });
    expect(events.some((e) => e.type === 'tasted')).toBe(false);
  });

  test('a hidden truth shows in what is seen: a lively culture sets before the book says', () => {
    const make = history[0]!;
    const firstSet = (rate: number): number => {
      const events = play({
        ...make,
        truth: { ...make.truth, rate, countOff: 0 },
        habits: { ...make.habits, looksH: Array.from({ length: 40 }, (_, i) => 1 + i / 4) },
      });
      return Date.parse(events.findLast((e) => e.type === 'cue-seen')!.at);
    };
    expect(firstSet(1.4)).toBeLessThan(firstSet(0.7));
  });
});
