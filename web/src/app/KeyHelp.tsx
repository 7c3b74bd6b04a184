import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { useKeys } from '../parts/keys/use-keys.ts';

const KeyList = lazy(async () => ({ default: (await import('./KeyList.tsx')).KeyList }));

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
    open && (
      <Suspense>
        <KeyList onClose={() => setOpen(false)} />
      </Suspense>
    )
  );
}
