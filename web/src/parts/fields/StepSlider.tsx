import { useId } from 'react';
import './step-slider.css';

/** A slider that nobody has to drag: ± on both sides, its value in words above. */
export function StepSlider(props: {
  readonly label: string;
  readonly value: number;
  readonly shown: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly onChange: (value: number) => void;
}) {
  const { label, value, shown, min, max, step, onChange } = props;
  const id = useId();
  const to = (next: number): void => onChange(Math.min(max, Math.max(min, Math.round(next / step) * step)));
  return (
    <div>
      <label htmlFor={id}>
        {label}: <span className="number">{shown}</span>
      </label>
      <div className="step-slider">
        <button
          type="button"
          aria-label={`${label}: less`}
          onClick={() => to(value - step)}
          disabled={value <= min}
        >
          −
        </button>
        <input
          id={id}
          type="range"
          min={min}
          max={max}
          step={step}
          value={value}
          aria-valuetext={shown}
          onChange={(event) => to(Number(event.currentTarget.value))}
        />
        <button
          type="button"
          aria-label={`${label}: more`}
          onClick={() => to(value + step)}
          disabled={value >= max}
        >
          +
        </button>
      </div>
    </div>
  );
}
