import { createContext, startTransition, use, useEffect, useState } from 'react';

/** The page's one door to time: the browser's clock, set right by the server's. */
const OFFSET = 'mc-clock-offset';
/** Kept, so that a device whose own clock is wrong is right from its first moment without the server. */
let offsetMs = Number(localStorage.getItem(OFFSET)) || 0;
const watchers = new Set<() => void>();
/** A correction smaller than this waits for the next tick. */
const NOTICEABLE_MS = 1000;

/** Takes note of the server's time in an answer, half the round trip ago. */
export function observeServerTime(serverIso: string, sentMs: number, receivedMs: number): void {
  const before = offsetMs;
  offsetMs = Date.parse(serverIso) + (receivedMs - sentMs) / 2 - receivedMs;
  if (Math.abs(offsetMs - before) < NOTICEABLE_MS) return;
  localStorage.setItem(OFFSET, String(Math.round(offsetMs)));
  for (const renew of watchers) renew();
}

/** The kitchen's present, ms since 1970. */
export function now(): number {
  return Date.now() + offsetMs;
}

/** A clock of its own, that goes faster than the kitchen's: of a practice. */
export interface OwnClock {
  now(): number;
  /** Told a few times a second while it goes. @returns how to stop being told */
  follow(told: () => void): () => void;
}
/** What stands in it goes by that clock; `null` goes by the kitchen's. */
export const ClockContext = createContext<OwnClock | null>(null);

/** The present, renewed every `everyMs` and when the page comes back into view: never one long timer. */
export function useNow(everyMs = 1000): number {
  const own = use(ClockContext);
  const [value, setValue] = useState(() => own?.now() ?? now());
  useEffect(() => {
    if (own) {
      // It goes fast: what follows it is drawn between two frames, not in place of one.
      const renewOwn = (): void => startTransition(() => setValue(own.now()));
      renewOwn();
      return own.follow(renewOwn);
    }
    const renew = (): void => setValue(now());
    renew();
    watchers.add(renew);
    const timer = setInterval(renew, everyMs);
    document.addEventListener('visibilitychange', renew);
    return () => {
      watchers.delete(renew);
      clearInterval(timer);
      document.removeEventListener('visibilitychange', renew);
    };
  }, [everyMs, own]);
  return value;
}

/** Which turn of `everyMs` it is: another one as time passes, and at once when a tablet wakes up or its clock was put right. */
export const useTurn = (everyMs: number): number => Math.floor(useNow(everyMs) / everyMs);
