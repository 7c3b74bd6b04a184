import { useUnits } from '../../data/use-units.ts';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';

/** A heat to turn, in the kitchen's degrees. */
export function HeatSlider(props: {
  readonly label: string;
  readonly celsius: number;
  readonly min: number;
  readonly max: number;
  readonly step?: number;
  readonly onCelsius: (celsius: number) => void;
}) {
  const units = useUnits();
  return (
    <StepSlider
      label={props.label}
      value={props.celsius}
      shown={units.temperature(props.celsius)}
      min={props.min}
      max={props.max}
      step={props.step ?? 0.5}
      onChange={props.onCelsius}
    />
  );
}

/** Litres to turn, in the kitchen's measures. */
export function VolumeSlider(props: {
  readonly label: string;
  readonly litres: number;
  readonly min?: number;
  readonly max?: number;
  readonly step?: number;
  readonly onLitres: (litres: number) => void;
}) {
  const units = useUnits();
  return (
    <StepSlider
      label={props.label}
      value={Math.round(props.litres * 100) / 100}
      shown={units.volume(props.litres)}
      min={props.min ?? 0.2}
      max={props.max ?? 20}
      step={props.step ?? 0.1}
      onChange={(litres) => props.onLitres(Math.round(litres * 100) / 100)}
    />
  );
}
