import { Button, FileButton } from '@mantine/core';
import { useRef, useState, type ReactNode } from 'react';
import { errorWords } from '../../data/api.ts';

/** A JSON file taken in whole, with what came of it said below; nothing is changed by one that cannot be read. */
export function JsonFile(props: {
  readonly label: string;
  /** What the file should be, in words. */
  readonly what: string;
  readonly loading: boolean;
  /** Takes the content in and says what came of it, or what is wrong with it; fails with the server's error. */
  readonly take: (content: unknown) => Promise<string | { readonly fault: string }>;
  /** Stands beside the button: the way out. */
  readonly beside: ReactNode;
}) {
  const { label, what, loading, take, beside } = props;
  /** The same file may be chosen again: the browser must forget that it was. */
  const reset = useRef<() => void>(null);
  const [said, setSaid] = useState<{ text: string; bad: boolean } | null>(null);
  const read = async (file: File | null): Promise<void> => {
    if (!file) return;
    let content: unknown;
    try {
      content = JSON.parse(await file.text());
    } catch {
      setSaid({
        text: `“${file.name}” cannot be read as a ${what}. Nothing was changed. Choose another file.`,
        bad: true,
      });
      return;
    }
    try {
      const came = await take(content);
      setSaid(typeof came === 'string' ? { text: came, bad: false } : { text: came.fault, bad: true });
    } catch (error) {
      setSaid({ text: errorWords(error), bad: true });
    }
  };
  return (
    <div>
      <div className="row">
        {beside}
        <FileButton
          resetRef={reset}
          accept="application/json,.json"
          onChange={(file) => {
            reset.current?.();
            void read(file);
          }}
        >
          {(button) => (
            <Button {...button} variant="default" loading={loading}>
              {label}
            </Button>
          )}
        </FileButton>
      </div>
      {said && (
        <p
          role={said.bad ? 'alert' : 'status'}
          className={`above-s reading ${said.bad ? 'field-error' : 'quiet'}`}
        >
          {said.text}
        </p>
      )}
    </div>
  );
}
