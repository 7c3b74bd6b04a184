import { Button } from '@mantine/core';
import { lazy, Suspense, useEffect, useState } from 'react';
import { PhotoOfSquare } from './PhotoOfSquare.tsx';

/** Only where somebody scans: it brings the window and the camera along. */
const ScanWindow = lazy(async () => ({ default: (await import('./ScanWindow.tsx')).ScanWindow }));

/** Whether this device has a camera the page may ask for: at an address that is not secure it has none. */
function useHasCamera(): boolean {
  const [has, setHas] = useState(false);
  useEffect(() => {
    const { mediaDevices } = navigator as Partial<Navigator>;
    if (!mediaDevices) return;
    let left = false;
    mediaDevices.enumerateDevices().then(
      (devices) => {
        if (!left) setHas(devices.some(({ kind }) => kind === 'videoinput'));
      },
      () => undefined,
    );
    return () => {
      left = true;
    };
  }, []);
  return has;
}

/** Scans a tag or label with the camera, live where the browser allows it, else off a photo. */
export function ScanButton(props: {
  readonly label: string;
  /** Takes what the square says. @returns what is wrong with it, `null` when it was taken */
  readonly onSquare: (text: string) => string | null;
}) {
  const { label, onSquare } = props;
  const camera = useHasCamera();
  const [open, setOpen] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  return (
    <>
      {camera ? (
        <Button variant="default" h={48} mt="auto" onClick={() => setOpen(true)}>
          {label}
        </Button>
      ) : (
        <PhotoOfSquare label={label} takesNow onSquare={onSquare} onRead={setFault} />
      )}
      {open && (
        <Suspense>
          <ScanWindow title={label} onSquare={onSquare} onClose={() => setOpen(false)} />
        </Suspense>
      )}
      {fault && (
        <p className="field-error whole-row" role="alert">
          {fault}
        </p>
      )}
    </>
  );
}
