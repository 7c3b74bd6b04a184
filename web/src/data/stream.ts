import { observeServerTime } from './clock.ts';
import { readBy, type Read } from './contract.ts';
import { flushOutbox, foundOutdated, foundReachable, receiveEvent, renewOld } from './store.ts';

/** After this long the browser has given up and a new connection is made by hand. */
const RECONNECT_MS = 2000;
/** A server that starts again is back by then: that is no being alone. */
const ALONE_AFTER_MS = 5000;

/**
 * Follows the log live. The browser reconnects by itself and tells where it stood; when it gives up, we begin again
 * from the last event seen.
 * @param afterSeq where the page's first picture stands
 * @returns how to stop
 */
export function followLog(afterSeq: number): () => void {
  let position = afterSeq;
  let source: EventSource;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let alone: ReturnType<typeof setTimeout> | undefined;
  const receive = (message: Read<'streamMessage'>, ms: number): void => {
    if (message.kind === 'time') {
      observeServerTime(message.now, ms, ms);
      return;
    }
    position = Math.max(position, message.event.seq);
    receiveEvent(message.event);
  };
  const connect = (): void => {
    source = new EventSource(`/api/stream?after=${position}`);
    source.onopen = () => {
      clearTimeout(alone);
      alone = undefined;
      foundReachable(true);
      flushOutbox();
      renewOld();
    };
    source.onmessage = ({ data }) => {
      const ms = Date.now();
      // One after another, as they came.
      readBy('streamMessage', JSON.parse(String(data))).then(
        (message) => receive(message, ms),
        // An entry this page does not know: what it holds is safe, and read by the page that comes next.
        foundOutdated,
      );
    };
    source.onerror = () => {
      alone ??= setTimeout(() => foundReachable(false), ALONE_AFTER_MS);
      if (source.readyState !== EventSource.CLOSED) return;
      clearTimeout(timer);
      timer = setTimeout(connect, RECONNECT_MS);
    };
  };
  connect();
  // A page the browser keeps for its way back would hold on to its connection, and there are only six of them.
  const leave = (): void => {
    clearTimeout(timer);
    clearTimeout(alone);
    alone = undefined;
    source.close();
  };
  const comeBack = (event: PageTransitionEvent): void => {
    if (event.persisted) connect();
  };
  globalThis.addEventListener('pagehide', leave);
  globalThis.addEventListener('pageshow', comeBack);
  return () => {
    globalThis.removeEventListener('pagehide', leave);
    globalThis.removeEventListener('pageshow', comeBack);
    leave();
  };
}
