import { MODEL_VERSION, type BandForecast, HOUR_MS } from '@morning-crock/core';
import { FORECASTS, openDeviceDatabase } from './database.ts';

/** A forecast as it was last worked out on this device. */
export interface LastForecast {
  readonly forecast: BandForecast;
  readonly atMs: number;
}

/** Older than this it says nothing of now. */
const USABLE_MS = 12 * HOUR_MS;

/** Keeps a make's forecast, so that its times stand there at once the next time. A browser that keeps nothing goes without. */
export function keepForecast(makeId: string, last: LastForecast): void {
  void openDeviceDatabase()
    .then((db) => db.put(FORECASTS, { ...last, model: MODEL_VERSION }, makeId))
    .catch(() => undefined);
}

/** The forecast kept of a make, `null` when there is none worth showing. */
export async function lastForecast(makeId: string, nowMs: number): Promise<LastForecast | null> {
  try {
    const last = (await (await openDeviceDatabase()).get(FORECASTS, makeId)) as
      (LastForecast & { model: string }) | undefined;
    // Another version of the page may have kept it.
    if (last?.model !== MODEL_VERSION || Math.abs(nowMs - last.atMs) > USABLE_MS) return null;
    return { forecast: last.forecast, atMs: last.atMs };
  } catch {
    return null;
  }
}

/** Forgets the forecasts of all makes but these. */
export async function forgetForecasts(underWay: readonly string[]): Promise<void> {
  try {
    const db = await openDeviceDatabase();
    for (const key of await db.getAllKeys(FORECASTS))
      if (typeof key === 'string' && !underWay.includes(key)) await db.delete(FORECASTS, key);
  } catch {
    // Nothing is kept here.
  }
}
