import { Button } from '@mantine/core';
import { useState } from 'react';
import { allowNotices, showNotice } from '../../parts/alerts/notice.ts';
import { DeviceDrawing } from '../../parts/drawings/DeviceDrawing.tsx';

const SAID = {
  shown: 'A notification was sent to this device. Alarms come the same way.',
  refused: 'Notifications are blocked for this page. Allow them in the browser’s settings for this page.',
  'not-yet': 'Allowed. The pages are still being saved; notifications work when that is done.',
} as const;

/** Alarms outside of the page, where the browser has such a thing. */
export function NoticeStep({ onNext }: { readonly onNext: () => void }) {
  const [said, setSaid] = useState<keyof typeof SAID | null>(null);
  const allow = async (): Promise<void> => {
    if (!(await allowNotices())) return setSaid('refused');
    const shown = await showNotice({
      tag: 'try',
      title: 'Morning Crock',
      text: 'Alarms come like this.',
      path: '/',
      stays: false,
    });
    setSaid(shown ? 'shown' : 'not-yet');
  };
  return (
    <>
      <h1>See alarms outside the page</h1>
      <DeviceDrawing act="notice" alone />
      <p>
        A notification shows an alarm while another page is in front. A device that stays locked for long may
        show it late or not at all.
      </p>
      {'Notification' in globalThis ? (
        <Button className="great" h={72} onClick={() => void allow()}>
          Allow notifications
        </Button>
      ) : (
        <p>
          This browser has none for this page. Some devices allow them once the page is on the home screen.
        </p>
      )}
      {said && <p role="status">{SAID[said]}</p>}
      <Button variant="default" h={56} onClick={onNext}>
        {said === 'shown' ? 'Next' : 'Skip'}
      </Button>
    </>
  );
}
