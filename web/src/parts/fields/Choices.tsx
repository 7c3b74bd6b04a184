import { useId } from 'react';
import './choices.css';

/** A few choices side by side, one of them taken. */
export function Choices<T extends string>(props: {
  readonly legend: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}) {
  const name = useId();
  return (
    <fieldset className="choices">
      <legend className="below-s">{props.legend}</legend>
      {props.options.map((option) => (
        <label key={option.value}>
          <input
            type="radio"
            name={name}
            value={option.value}
            checked={option.value === props.value}
            onChange={() => props.onChange(option.value)}
          />
          <span>{option.label}</span>
        </label>
      ))}
    </fieldset>
  );
}
