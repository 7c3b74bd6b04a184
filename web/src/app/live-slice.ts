import type { BandForecast } from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** Forecasts of the makes under way, by make; the old one stays while the new one is computed. */
interface LiveState {
  readonly forecasts: Readonly<Record<string, { readonly forecast: BandForecast; readonly atMs: number }>>;
  readonly working: Readonly<Record<string, boolean>>;
  readonly wetHands: boolean;
  /** The plan of a new make in the making, so that a sum can be asked for it and its answer come back. */
  readonly draft: MakePlan | null;
}

const initialState: LiveState = { forecasts: {}, working: {}, wetHands: false, draft: null };

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
    draftKept: (state, { payload }: PayloadAction<MakePlan | null>) => ({ ...state, draft: payload }),
    wetHandsTurned: (state, { payload }: PayloadAction<boolean>) => ({ ...state, wetHands: payload }),
  },
});
