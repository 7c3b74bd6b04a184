import {
  eventsResponse,
  importResponse,
  kitchenResponse,
  makesResponse,
  type ErrorBody,
  type KitchenResponse,
  type MakeSummary,
  type StoredEvent,
} from '@morning-crock/core/contract';
import { createApi, fetchBaseQuery, type BaseQueryFn } from '@reduxjs/toolkit/query/react';
import type { z } from 'zod';
import { observeServerTime } from '../app/clock.ts';

/** What a failed request leaves: the server's own words, or that it did not answer. */
export type ApiError = ErrorBody | { readonly code: 'away' };

const raw = fetchBaseQuery({ baseUrl: '/' });

const baseQuery: BaseQueryFn<Parameters<typeof raw>[0], unknown, ApiError> = async (request, api, extra) => {
  const sentMs = Date.now();
  const result = await raw(request, api, extra);
  const { data } = result;
  if (typeof data === 'object' && data !== null && 'now' in data && typeof data.now === 'string') {
    observeServerTime(data.now, sentMs, Date.now());
  }
  if (!result.error) return { data };
  const body = result.error.data;
  const spoken = typeof body === 'object' && body !== null && 'code' in body ? (body as ErrorBody) : null;
  return { error: spoken ?? { code: 'away' } };
};

/** Checks what comes over the wire by the contract, then hands on what is wanted of it. */
const checked =
  <S extends z.ZodType, R>(schema: S, pick: (body: z.infer<S>) => R) =>
  (body: unknown): R =>
    pick(schema.parse(body));

export const api = createApi({
  reducerPath: 'api',
  baseQuery,
  tagTypes: ['kitchen', 'makes'],
  keepUnusedDataFor: 3600,
  endpoints: (build) => ({
    kitchen: build.query<KitchenResponse, void>({
      query: () => 'api/kitchen',
      transformResponse: checked(kitchenResponse, (body) => body),
      providesTags: ['kitchen'],
    }),
    makes: build.query<MakeSummary[], void>({
      query: () => 'api/makes',
      transformResponse: checked(makesResponse, (body) => body.makes),
      providesTags: ['makes'],
    }),
    make: build.query<StoredEvent[], string>({
      query: (id) => `api/makes/${id}`,
      transformResponse: checked(eventsResponse, (body) => body.events),
    }),
    importDaybook: build.mutation<z.infer<typeof importResponse>, unknown>({
      query: (file) => ({ url: 'api/import', method: 'POST', body: file }),
      transformResponse: checked(importResponse, (body) => body),
      invalidatesTags: ['makes'],
    }),
  }),
});

export const { useKitchenQuery, useMakesQuery, useMakeQuery, useImportDaybookMutation } = api;
