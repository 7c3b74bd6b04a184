import { useEffect } from 'react';
import { useKitchen } from '../../data/use-units.ts';

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
