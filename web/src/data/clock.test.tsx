import { act, cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { now, observeServerTime, useNow, useTurn } from './clock.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
const MINUTE_MS = 60_000;

beforeEach(() => {
  jest.useFakeTimers({ now: START });
  observeServerTime(new Date(START).toISOString(), START, START);
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

function Turns() {
  return (
    <>
      <p>turn {useTurn(MINUTE_MS) - START / MINUTE_MS}</p>
      <p>minute {Math.floor((useNow(1000) - START) / MINUTE_MS)}</p>
    </>
  );
}

test('an answer that was long on its way is believed to be half as old', () => {
  observeServerTime('2026-03-02T07:00:00.000Z', START - 4000, START);
  expect(now()).toBe(Date.parse('2026-03-02T07:00:02.000Z'));
});

test('a turn comes with its time, and at once when the clock is put right', () => {
  render(<Turns />);
  screen.getByText('turn 0');
  act(() => {
    jest.advanceTimersByTime(MINUTE_MS);
  });
  screen.getByText('turn 1');
  // What the server says now is an hour later: nobody waits for the next minute.
  act(() => observeServerTime(new Date(START + 61 * MINUTE_MS).toISOString(), Date.now(), Date.now()));
  screen.getByText('turn 61');
  screen.getByText('minute 61');
});

test('a tablet that slept is in the present when it is looked at again', () => {
  render(<Turns />);
  jest.setSystemTime(START + 90 * MINUTE_MS);
  screen.getByText('turn 0');
  act(() => {
    document.dispatchEvent(new Event('visibilitychange'));
  });
  screen.getByText('turn 90');
});

test('a correction that nobody would notice draws nothing anew', () => {
  let drawn = 0;
  function Counted() {
    drawn++;
    return <p>{useNow(MINUTE_MS)}</p>;
  }
  render(<Counted />);
  const before = drawn;
  act(() => observeServerTime(new Date(START + 400).toISOString(), START, START));
  expect(drawn).toBe(before);
});
