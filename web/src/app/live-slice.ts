import type { BandForecast } from '@morning-crock/core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** Forecasts of the makes under way, by make; the old one stays while the new one is computed. */
interface LiveState {
  readonly forecasts: Readonly<Record<string, { readonly forecast: BandForecast; readonly atMs: number }>>;
  readonly working: Readonly<Record<string, boolean>>;
  readonly wetHands: boolean;
}

const initialState: LiveState = { forecasts: {}, working: {}, wetHands: false };

export const liveSlice = createSlice({
  name: 'live',
  initialState,
  reducers: {
    workStarted: (state, { payload }: PayloadAction<string>) => ({
      ...state,
      working: { ...state.working, [payload]: true },
    }),
    forecastMade: (
      state,
      { payload }: PayloadAction<{ makeId: string; forecast: BandForecast; atMs: number }>,
    ) => ({
      ...state,
      working: { ...state.working, [payload.makeId]: false },
      forecasts: { ...state.forecasts, [payload.makeId]: { forecast: payload.forecast, atMs: payload.atMs } },
    }),
    wetHandsTurned: (state, { payload }: PayloadAction<boolean>) => ({ ...state, wetHands: payload }),
  },
});
