import type { LarderResponse, LarderTrace } from '@morning-crock/core/contract';
import { api, checked } from './api.ts';

/** What is asked of the larder: it comes after the first view. */
export const larderApi = api.injectEndpoints({
  endpoints: (build) => ({
    larder: build.query<LarderResponse, void>({
      query: () => 'api/larder',
      transformResponse: checked('larderResponse', (body) => body),
      providesTags: ['larder'],
    }),
    /** What came of what, milk and goods. */
    larderTrace: build.query<LarderTrace, void>({
      query: () => 'api/larder/trace',
      transformResponse: checked('larderTrace', (body) => body),
      providesTags: ['larder', 'milk-lines'],
    }),
  }),
});

export const { useLarderQuery, useLarderTraceQuery } = larderApi;
