import { afterAll, afterEach, beforeAll, beforeEach, expect } from '@jest/globals';
import type { EventOf, EventType } from '@morning-crock/core/contract';
import type { Browser, Page } from 'puppeteer-core';
import { openTablet, startBrowser, type Tablet } from './browser.ts';
import { createWorld, type World } from './world.ts';

/**
 * One browser for a file of journeys, and for each of them a kitchen of its own; at its end none of its tablets may have asked for
 * anything off loopback, or met a fault.
 * @param startMs what time it is when a journey begins, ms since 1970
 */
export function tablets(startMs: number) {
  let browser: Browser;
  let world: World;
  const opened: Tablet[] = [];
  beforeAll(async () => {
    browser = await startBrowser();
  });
  afterAll(() => browser.close());
  beforeEach(async () => {
    world = await createWorld(startMs);
  });
  afterEach(async () => {
    const all = opened.splice(0);
    for (const tablet of all) await tablet.close();
    await world.close();
    expect(all.flatMap(({ strayRequests, faults }) => [...strayRequests, ...faults])).toEqual([]);
  });
  return {
    /** The kitchen of the journey that goes on. */
    kitchen: (): World => world,
    open: async (path: string): Promise<Page> => {
      const tablet = await openTablet(browser, world.address + path);
      opened.push(tablet);
      return tablet.page;
    },
    /** What the entries of a type hold in the database, once there are so many of them at least. */
    stored: <T extends EventType>(type: T, wanted: number) => world.stored<EventOf<T>['data']>(type, wanted),
  };
}
