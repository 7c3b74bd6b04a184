import type { Lot } from '@morning-crock/core/contract';
import { useSearchParams } from 'react-router';
import { useMilkRoom, type MilkRoomNow } from '../../data/use-milk.ts';

/** The lot a sum is asked for, when its address names one; `known` says whether the milk room has answered. */
export function useLotAsked(): {
  readonly lot: Lot | null;
  readonly room: MilkRoomNow;
  readonly waiting: boolean;
} {
  const [search] = useSearchParams();
  const room = useMilkRoom();
  const id = search.get('lot');
  const lot = room.lots.find((l) => l.id === id) ?? null;
  return { lot, room, waiting: id !== null && !room.known };
}
