import type { BackwardsAnswer, BackwardsInput, BandForecast } from '@morning-crock/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { ForecastJob, ForecastWorker } from './forecast.worker.ts';

let worker: Remote<ForecastWorker> | null = null;

function remote(): Remote<ForecastWorker> {
  worker ??= wrap<ForecastWorker>(
    new Worker(new URL('./forecast.worker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}

/**
 * Forecasts in the worker. A newer request with the same key replaces an older one, which then gives `null`.
 */
export function requestForecast(key: string, job: ForecastJob): Promise<BandForecast | null> {
  return remote().forecast(key, job);
}

/** Plans backwards in the worker; `null` when it was cancelled. @param tell is told how far it is, 0..1 */
export function requestPlan(
  key: string,
  input: BackwardsInput,
  tell: (share: number) => void,
): Promise<BackwardsAnswer | null> {
  return remote().planBack(key, input, proxy(tell));
}

/** Stops the request of a key. */
export function cancelForecast(key: string): void {
  void remote().cancel(key);
}
