import type { Page } from 'puppeteer-core';
import { PATIENCE_MS } from './browser.ts';
import type { World } from './world.ts';

/** Two clocks this far apart are told as one time. */
const SAME_MS = 2000;

/** Time passes, for the kitchen and for the pages that lie open in it: they notice by themselves. */
export async function later(world: World, minutes: number, ...pages: readonly Page[]): Promise<void> {
  world.advance(minutes);
  const { nowMs } = world.kitchen.clock;
  for (const page of pages)
    await page.waitForFunction(
      (ms: number, same: number) =>
        Math.abs(Date.now() + Number(localStorage.getItem('mc-clock-offset')) - ms) < same,
      { timeout: PATIENCE_MS, polling: 50 },
      nowMs,
      SAME_MS,
    );
}
