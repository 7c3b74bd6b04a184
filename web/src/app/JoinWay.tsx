import { Navigate } from 'react-router';
import { useKitchenQuery } from '../data/api.ts';

/** Where a scanned code leads a device that belongs here already. Until that is known the code stays in the address. */
export function JoinWay() {
  const { data } = useKitchenQuery();
  return data ? <Navigate to="/device" replace /> : null;
}
