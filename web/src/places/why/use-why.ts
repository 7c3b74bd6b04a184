import type { ClueId, ComplaintId, LoggedEvent, Suspect, WhyAnswer } from '@morning-crock/core';
import { useEffect, useState } from 'react';
import { cancelForecast, requestWhy } from '../../workers/kitchen-client.ts';

/** What is asked of a batch. */
export interface WhyAsked {
  readonly makeId: string;
  readonly events: readonly LoggedEvent[];
  /** `null` as long as nobody said. */
  readonly complaint: ComplaintId | null;
  readonly answers: Readonly<Partial<Record<ClueId, number>>>;
  /** The present, to the quarter of an hour: what went wrong is not another thing each minute. */
  readonly nowMs: number;
  readonly settled: readonly Suspect[];
}

/** What went wrong, as far as it is worked out. */
export interface WhyFound {
  /** The last answer; while a newer one is worked out, it stands. */
  readonly answer: WhyAnswer | null;
  /** How far the next one is, 0..1; `null` when nothing is worked out. */
  readonly share: number | null;
  readonly failed: boolean;
  readonly again: () => void;
}

/** Asks the worker what went wrong, anew with every answer and every entry. */
export function useWhy({ makeId, events, complaint, answers, nowMs, settled }: WhyAsked): WhyFound {
  const [found, setFound] = useState<{ readonly of: ComplaintId; readonly answer: WhyAnswer } | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [failed, setFailed] = useState(false);
  const [tries, setTries] = useState(0);
  const key = `why ${makeId}`;
  const told = JSON.stringify([answers, settled]);
  useEffect(() => {
    if (complaint === null) return undefined;
    let wanted = true;
    setShare(0);
    setFailed(false);
    const [given, before] = JSON.parse(told) as [WhyAsked['answers'], WhyAsked['settled']];
    const question = { complaint, answers: given, nowMs, settled: before };
    requestWhy(key, makeId, events, question, (part) => wanted && setShare(part)).then(
      (answer) => {
        if (!wanted) return;
        setShare(null);
        if (answer) setFound({ of: complaint, answer });
      },
      () => {
        if (!wanted) return;
        setShare(null);
        setFailed(true);
      },
    );
    return () => {
      wanted = false;
      cancelForecast(key);
    };
  }, [key, makeId, events, complaint, told, nowMs, tries]);
  return {
    answer: found && found.of === complaint ? found.answer : null,
    share,
    failed,
    again: () => setTries((n) => n + 1),
  };
}
