import { MINUTE_MS } from '@morning-crock/core';
import type { DayDoc, KeptDay } from '@morning-crock/core/contract';
import { useEffect, useRef, useState } from 'react';
import { now } from './clock.ts';
import { liveSlice, type DayUndo } from './live-slice.ts';
import { dropRefused, record, useAppDispatch, useAppSelector, whenSettled } from './store.ts';

/** What one tap puts off. */
export const MORE_MIN = 15;
/** A change that others were quicker than is made so often, each time after a moment. */
const MOST_TRIES = 4;
const AGAIN_MS = 600;

type Slot = DayDoc['slots'][number];
/** One stretch of hands in a day. */
export interface DayStep {
  /** The batch in the day, and its step. */
  readonly make: string;
  readonly step: string;
}

/** A day with a step at another time or with another cook; left out, wherever and whoever. */
function withStep(
  day: DayDoc,
  { make, step }: DayStep,
  to: { readonly fixed?: number | undefined; readonly who?: string | undefined },
): DayDoc['makes'] {
  const put = <T>(all: Readonly<Record<string, T>>, value: T | undefined): Record<string, T> => {
    const { [step]: _before, ...others } = all;
    return value === undefined ? others : { ...others, [step]: value };
  };
  return day.makes.map((own) =>
    own.id === make ? { ...own, fixed: put(own.fixed, to.fixed), who: put(own.who, to.who) } : own,
  );
}

/**
 * What a person changes in a day that is going on: a step later, or given to somebody else, each taken back with one tap. The rest is
 * laid out anew around it by whoever follows the day.
 */
export function useDayChanges(going: KeptDay | null) {
  const dispatch = useAppDispatch();
  const undo = useAppSelector((s) => s.live.dayUndo);
  const [refused, setRefused] = useState(false);
  const latest = useRef(going);
  useEffect(() => {
    latest.current = going;
  });
  /**
   * Changes the day as it is by then: where another change was quicker, once more.
   * @param because why what moves by it moves, in words
   */
  const lay = async (
    change: (day: DayDoc) => Pick<DayDoc, 'makes' | 'slots'>,
    because: string,
    next: DayUndo | null,
  ): Promise<void> => {
    for (let tries = 0; tries < MOST_TRIES && latest.current; tries++) {
      const { id, day } = latest.current;
      const entry = await record(id, 'day-changed', {
        kind: 'laid',
        day: {
          ...day,
          ...change(day),
          version: day.version + 1,
          first: day.first ?? day.slots,
          moved: [],
          because,
        },
      });
      const isRefused = entry !== '' && (await whenSettled(entry)) !== null;
      setRefused(isRefused);
      if (!isRefused) {
        dispatch(liveSlice.actions.dayChanged(next));
        return;
      }
      await dropRefused(entry);
      await new Promise((done) => setTimeout(done, AGAIN_MS));
    }
  };
  const nameOf = (make: string): string => going?.day.makes.find(({ id }) => id === make)?.name ?? '';
  const keep = (at: DayStep, words: string): DayUndo | null => {
    const own = going?.day.makes.find(({ id }) => id === at.make);
    return going && own
      ? {
          id: going.id,
          kind: 'step',
          at,
          words,
          fixed: own.fixed[at.step],
          who: own.who[at.step],
          slots: going.day.slots,
        }
      : null;
  };
  return {
    /** Another tablet had changed the day before this one was heard. */
    refused,
    /** What can be taken back, in words; `null` when nothing can. */
    undoWords: undo && undo.id === going?.id ? undo.words : null,
    putOff: (at: DayStep): void => {
      const slot = going?.day.slots.find((s) => s.make === at.make && s.task === at.step);
      const own = going?.day.makes.find(({ id }) => id === at.make);
      if (!going || !slot || !own) return;
      const nowMin = Math.ceil((now() - Date.parse(going.day.zeroAt)) / MINUTE_MS);
      const fixed = Math.max(nowMin, slot.from) + MORE_MIN;
      const words = `${slot.title} (${own.name}) ${MORE_MIN} min later`;
      void lay(
        (day) => ({ makes: withStep(day, at, { fixed, who: own.who[at.step] }), slots: day.slots }),
        `You put off ${own.name}`,
        keep(at, words),
      );
    },
    give: (at: DayStep, cook: { readonly id: string; readonly name: string }): void => {
      const own = going?.day.makes.find(({ id }) => id === at.make);
      const slot = going?.day.slots.find((s) => s.make === at.make && s.task === at.step);
      if (!going || !own || !slot) return;
      void lay(
        (day) => ({
          makes: withStep(day, at, { fixed: own.fixed[at.step], who: cook.id }),
          slots: day.slots,
        }),
        `${cook.name} takes over ${own.name}`,
        keep(at, `${slot.title} (${own.name}) given to ${cook.name}`),
      );
    },
    /** A batch that waited for another one is begun now, whenever it was to be: the day goes on with it. */
    begun: (make: string, makeId: string): void =>
      void lay(
        (day) => {
          const own = day.slots.filter((slot) => slot.make === make);
          const nowMin = Math.floor((now() - Date.parse(day.zeroAt)) / MINUTE_MS);
          const later = nowMin - Math.min(...own.map(({ from }) => from));
          return {
            makes: day.makes.map((one) => (one.id === make ? { ...one, makeId } : one)),
            slots: day.slots.map((slot) =>
              slot.make === make ? { ...slot, from: slot.from + later, to: slot.to + later } : slot,
            ),
          };
        },
        `${nameOf(make)} was started`,
        null,
      ),
    /** A batch that waits for another one is not made, nor what was to be made from it. */
    leaveOut: (make: string): void => {
      if (!going) return;
      const out = [make];
      for (const from of out)
        out.push(...going.day.makes.flatMap(({ id, fedBy }) => (fedBy === from ? [id] : [])));
      void lay(
        (day) => ({
          makes: day.makes.filter(({ id }) => !out.includes(id)),
          slots: day.slots.filter((slot) => !out.includes(slot.make)),
        }),
        `${nameOf(make)} was left out`,
        {
          id: going.id,
          kind: 'left-out',
          words: `${nameOf(make)} left out`,
          makes: going.day.makes.filter(({ id }) => out.includes(id)),
          slots: going.day.slots.filter((slot) => out.includes(slot.make)),
        },
      );
    },
    undo: (): void => {
      if (!going || !undo || undo.id !== going.id) return;
      if (undo.kind === 'left-out') {
        const { makes, slots } = undo;
        void lay(
          (day) => ({ makes: [...day.makes, ...makes], slots: [...day.slots, ...slots] }),
          `${makes[0]?.name ?? ''} was put back`,
          null,
        );
        return;
      }
      const before = (slot: Slot): Slot =>
        undo.slots.find((s) => s.make === slot.make && s.task === slot.task) ?? slot;
      void lay(
        (day) => ({
          makes: withStep(day, undo.at, { fixed: undo.fixed, who: undo.who }),
          slots: day.slots.map(before),
        }),
        `The change to ${nameOf(undo.at.make)} was undone`,
        null,
      );
    },
  };
}
export type DayChanges = ReturnType<typeof useDayChanges>;
