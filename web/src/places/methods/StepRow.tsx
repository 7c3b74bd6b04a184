import { fieldsOfStep, withField, type StepField } from '@morning-crock/core';
import type { StepInstance } from '@morning-crock/core/contract';
import { Button, Checkbox, NativeSelect, Textarea, TextInput } from '@mantine/core';
import { useUnits } from '../../data/use-units.ts';
import { NumberField } from '../../parts/fields/NumberField.tsx';
import { STEP_TITLES } from '../../parts/words/entry-words.ts';
import { fieldUnit } from './field-units.ts';

/** One thing that is decided for a step. */
function Field(props: {
  readonly field: StepField;
  readonly value: unknown;
  readonly fault: string | null;
  readonly onValue: (value: unknown) => void;
}) {
  const { field, value, fault, onValue } = props;
  const units = useUnits();
  if (field.type === 'flag')
    return (
      <Checkbox
        label={field.label}
        checked={value === true}
        onChange={(e) => onValue(e.currentTarget.checked)}
      />
    );
  if (field.type === 'choice')
    return (
      <NativeSelect
        label={field.label}
        value={String(value)}
        data={[...field.options]}
        error={fault}
        onChange={(e) => onValue(e.currentTarget.value)}
      />
    );
  if (field.type === 'text')
    return field.key === 'doing' ? (
      <Textarea
        label={field.label}
        value={String(value)}
        maxLength={400}
        autosize
        error={fault}
        w="100%"
        onChange={(e) => onValue(e.currentTarget.value)}
      />
    ) : (
      <TextInput
        label={field.label}
        value={String(value)}
        maxLength={80}
        error={fault}
        onChange={(e) => onValue(e.currentTarget.value)}
      />
    );
  if (field.nullable && value === null)
    return (
      <Button variant="default" onClick={() => onValue(field.unit === 'celsius' ? 38 : 1)}>
        Set {field.label.toLowerCase()}
      </Button>
    );
  const { label, shown, read } = fieldUnit(field.unit, units);
  return (
    <span className="row one-line">
      <NumberField
        label={field.label}
        value={typeof value === 'number' ? shown(value) : Number.NaN}
        unit={label}
        fault={fault}
        onValue={(next) => onValue(read(next))}
      />
      {field.nullable && (
        <Button variant="subtle" onClick={() => onValue(null)}>
          Clear value
        </Button>
      )}
    </span>
  );
}

/** One step with its fields, and where it stands. */
export function StepRow(props: {
  readonly step: StepInstance;
  readonly index: number;
  readonly last: boolean;
  readonly faultAt: (path: string) => string | null;
  readonly onStep: (step: StepInstance) => void;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
}) {
  const { step, index, last, faultAt, onStep, onMove, onRemove } = props;
  const fields = fieldsOfStep(step.kind);
  const title = step.kind === 'own' ? step.title : STEP_TITLES[step.kind];
  const own = faultAt(`steps.${index}.kind`) ?? faultAt(`steps.${index}`);
  return (
    <li className="method-row">
      <div className="row">
        <strong className="grows">
          {index + 1}. {title}
        </strong>
        <Button
          variant="default"
          className="method-square"
          aria-label={`Move ${title} up`}
          disabled={index === 0}
          onClick={() => onMove(-1)}
        >
          ↑
        </Button>
        <Button
          variant="default"
          className="method-square"
          aria-label={`Move ${title} down`}
          disabled={last}
          onClick={() => onMove(1)}
        >
          ↓
        </Button>
        <Button variant="default" className="method-square" aria-label={`Remove ${title}`} onClick={onRemove}>
          ×
        </Button>
      </div>
      {own && (
        <p className="field-error" role="alert">
          {title} {own}.
        </p>
      )}
      {fields.length > 0 && (
        <div className="method-fields">
          {fields.map((field) => (
            <Field
              key={field.key}
              field={field}
              value={(step as Readonly<Record<string, unknown>>)[field.key]}
              fault={faultAt(`steps.${index}.${field.key}`)}
              onValue={(value) => onStep(withField(step, field.key, value))}
            />
          ))}
        </div>
      )}
      <details>
        <summary className="unfolds quiet">{step.note ? `Note: ${step.note}` : 'Add a note'}</summary>
        <Textarea
          aria-label={`Note on ${title}`}
          value={step.note ?? ''}
          maxLength={400}
          autosize
          onChange={(e) => {
            const { note: _note, ...bare } = step;
            const note = e.currentTarget.value;
            onStep(note === '' ? bare : { ...bare, note });
          }}
        />
      </details>
    </li>
  );
}
