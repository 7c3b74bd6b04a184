import { useState, type ReactNode, type SubmitEvent } from 'react';
import { flushSync } from 'react-dom';
import { TriedContext } from './tried.ts';

/**
 * A form whose entry is stored only when every field in it can be read. One that cannot, or lacks something it needs,
 * says so beside itself and is gone to; what was typed stays.
 */
export function EntryForm(props: {
  readonly label: string;
  readonly className?: string;
  readonly onEntry: () => void;
  readonly children: ReactNode;
}) {
  const { label, className = 'lot-form', onEntry, children } = props;
  const [tried, setTried] = useState(false);
  const submit = (event: SubmitEvent<HTMLFormElement>): void => {
    event.preventDefault();
    // The fields must have said what they lack before they are looked at.
    flushSync(() => setTried(true));
    const faulty = event.currentTarget.querySelector<HTMLElement>('[aria-invalid="true"]');
    if (!faulty) return onEntry();
    const folded = faulty.closest('details');
    if (folded) folded.open = true;
    faulty.focus();
  };
  return (
    <form className={className} aria-label={label} onSubmit={submit} noValidate>
      <TriedContext value={tried}>{children}</TriedContext>
    </form>
  );
}
