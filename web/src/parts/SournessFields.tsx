import { CREAM_DEGREE_PH, CREAM_DEGREES, creamDegree, RIPENED_PH } from '@morning-crock/core';
import { Choices } from './Choices.tsx';
import { DEGREE_LABEL, type Sour } from './sour-words.ts';
import { StepSlider } from './StepSlider.tsx';

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
      {value.ph !== undefined && (
        <StepSlider
          label="pH, if you measured it"
          value={value.ph}
          shown={value.ph.toFixed(1)}
          min={4}
          max={6.6}
          step={0.1}
          onChange={(turned) => {
            const ph = Math.round(turned * 10) / 10;
            onChange({ ph, soured: ph <= RIPENED_PH });
          }}
        />
      )}
    </>
  );
}
