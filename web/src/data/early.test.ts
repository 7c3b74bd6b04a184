import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { askEarly, earlyAnswer } from './early.ts';

const MAKE = '01HZZZZZZZZZZZZZZZZZZZZZZZ';
const usual = globalThis.fetch;
let asked: string[];

beforeEach(() => {
  jest.useFakeTimers();
  asked = [];
  globalThis.fetch = ((path: string) => {
    asked.push(path);
    return path === '/api/days' ? Promise.reject(new TypeError('away')) : Promise.resolve({ path });
  }) as unknown as typeof fetch;
});
afterEach(() => {
  jest.useRealTimers();
  globalThis.fetch = usual;
});

test('what a page begins with is asked before it is awake, a batch’s own log where one is opened', async () => {
  askEarly(`/makes/${MAKE}`);
  expect(asked).toEqual(['/api/kitchen', '/api/makes?latest=30', '/api/days', `/api/makes/${MAKE}`]);
  expect(await earlyAnswer(`api/makes/${MAKE}`)).toMatchObject({ response: { path: `/api/makes/${MAKE}` } });
  asked = [];
  askEarly('/daybook');
  expect(asked).toEqual(['/api/kitchen', '/api/makes?latest=30', '/api/days']);
  // Whatever else stands in the address is no batch.
  asked = [];
  askEarly('/makes/../tablets');
  expect(asked).toHaveLength(3);
});

test('each is answered so once; whoever asks later, or for what was not answered, asks the kitchen', async () => {
  askEarly('/');
  expect(await earlyAnswer('api/kitchen')).not.toBeNull();
  expect(await earlyAnswer('api/kitchen')).toBeNull();
  expect(await earlyAnswer('api/days')).toBeNull();
  expect(await earlyAnswer('api/milk')).toBeNull();
  jest.advanceTimersByTime(10_000);
  expect(await earlyAnswer('api/makes?latest=30')).toBeNull();
});

test('it says when it was sent and when it came, not when somebody looked: the clock is set by it', async () => {
  jest.setSystemTime(1_000_000);
  askEarly('/');
  await jest.advanceTimersByTimeAsync(300);
  expect(await earlyAnswer('api/kitchen')).toMatchObject({ sentMs: 1_000_000, receivedMs: 1_000_000 });
});
