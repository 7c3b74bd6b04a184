import { shallowEqual } from 'react-redux';
import { api } from './api.ts';
import { makeLog, type MakeLog } from './make-log.ts';
import { useAppSelector } from './store.ts';
import { useUnderWayIds } from './under-way.ts';

/** The logs of all that is under way. */
export function useUnderWayLogs(): readonly MakeLog[] {
  const ids = useUnderWayIds();
  return useAppSelector(
    (s) => ids.map((id) => makeLog(id, api.endpoints.make.select(id)(s).data, s.outbox.entries)),
    shallowEqual,
  );
}
