import { freeKg, massOfLitresKg, milkFromLots } from '@morning-crock/core';
import { PRODUCT_TAKES } from '@morning-crock/core/contract';
import { useEffect, useRef } from 'react';
import type { MilkRoomNow } from '../../data/use-milk.ts';
import type { Planning } from './use-plan.ts';

/** "lot:kg,lot:kg", the weight left out for as much as the plan wants. */
function askedOf(from: string): { lotId: string; massKg: number | null }[] {
  return from.split(',').map((part) => {
    const [lotId = '', kg] = part.split(':');
    const massKg = Number(kg);
    return { lotId, massKg: kg !== undefined && massKg > 0 ? massKg : null };
  });
}

/** Fills a new plan's milk once from the lots an address names, as soon as the milk room is known. */
export function usePourFrom(from: string | null, room: MilkRoomNow, planning: Planning): void {
  const done = useRef(false);
  useEffect(() => {
    if (done.current || from === null || !room.known) return;
    done.current = true;
    const { plan, change } = planning;
    const takes = PRODUCT_TAKES[plan.product];
    if (takes !== 'milk' && takes !== 'cream') return;
    const asked = askedOf(from).flatMap(({ lotId, massKg }) => {
      const lot = room.lots.find((l) => l.id === lotId);
      return lot
        ? [
            {
              lotId,
              massKg: Math.min(
                freeKg(lot),
                massKg ?? (takes === 'cream' ? Infinity : massOfLitresKg(plan.milk.litres, lot.of)),
              ),
            },
          ]
        : [];
    });
    const milk = milkFromLots(plan.milk, room.lots, asked, takes, Date.parse(plan.startAt));
    if (milk) change({ milk });
  }, [from, room, planning]);
}
