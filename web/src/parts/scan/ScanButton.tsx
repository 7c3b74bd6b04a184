import { Button, FileButton } from '@mantine/core';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';

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
  readonly className?: string;
}) {
  const { label, onSquare, className } = props;
  const camera = useHasCamera();
  const [open, setOpen] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const reset = useRef<() => void>(null);
  const readPhoto = async (file: File | null): Promise<void> => {
    if (!file) return;
    setFault(null);
    try {
      const { squareOnPicture } = await import('./square-on-picture.ts');
      setFault(onSquare(await squareOnPicture(file)));
    } catch (error) {
      setFault(error instanceof Error ? error.message : 'This picture cannot be read. Try another one.');
    }
  };
  return (
    <>
      {camera ? (
        <Button variant="default" h={48} className={className} mt="auto" onClick={() => setOpen(true)}>
          {label}
        </Button>
      ) : (
        <FileButton
          resetRef={reset}
          accept="image/*"
          capture="environment"
          onChange={(file) => {
            reset.current?.();
            void readPhoto(file);
          }}
        >
          {(button) => (
            <Button {...button} variant="default" h={48} className={className} mt="auto">
              {label}
            </Button>
          )}
        </FileButton>
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
