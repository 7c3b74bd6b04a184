import { useEffect, useState } from 'react';

/** Keeps the screen awake while `wanted`, where the browser allows; tells when it does not. */
export function useWakeLock(wanted: boolean): 'held' | 'unsupported' | 'off' {
  const [status, setStatus] = useState<'held' | 'unsupported' | 'off'>('off');
  useEffect(() => {
    if (!wanted) return;
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const take = async (): Promise<void> => {
      if (!('wakeLock' in navigator)) return setStatus('unsupported');
      if (document.visibilityState !== 'visible') return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (left) void lock.release();
        else setStatus('held');
      } catch {
        setStatus('unsupported');
      }
    };
    void take();
    const again = (): void => void take();
    document.addEventListener('visibilitychange', again);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, [wanted]);
  return status;
}
