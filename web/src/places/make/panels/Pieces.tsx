import {
  fatBalance,
  piecesOf,
  SYSTEM_UNITS,
  toKilograms,
  UNIT_LABEL,
  type MakeState,
  SALT_TOLD,
  WORK_TOLD,
  makeAt,
  told,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { now } from '../../../data/clock.ts';
import { record } from '../../../data/store.ts';
import { useUnits } from '../../../data/use-units.ts';
import { piecesWords } from '../../../parts/words/pieces-words.ts';
import { QuantityField } from '../../../parts/fields/QuantityField.tsx';

const SMALLEST_KG = 0.01;

/** Butter cut or moulded into pieces of one weight, and what is left over. */
export function Pieces({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const massUnits = SYSTEM_UNITS[units.system].mass;
  const unit = massUnits[0] ?? 'g';
  const [typed, setTyped] = useState<{ value: number; unit: typeof unit } | null>(null);
  const butterKg = fatBalance(makeAt(state, now()))?.realKg ?? null;
  if (butterKg === null) return null;
  const wholeKg = butterKg + (told(state, SALT_TOLD) ?? 0);
  const pieces = typed && piecesOf(wholeKg, toKilograms(typed.value, typed.unit));
  return (
    <form
      aria-label="Pieces"
      onSubmit={(event) => {
        event.preventDefault();
        if (typed && pieces) void record(state.id, 'shaped', { pieces: [...pieces], typed });
      }}
    >
      <QuantityField
        label="Weight of each piece"
        value={null}
        unit={unit}
        units={massUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
        check={(value, u) => {
          const kg = toKilograms(value, u);
          if (!(kg >= SMALLEST_KG)) return 'Enter 10 g or more.';
          return kg > wholeKg ? `There is only ${units.mass(wholeKg)} of butter in total.` : null;
        }}
        onFault={(faulty) => {
          if (faulty) setTyped(null);
        }}
        onChange={(value, u) => setTyped({ value, unit: u })}
      />
      {pieces && <p role="status">{piecesWords(pieces, units)}</p>}
      {!pieces && told(state, WORK_TOLD).pieces.length > 0 && (
        <p>Cut: {piecesWords(told(state, WORK_TOLD).pieces, units)}</p>
      )}
      <Button type="submit" variant="default" h={56} disabled={!pieces} mt={12}>
        Save pieces
      </Button>
    </form>
  );
}
