import {
  defaultKitchen,
  formatMass,
  formatTemperature,
  formatVolume,
  outwardBand,
  type MeasureSystem,
  type TemperatureUnit,
} from '@morning-crock/core';
import type { KitchenSettings } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { useKitchenQuery } from '../api/api.ts';

const FALLBACK = defaultKitchen('UTC');

/** The kitchen as set, or the default one until it is known. */
export function useKitchen(): KitchenSettings {
  return useKitchenQuery().data?.settings ?? FALLBACK;
}

/** Words for quantities and times as this kitchen wants them. */
export interface Units {
  readonly temperatureUnit: TemperatureUnit;
  readonly system: MeasureSystem;
  temperature(celsius: number): string;
  mass(massKg: number): string;
  volume(litres: number): string;
  /** "18:10", with the weekday when it is not today. */
  time(ms: number, nowMs: number): string;
  /** "18:10–18:50", rounded outward to five minutes. */
  span(fromMs: number | null, toMs: number | null, nowMs: number): string;
  /** "Mon 23 Nov". */
  day(ms: number): string;
}

export function useUnits(): Units {
  const { units, site } = useKitchen();
  return useMemo(() => {
    const clock = new Intl.DateTimeFormat('en-GB', {
      timeZone: site.zone,
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    });
    const weekday = new Intl.DateTimeFormat('en-GB', { timeZone: site.zone, weekday: 'short' });
    const date = new Intl.DateTimeFormat('en-GB', {
      timeZone: site.zone,
      weekday: 'short',
      day: 'numeric',
      month: 'short',
    });
    const full = new Intl.DateTimeFormat('en-GB', { timeZone: site.zone, dateStyle: 'short' });
    const time = (ms: number, nowMs: number): string =>
      full.format(ms) === full.format(nowMs) ? clock.format(ms) : `${weekday.format(ms)} ${clock.format(ms)}`;
    return {
      temperatureUnit: units.temperature,
      system: units.measures,
      temperature: (celsius) => formatTemperature(celsius, units.temperature),
      mass: (massKg) => formatMass(massKg, units.measures),
      volume: (litres) => formatVolume(litres, units.measures),
      time,
      span: (fromMs, toMs, nowMs) => {
        if (fromMs === null) return 'not within the time looked at';
        const band = outwardBand(fromMs, toMs ?? fromMs);
        const from = time(band.fromMs, nowMs);
        if (toMs === null) return `later than ${from}`;
        const sameDay = full.format(band.fromMs) === full.format(band.toMs);
        return `${from}–${sameDay ? clock.format(band.toMs) : time(band.toMs, nowMs)}`;
      },
      day: (ms) => date.format(ms),
    };
  }, [units, site.zone]);
}
