import { ENTRY_VERSION_HEADER, EVENT_VERSION } from '@morning-crock/core/entry-version';
import type {
  CulturesResponse,
  EarlierPhoto,
  ErrorBody,
  Factor,
  KeptDay,
  KeptMethod,
  KitchenResponse,
  LedgerLine,
  MakeSummary,
  MilkDays,
  MilkingRow,
  MilkRoomResponse,
  PhotoUpload,
  StoredEvent,
  TraceStored,
  TraceUpload,
} from '@morning-crock/core/contract';
import { original } from '@reduxjs/toolkit';
import { createApi, fetchBaseQuery, type BaseQueryFn } from '@reduxjs/toolkit/query/react';
import { observeServerTime } from './clock.ts';
import { readBy, readLog, type Read } from './contract.ts';
import { earlyAnswer } from './early.ts';
import { liveSlice } from './live-slice.ts';
import { keepAnswer, lastAnswer } from './last-known.ts';
import { outboxSlice } from './outbox.ts';

/** What a failed request leaves: the server's own words, or that it did not answer. */
type ApiError = ErrorBody | { readonly code: 'away' };

const raw = fetchBaseQuery({ baseUrl: '/' });
/** The same, of an answer that is here already. */
const answeredBy = (response: Response): typeof raw =>
  fetchBaseQuery({ baseUrl: '/', fetchFn: () => Promise.resolve(response) });

const baseQuery: BaseQueryFn<Parameters<typeof raw>[0], unknown, ApiError> = async (request, api, extra) => {
  const path = typeof request === 'string' ? request : request.url;
  const isRead = typeof request === 'string';
  const early = isRead ? await earlyAnswer(path) : null;
  const sentMs = early?.sentMs ?? Date.now();
  const result = await (early ? answeredBy(early.response) : raw)(request, api, extra);
  const written = Number(result.meta?.response?.headers.get(ENTRY_VERSION_HEADER) ?? EVENT_VERSION);
  if (written > EVENT_VERSION) api.dispatch(liveSlice.actions.outdatedTurned(true));
  if (isRead && result.data !== undefined) keepAnswer(path, result.data);
  const { data } = result;
  if (typeof data === 'object' && data !== null && 'now' in data && typeof data.now === 'string') {
    observeServerTime(data.now, sentMs, early?.receivedMs ?? Date.now());
  }
  if (!result.error) return { data };
  const body = result.error.data;
  if (isRead && typeof result.error.status !== 'number') {
    // Nobody answered: what was last known is better than an empty page. Its clock is old and is not believed.
    const last = await lastAnswer(path);
    if (last !== undefined) return { data: last };
  }
  const spoken = typeof body === 'object' && body !== null && 'code' in body ? (body as ErrorBody) : null;
  return { error: spoken ?? { code: 'away' } };
};

/** Checks what comes over the wire by the contract, then hands on what is wanted of it. */
export const checked =
  <K extends Parameters<typeof readBy>[0], R>(name: K, pick: (body: Read<K>) => R) =>
  async (body: unknown): Promise<R> =>
    pick(await readBy(name, body));

/** What was answered, with what came live since it was asked for: an answer may be older than what the page knows. */
function withNewer(known: StoredEvent[], answered: StoredEvent[]): StoredEvent[] {
  const lastSeq = answered.at(-1)?.seq ?? 0;
  const newer = original(known).filter(({ seq }) => seq > lastSeq);
  return newer.length === 0 ? answered : [...answered, ...newer];
}

/** Lines of the ledger asked for at once. */
const LEDGER_PAGE = 400;

/** All that is asked for. */
export const TAGS = [
  'kitchen',
  'makes',
  'make',
  'factors',
  'tablets',
  'calendar',
  'milk',
  'milk-lines',
  'cultures',
  'methods',
  'days',
  'larder',
] as const;

export const api = createApi({
  reducerPath: 'api',
  baseQuery,
  tagTypes: TAGS,
  keepUnusedDataFor: 3600,
  endpoints: (build) => ({
    kitchen: build.query<KitchenResponse, void>({
      query: () => 'api/kitchen',
      transformResponse: checked('kitchenResponse', (body) => body),
      providesTags: ['kitchen'],
    }),
    makes: build.query<MakeSummary[], void>({
      query: () => 'api/makes',
      transformResponse: checked('makesResponse', (body) => body.makes),
      providesTags: ['makes'],
    }),
    /** What is under way and the latest of the others: what a kitchen of ten years needs on its Bench. */
    recentMakes: build.query<MakeSummary[], void>({
      query: () => 'api/makes?latest=30',
      transformResponse: checked('makesResponse', (body) => body.makes),
      providesTags: ['makes'],
      onQueryStarted: async (_none, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: [] }));
        dispatch(outboxSlice.actions.listed(data.map(({ id }) => id)));
      },
    }),
    make: build.query<StoredEvent[], string>({
      query: (id) => `api/makes/${id}`,
      transformResponse: async (body: unknown) => {
        const { events } = await readLog(body);
        // What is frozen already the store does not freeze entry by entry: a long log has ten thousand.
        Object.freeze(events);
        return events;
      },
      merge: withNewer,
      providesTags: ['make'],
    }),
    factors: build.query<Factor[], void>({
      query: () => 'api/factors',
      transformResponse: checked('factorsResponse', (body) => body.factors),
      providesTags: ['factors'],
    }),
    tracePart: build.query<
      Read<'tracePart'>,
      { makeId: string; traceId: string; fromMs: number; toMs: number }
    >({
      query: ({ makeId, traceId, fromMs, toMs }) =>
        `api/makes/${makeId}/traces/${traceId}?points=400&from=${fromMs}&to=${toMs}`,
      transformResponse: checked('tracePart', (body) => body),
    }),
    storeTrace: build.mutation<TraceStored, { makeId: string; trace: TraceUpload }>({
      query: ({ makeId, trace }) => ({ url: `api/makes/${makeId}/traces`, method: 'POST', body: trace }),
      transformResponse: checked('traceStored', (body) => body),
    }),
    milkRoom: build.query<MilkRoomResponse, void>({
      query: () => 'api/milk',
      transformResponse: checked('milkRoomResponse', (body) => body),
      providesTags: ['milk'],
    }),
    cultures: build.query<CulturesResponse, void>({
      query: () => 'api/cultures',
      transformResponse: checked('culturesResponse', (body) => body),
      providesTags: ['cultures'],
    }),
    days: build.query<KeptDay[], void>({
      query: () => 'api/days',
      transformResponse: checked('daysResponse', (body) => body.days),
      providesTags: ['days'],
    }),
    methods: build.query<KeptMethod[], void>({
      query: () => 'api/methods',
      transformResponse: checked('methodsResponse', (body) => body.methods),
      providesTags: ['methods'],
    }),
    /** The ledger, the latest first, a page after another as it is scrolled. */
    ledger: build.infiniteQuery<{ lines: LedgerLine[]; more: boolean }, string | null, number>({
      infiniteQueryOptions: {
        initialPageParam: 0,
        getNextPageParam: (last, _pages, offset) => (last.more ? offset + LEDGER_PAGE : undefined),
      },
      query: ({ queryArg, pageParam }) =>
        `api/milk/ledger?limit=${LEDGER_PAGE}&offset=${pageParam}${queryArg === null ? '' : `&lot=${queryArg}`}`,
      transformResponse: checked('ledgerResponse', ({ lines, more }) => ({ lines, more })),
      providesTags: ['milk-lines'],
    }),
    /** Everything written down of one lot or culture. */
    entries: build.query<StoredEvent[], string>({
      query: (streamId) => `api/events?stream=${streamId}&limit=5000`,
      transformResponse: checked('eventsResponse', (body) => body.events),
      providesTags: ['milk-lines', 'cultures', 'larder'],
    }),
    milkDays: build.query<MilkDays, void>({
      query: () => 'api/milk/days',
      transformResponse: checked('milkDaysResponse', (body) => body),
      providesTags: ['milk-lines'],
    }),
    storeMilkings: build.mutation<Read<'milkingsStored'>, { rows: readonly MilkingRow[]; deviceId: string }>({
      query: (body) => ({ url: 'api/milk/milkings', method: 'POST', body }),
      transformResponse: checked('milkingsStored', (body) => body),
      invalidatesTags: ['milk', 'milk-lines'],
    }),
    earlierPhotos: build.query<EarlierPhoto[], { product: string; step: string; not: string }>({
      query: ({ product, step, not }) => `api/photos?product=${product}&step=${step}&not=${not}`,
      transformResponse: checked('photosResponse', (body) => body.photos),
    }),
    storePhoto: build.mutation<Read<'photoStored'>, { makeId: string; photo: PhotoUpload }>({
      query: ({ makeId, photo }) => ({ url: `api/makes/${makeId}/photos`, method: 'POST', body: photo }),
      transformResponse: checked('photoStored', (body) => body),
    }),
    tablets: build.query<Read<'tabletsResponse'>, void>({
      query: () => 'api/tablets',
      transformResponse: checked('tabletsResponse', (body) => body),
      providesTags: ['tablets'],
    }),
    calendarAddress: build.query<Read<'calendarAddressResponse'>, void>({
      query: () => 'api/calendar',
      transformResponse: checked('calendarAddressResponse', (body) => body),
      providesTags: ['calendar'],
    }),
    newCalendarAddress: build.mutation<Read<'newCalendarAddressResponse'>, void>({
      query: () => ({ url: 'api/calendar', method: 'POST' }),
      transformResponse: checked('newCalendarAddressResponse', (body) => body),
      invalidatesTags: ['calendar'],
    }),
    revokeCalendarAddress: build.mutation<Read<'revokedCalendarResponse'>, void>({
      query: () => ({ url: 'api/calendar/revoke', method: 'POST' }),
      transformResponse: checked('revokedCalendarResponse', (body) => body),
      invalidatesTags: ['calendar'],
    }),
    revokeTablet: build.mutation<Read<'revokeResponse'>, string>({
      query: (id) => ({ url: `api/tablets/${id}/revoke`, method: 'POST' }),
      transformResponse: checked('revokeResponse', (body) => body),
      invalidatesTags: ['tablets'],
    }),
    newCode: build.mutation<Read<'newCodeResponse'>, void>({
      query: () => ({ url: 'api/code', method: 'POST' }),
      transformResponse: checked('newCodeResponse', (body) => body),
    }),
    restoreKitchen: build.mutation<Read<'restoreResponse'>, unknown>({
      query: (file) => ({ url: 'api/restore', method: 'POST', body: file }),
      transformResponse: checked('restoreResponse', (body) => body),
      invalidatesTags: [
        'makes',
        'kitchen',
        'factors',
        'milk',
        'milk-lines',
        'cultures',
        'methods',
        'days',
        'larder',
      ],
    }),
    importDaybook: build.mutation<Read<'importResponse'>, unknown>({
      query: (file) => ({ url: 'api/import', method: 'POST', body: file }),
      transformResponse: checked('importResponse', (body) => body),
      invalidatesTags: ['makes', 'factors'],
    }),
  }),
});

export const {
  useKitchenQuery,
  useMakesQuery,
  useRecentMakesQuery,
  useDaysQuery,
  useMethodsQuery,
  useMakeQuery,
  useMilkRoomQuery,
  useCulturesQuery,
  useEntriesQuery,
  useLedgerInfiniteQuery,
  useMilkDaysQuery,
  useStoreMilkingsMutation,
  useFactorsQuery,
  useTabletsQuery,
  useTracePartQuery,
  useImportDaybookMutation,
  useStoreTraceMutation,
  useEarlierPhotosQuery,
  useStorePhotoMutation,
  useRevokeTabletMutation,
  useCalendarAddressQuery,
  useNewCalendarAddressMutation,
  useRevokeCalendarAddressMutation,
  useNewCodeMutation,
  useRestoreKitchenMutation,
} = api;

/** What an error of the server says, in one line. */
export function errorWords(error: unknown): string {
  const body = error as ApiError;
  if (body.code === 'away') return 'The server is not answering. Nothing was changed. Try again.';
  const details = body.details.map((d) => (d.path ? `${d.path}: ${d.message}` : d.message)).join('; ');
  return `${body.message} ${body.next}${details ? ` (${details})` : ''}`;
}
