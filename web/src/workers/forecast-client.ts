import type { BackwardsAnswer, BackwardsInput, BandForecast } from '@morning-crock/core';
import { proxy } from 'comlink';
import type { ForecastJob, ForecastWorker } from './forecast.worker.ts';
import { lastingWorker } from './lasting.ts';

const ask = lastingWorker<ForecastWorker>(
  () => new Worker(new URL('./forecast.worker.ts', import.meta.url), { type: 'module' }),
);

/**
 * Forecasts in the worker. A newer request with the same key replaces an older one, which then gives `null`.
 * @throws Error when the worker cannot be fetched or falls over
 */
export function requestForecast(key: string, job: ForecastJob): Promise<BandForecast | null> {
  return ask((worker) => worker.forecast(key, job));
}

/** Plans backwards in the worker; `null` when it was cancelled. @param tell is told how far it is, 0..1 */
export function requestPlan(
  key: string,
  input: BackwardsInput,
  tell: (share: number) => void,
): Promise<BackwardsAnswer | null> {
  return ask((worker) => worker.planBack(key, input, proxy(tell)));
}

/** Stops the request of a key. */
export function cancelForecast(key: string): void {
  void ask((worker) => worker.cancel(key)).catch(() => undefined);
}
