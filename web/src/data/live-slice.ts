import type { BandForecast } from '@morning-crock/core';
import type {
  CultureChange,
  DayDoc,
  LarderKind,
  MakePlan,
  MovementKind,
  WakingPlan,
} from '@morning-crock/core/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { MakePicture } from '../workers/make-picture.ts';
import type { LastForecast } from './last-forecasts.ts';
import { lastShelf, type Pictures } from './last-shelf.ts';

/** The registers of the kitchen that are kept by entries. */
type Register = 'milk' | 'cultures' | 'larder';

/** An entry as its undo needs it. */
export interface RegisterEntry {
  readonly id: string;
  readonly streamId: string;
  readonly kind: MovementKind | CultureChange['kind'] | LarderKind;
}

/** A day that is going on, as the shelf and the clock line follow it. */
export interface FollowedDay {
  readonly id: string;
  readonly next: Readonly<
    Record<
      string,
      {
        readonly atMs: number;
        readonly cookId: string;
        readonly cook: string;
        /** The batch in the day, and its step. */
        readonly make: string;
        readonly step: string;
        /** What the step wants to find. */
        readonly things: readonly string[];
      }
    >
  >;
}

/** What a day was before somebody changed it: a step of it, or batches that were left out. */
export type DayUndo = {
  readonly id: string;
  /** What was changed, in words. */
  readonly words: string;
  readonly slots: DayDoc['slots'];
} & (
  | {
      readonly kind: 'step';
      readonly at: { readonly make: string; readonly step: string };
      readonly fixed: number | undefined;
      readonly who: string | undefined;
    }
  | { readonly kind: 'left-out'; readonly makes: DayDoc['makes'] }
);

/** A forecast, and when it was worked out. */
interface LiveForecast extends LastForecast {
  /** Kept from the last time and about to be renewed: its times are shown, and nothing rings by them yet. */
  readonly recalled?: true;
}

/** Forecasts of the makes under way, by make; the old one stays while the new one is computed. */
interface LiveState {
  readonly forecasts: Readonly<Record<string, LiveForecast>>;
  readonly working: Readonly<Record<string, boolean>>;
  /** The shelf as the worker drew it, and as it stood the last time the page was open. */
  readonly pictures: Pictures;
  readonly recalled: Pictures;
  /** Makes whose entries contradict each other. */
  readonly unreadable: Readonly<Record<string, boolean>>;
  /** Makes whose times could not be worked out at the last attempt. */
  readonly failed: Readonly<Record<string, boolean>>;
  /** Counts how often somebody asked for another attempt. */
  readonly attempts: number;
  /** The day that is going on: when and by whom its timetable has the next hands of each make. */
  readonly day: FollowedDay | null;
  /** What this device changed in it last; `null` when it cannot be taken back. */
  readonly dayUndo: DayUndo | null;
  readonly wetHands: boolean;
  /** The server writes entries this page does not know: it must be loaded anew. */
  readonly outdated: boolean;
  /** The plan of a new make in the making, so that a sum can be asked for it and its answer come back. */
  readonly draft: MakePlan | null;
  /** The plan of a waking that was not taken, to be changed. */
  readonly wakingDraft: WakingPlan | null;
  /** This device's latest entry in each register, for its undo. */
  readonly entered: Readonly<Record<Register, RegisterEntry | null>>;
}

const initialState: LiveState = {
  forecasts: {},
  working: {},
  pictures: {},
  recalled: lastShelf(),
  unreadable: {},
  failed: {},
  attempts: 0,
  day: null,
  dayUndo: null,
  wetHands: false,
  outdated: false,
  draft: null,
  wakingDraft: null,
  entered: { milk: null, cultures: null, larder: null },
};

/** All but one; the same when it is not among them. */
function without<T>(all: Readonly<Record<string, T>>, id: string): Readonly<Record<string, T>> {
  if (!(id in all)) return all;
  const { [id]: _gone, ...others } = all;
  return others;
}

/** A picture with all that did not change as it was: who draws only that is not drawn again. */
function shared(before: MakePicture, after: MakePicture): MakePicture {
  const same = <T>(a: T, b: T): T => (JSON.stringify(a) === JSON.stringify(b) ? a : b);
  const entries = Object.entries(after).map(([key, value]: [string, unknown]) => [
    key,
    same((before as unknown as Record<string, unknown>)[key], value),
  ]);
  const next = Object.fromEntries(entries) as MakePicture;
  return Object.entries(next).every(([key, value]) => before[key as keyof MakePicture] === value)
    ? before
    : next;
}

/** A make's kept forecast taken for good; the others as they are. */
function withoutRecalled(forecasts: LiveState['forecasts'], makeId: string): LiveState['forecasts'] {
  const kept = forecasts[makeId];
  if (!kept?.recalled) return forecasts;
  return { ...forecasts, [makeId]: { forecast: kept.forecast, atMs: kept.atMs } };
}

export const liveSlice = createSlice({
  name: 'live',
  initialState,
  reducers: {
    dayFollowed: (state, { payload }: PayloadAction<FollowedDay | null>) => ({ ...state, day: payload }),
    dayChanged: (state, { payload }: PayloadAction<DayUndo | null>) => ({ ...state, dayUndo: payload }),
    outdatedTurned: (state, { payload }: PayloadAction<boolean>) => ({ ...state, outdated: payload }),
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
      failed: { ...state.failed, [payload.makeId]: false },
      forecasts: { ...state.forecasts, [payload.makeId]: { forecast: payload.forecast, atMs: payload.atMs } },
    }),
    forecastRecalled: (state, { payload }: PayloadAction<{ makeId: string } & LastForecast>) => {
      const { makeId, forecast, atMs } = payload;
      // What was worked out meanwhile is newer.
      if (state.forecasts[makeId]) return state;
      const kept: LiveForecast = state.failed[makeId]
        ? { forecast, atMs }
        : { forecast, atMs, recalled: true };
      return { ...state, forecasts: { ...state.forecasts, [makeId]: kept } };
    },
    workFailed: (state, { payload }: PayloadAction<string>) => ({
      ...state,
      // Then what was kept is the best there is, and alarms ring by it.
      forecasts: withoutRecalled(state.forecasts, payload),
      working: { ...state.working, [payload]: false },
      failed: { ...state.failed, [payload]: true },
    }),
    pictureDrawn: (
      state,
      { payload: { makeId, picture } }: PayloadAction<{ makeId: string; picture: MakePicture | null }>,
    ) => {
      const { [makeId]: before, ...pictures } = state.pictures;
      return {
        ...state,
        pictures:
          picture === null
            ? pictures
            : { ...state.pictures, [makeId]: before ? shared(before, picture) : picture },
        // What it was the last time is of no more use, nor shown for a moment when it is over.
        recalled: without(state.recalled, makeId),
        unreadable: without(state.unreadable, makeId),
      };
    },
    foundUnreadable: (state, { payload: makeId }: PayloadAction<string>) => ({
      ...state,
      pictures: without(state.pictures, makeId),
      recalled: without(state.recalled, makeId),
      unreadable: { ...state.unreadable, [makeId]: true },
    }),
    attempted: (state) => ({ ...state, failed: {}, attempts: state.attempts + 1 }),
    wakingDraftKept: (state, { payload }: PayloadAction<WakingPlan | null>) => ({
      ...state,
      wakingDraft: payload,
    }),
    draftKept: (state, { payload }: PayloadAction<MakePlan | null>) => ({ ...state, draft: payload }),
    entered: (state, { payload }: PayloadAction<{ register: Register; entry: RegisterEntry }>) => ({
      ...state,
      entered: { ...state.entered, [payload.register]: payload.entry },
    }),
    /** An entry was taken back. */
    taken: (state, { payload: id }: PayloadAction<string>) => ({
      ...state,
      entered: {
        milk: state.entered.milk?.id === id ? null : state.entered.milk,
        cultures: state.entered.cultures?.id === id ? null : state.entered.cultures,
        larder: state.entered.larder?.id === id ? null : state.entered.larder,
      },
    }),
    wetHandsTurned: (state, { payload }: PayloadAction<boolean>) => ({ ...state, wetHands: payload }),
  },
});
