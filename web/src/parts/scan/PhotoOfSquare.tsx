import { Button, FileButton } from '@mantine/core';
import { useRef } from 'react';

/** Reads a square off a photo. */
export function PhotoOfSquare(props: {
  readonly label: string;
  /** Takes one now, rather than choosing one of those there are. */
  readonly takesNow?: boolean;
  readonly onSquare: (text: string) => string | null;
  /** What is wrong with the photo or the square on it; `null` when nothing is. */
  readonly onRead: (fault: string | null) => void;
}) {
  const { label, takesNow = false, onSquare, onRead } = props;
  const reset = useRef<() => void>(null);
  const read = async (file: File | null): Promise<void> => {
    reset.current?.();
    if (!file) return;
    try {
      const { squareOnPicture } = await import('./square-on-picture.ts');
      onRead(onSquare(await squareOnPicture(file)));
    } catch (error) {
      onRead(error instanceof Error ? error.message : 'This picture cannot be read. Try another one.');
    }
  };
  return (
    <FileButton
      resetRef={reset}
      accept="image/*"
      {...(takesNow ? { capture: 'environment' as const } : {})}
      onChange={(file) => void read(file)}
    >
      {(button) => (
        <Button {...button} variant="default" h={48} mt="auto">
          {label}
        </Button>
      )}
    </FileButton>
  );
}
