import { useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';
import { showNotice, takeNotices, type Notice } from './notice.ts';

/** How the tags of alarms begin. */
const ALARM = 'alarm ';

/** An alarm that is due, as a notice says it. */
export type DueAlarm = Omit<Notice, 'tag'> & { readonly key: string };

/**
 * Shows each alarm that falls due while nobody looks at the page once as a notice, and takes all of them away when somebody
 * looks again. A tap on one leads to its batch.
 */
export function useAlarmNotices(due: readonly DueAlarm[]): void {
  const shown = useRef(new Set<string>());
  const keys = due.map(({ key }) => key).join('|');
  const latest = useRef(due);
  latest.current = due;
  useEffect(() => {
    const tell = (): void => {
      if (document.visibilityState === 'visible') {
        if (shown.current.size > 0) void takeNotices(ALARM);
        shown.current.clear();
        return;
      }
      for (const { key, ...notice } of latest.current) {
        if (shown.current.has(key)) continue;
        shown.current.add(key);
        void showNotice({ ...notice, tag: `${ALARM}${key}` });
      }
    };
    tell();
    document.addEventListener('visibilitychange', tell);
    return () => document.removeEventListener('visibilitychange', tell);
  }, [keys]);

  const navigate = useNavigate();
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    const tapped = ({ data }: MessageEvent<unknown>): void => {
      if (
        typeof data === 'object' &&
        data !== null &&
        'openPath' in data &&
        typeof data.openPath === 'string'
      )
        void navigate(data.openPath);
    };
    navigator.serviceWorker.addEventListener('message', tapped);
    return () => navigator.serviceWorker.removeEventListener('message', tapped);
  }, [navigate]);
}
