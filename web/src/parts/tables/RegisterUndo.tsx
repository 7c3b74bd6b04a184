import { CHANGE_WORD, LARDER_WORD, MOVEMENT_WORD } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useCallback } from 'react';
import { useKeys } from '../keys/use-keys.ts';
import type { RegisterEntry } from '../../data/live-slice.ts';
import { record, useAppSelector } from '../../data/store.ts';

const WORD: Readonly<Record<RegisterEntry['kind'], string>> = {
  ...MOVEMENT_WORD,
  ...CHANGE_WORD,
  ...LARDER_WORD,
};

/** This tablet's latest entry in a register with its undo, until the next one. */
export function RegisterUndo({ register }: { readonly register: 'milk' | 'cultures' | 'larder' }) {
  const latest = useAppSelector((s) => s.live.entered[register]);
  const undo = useCallback((): void => {
    if (latest) void record(latest.streamId, 'voided', { target: latest.id });
  }, [latest]);
  useKeys((key) => {
    if (key === 'u') undo();
  });
  if (!latest) return null;
  return (
    <div className="undo-line" role="status">
      <span>{WORD[latest.kind]}</span>
      <Button variant="subtle" onClick={undo}>
        Undo
      </Button>
    </div>
  );
}
