import { CREAM_DEGREE_PH, CREAM_DEGREES, creamDegree, RIPENED_PH } from '@morning-crock/core';
import { Choices } from './Choices.tsx';
import { DEGREE_LABEL, type Sour } from '../words/sour-words.ts';
import { StepSlider } from './StepSlider.tsx';

/** The pH of cream where somebody measured it, to a tenth. */
export function PhSlider({
  ph,
  onChange,
}: {
  readonly ph: number;
  readonly onChange: (value: { readonly soured: boolean; readonly ph: number }) => void;
}) {
  return (
    <StepSlider
      label="pH, if you measured it"
      value={ph}
      shown={ph.toFixed(1)}
      min={4}
      max={6.6}
      step={0.1}
      onChange={(turned) => {
        const measured = Math.round(turned * 10) / 10;
        onChange({ ph: measured, soured: measured <= RIPENED_PH });
      }}
    />
  );
}

/** How sour: by taste, and closer by pH where somebody measured it. */
export function SournessFields({
  value,
  onChange,
}: {
  readonly value: Sour;
  readonly onChange: (value: Sour) => void;
}) {
  return (
    <>
      <Choices
        legend="Sourness"
        value={creamDegree(value)}
        options={CREAM_DEGREES.map((degree) => ({ value: degree, label: DEGREE_LABEL[degree] }))}
        onChange={(degree) =>
          onChange({
            soured: degree === 'sour',
            ph: degree === 'sweet' ? undefined : CREAM_DEGREE_PH[degree],
          })
        }
      />
      {value.ph !== undefined && <PhSlider ph={value.ph} onChange={onChange} />}
    </>
  );
}
