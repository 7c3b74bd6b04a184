import { Modal } from '@mantine/core';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { useKitchen } from '../data/use-units.ts';

const KEYS = [
  ['?', 'show these keys'],
  ['n', 'new make'],
  ['/', 'go to a place'],
  ['d', 'step done (in a make)'],
  ['r', 'reading: go to the pad (in a make)'],
  ['u', 'undo your last entry (in a make)'],
  ['0–9', 'type into the pad (in a make)'],
] as const;

const inField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

/** Calls back with single keys pressed outside of fields, unless the kitchen turned them off. */
export function useKeys(onKey: (key: string, event: KeyboardEvent) => void): void {
  const { shortcuts } = useKitchen().site;
  useEffect(() => {
    if (!shortcuts) return;
    const listen = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || inField(event.target)) return;
      onKey(event.key, event);
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [onKey, shortcuts]);
}

/** Keys that work everywhere, and the list of all. */
export function KeyHelp() {
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  useKeys((key, event) => {
    if (key === '?') setOpen(true);
    else if (key === 'n') void navigate('/new');
    else if (key === '/') {
      event.preventDefault();
      document.querySelector<HTMLAnchorElement>('.rail a')?.focus();
    }
  });
  return (
    <Modal opened={open} onClose={() => setOpen(false)} title="Keys">
      <dl style={{ display: 'grid', gridTemplateColumns: '64px 1fr', gap: 8, margin: 0 }}>
        {KEYS.map(([key, does]) => (
          <div key={key} style={{ display: 'contents' }}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd style={{ margin: 0 }}>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="quiet" style={{ marginTop: 16 }}>
        They rest while you type in a field, and can be turned off in Kitchen.
      </p>
    </Modal>
  );
}
