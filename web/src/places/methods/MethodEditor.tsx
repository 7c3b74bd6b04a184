import {
  fieldsOfStep,
  freshStep,
  fromCelsius,
  measureMethod,
  methodFaults,
  movedStep,
  PRODUCTS,
  SOURNESS,
  STARTER_FACTS,
  stepFacts,
  toCelsius,
  withField,
  withoutStep,
  withStep,
  type StepField,
} from '@morning-crock/core';
import {
  HEAT_KINDS,
  STEP_KINDS,
  type Method,
  type MethodAims,
  type StepInstance,
  type StepKind,
} from '@morning-crock/core/contract';
import { Button, Checkbox, NativeSelect, Textarea, TextInput } from '@mantine/core';
import { useDeferredValue, useMemo, useState } from 'react';
import { now } from '../../data/clock.ts';
import { useUnits } from '../../data/use-units.ts';
import { NumberField } from '../../parts/NumberField.tsx';
import { STEP_TITLES } from '../../parts/entry-words.ts';
import { MethodCord } from './MethodCord.tsx';
import { MethodFacts } from './MethodFacts.tsx';
import { useMethods } from '../../data/use-methods.ts';

const UNIT_WORDS: Readonly<Record<StepField['unit'], string>> = {
  celsius: '°C',
  kg: 'kg',
  cm: 'cm',
  percent: '%',
  min: 'min',
  h: 'h',
  d: 'days',
  L: 'L',
  none: 'number',
};

/** One thing that is decided for a step. */
function Field(props: {
  readonly field: StepField;
  readonly value: unknown;
  readonly fault: string | null;
  readonly onValue: (value: unknown) => void;
}) {
  const { field, value, fault, onValue } = props;
  const { temperatureUnit } = useUnits();
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
  const heat = field.unit === 'celsius';
  if (field.nullable && value === null)
    return (
      <Button variant="default" onClick={() => onValue(field.unit === 'celsius' ? 38 : 1)}>
        Say: {field.label.toLowerCase()}
      </Button>
    );
  const shown =
    typeof value === 'number'
      ? heat
        ? fromCelsius(value, temperatureUnit)
        : field.unit === 'percent'
          ? value * 100
          : value
      : Number.NaN;
  return (
    <span className="row one-line">
      <NumberField
        label={field.label}
        value={shown}
        unit={heat ? `°${temperatureUnit}` : UNIT_WORDS[field.unit]}
        fault={fault}
        onValue={(next) =>
          onValue(heat ? toCelsius(next, temperatureUnit) : field.unit === 'percent' ? next / 100 : next)
        }
      />
      {field.nullable && (
        <Button variant="subtle" onClick={() => onValue(null)}>
          Leave it open
        </Button>
      )}
    </span>
  );
}

/** What the method decides besides its steps. */
function Aims({
  method,
  faultAt,
  onAims,
}: {
  readonly method: Method;
  readonly faultAt: (path: string) => string | null;
  readonly onAims: (aims: MethodAims) => void;
}) {
  const { temperatureUnit } = useUnits();
  const { aims } = method;
  const { starters } = PRODUCTS[method.product];
  const has = (holds: (facts: ReturnType<typeof stepFacts>) => boolean): boolean =>
    method.steps.some(({ kind }) => holds(stepFacts(kind)));
  const starter = aims.starter;
  return (
    <div className="method-fields">
      {has((f) => f.moves === 'up') && (
        <>
          <NativeSelect
            label="Heat treatment"
            value={aims.heat?.kind ?? 'none'}
            data={HEAT_KINDS.map((kind) => ({
              value: kind,
              label: { none: 'none, only warmed', touch: 'touched', hold: 'held', boil: 'boiled' }[kind],
            }))}
            onChange={(e) => {
              const kind = HEAT_KINDS.find((k) => k === e.currentTarget.value) ?? 'none';
              onAims({ ...aims, heat: { targetC: 85, holdMin: 10, ...aims.heat, kind } });
            }}
          />
          {aims.heat && aims.heat.kind !== 'none' && aims.heat.kind !== 'boil' && (
            <NumberField
              label="Heated to"
              unit={`°${temperatureUnit}`}
              value={fromCelsius(aims.heat.targetC, temperatureUnit)}
              fault={faultAt('aims.heat.targetC')}
              onValue={(v) =>
                onAims({ ...aims, heat: { ...aims.heat!, targetC: toCelsius(v, temperatureUnit) } })
              }
            />
          )}
          {(aims.heat?.kind === 'hold' || aims.heat?.kind === 'boil') && (
            <NumberField
              label="Held"
              unit="min"
              value={aims.heat.holdMin}
              fault={faultAt('aims.heat.holdMin')}
              onValue={(holdMin) => onAims({ ...aims, heat: { ...aims.heat!, holdMin } })}
            />
          )}
        </>
      )}
      {starters.length > 0 && (
        <>
          <NumberField
            label="Inoculated at"
            unit={`°${temperatureUnit}`}
            value={fromCelsius(aims.inoculateC ?? 20, temperatureUnit)}
            fault={faultAt('aims.inoculateC')}
            onValue={(v) => onAims({ ...aims, inoculateC: toCelsius(v, temperatureUnit) })}
          />
          <NativeSelect
            label="Starter"
            value={starter?.kind ?? starters[0]!}
            data={starters.map((kind) => ({ value: kind, label: STARTER_FACTS[kind].label }))}
            onChange={(e) => {
              const kind = starters.find((k) => k === e.currentTarget.value) ?? starters[0]!;
              const { dosing } = STARTER_FACTS[kind];
              onAims({
                ...aims,
                starter: {
                  kind,
                  share: dosing === 'mass' ? (starter?.share ?? 0.03) : null,
                  statedRatio: dosing === 'stated' ? (starter?.statedRatio ?? 1) : null,
                },
              });
            }}
          />
          {starter && starter.share !== null && (
            <NumberField
              label="Of the milk"
              unit="%"
              value={starter.share * 100}
              fault={faultAt('aims.starter.share')}
              onValue={(v) => onAims({ ...aims, starter: { ...starter, share: v / 100 } })}
            />
          )}
          <NativeSelect
            label="Sourness"
            value={aims.sourness ?? 'classic'}
            data={[...SOURNESS]}
            onChange={(e) => {
              const sourness = SOURNESS.find((s) => s === e.currentTarget.value);
              if (sourness) onAims({ ...aims, sourness });
            }}
          />
        </>
      )}
    </div>
  );
}

/** One step with its fields, and where it stands. */
function StepRow(props: {
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
          aria-label={`${title}: up`}
          disabled={index === 0}
          onClick={() => onMove(-1)}
        >
          ↑
        </Button>
        <Button
          variant="default"
          className="method-square"
          aria-label={`${title}: down`}
          disabled={last}
          onClick={() => onMove(1)}
        >
          ↓
        </Button>
        <Button
          variant="default"
          className="method-square"
          aria-label={`${title}: take out`}
          onClick={onRemove}
        >
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
        <summary className="unfolds quiet">{step.note ? `Note: ${step.note}` : 'A note to it'}</summary>
        <Textarea
          aria-label={`Note to ${title}`}
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

/** A method in the changing, with what it comes to beside it. */
export function MethodEditor(props: {
  readonly initial: Method;
  readonly original: Method;
  readonly fault: string | null;
  readonly onSave: (method: Method) => Promise<void>;
  readonly onLeave: () => void;
}) {
  const { initial, original, fault, onSave, onLeave } = props;
  const { kitchen } = useMethods();
  const [method, setMethod] = useState(initial);
  const [kind, setKind] = useState<StepKind>('rest');
  const [saving, setSaving] = useState(false);
  const faults = useMemo(() => methodFaults(method), [method]);
  const faultAt = (path: string): string | null => faults.find((f) => f.path === path)?.message ?? null;
  const elsewhere = faults.filter(({ path }) => path === 'steps' || path === 'name' || path === '');
  // What cannot be followed is not worked out: the last that could be stays.
  const [good, setGood] = useState(faults.length === 0 ? method : original);
  if (faults.length === 0 && good !== method) setGood(method);
  const settled = useDeferredValue(good);
  const measured = useMemo(
    () => measureMethod(settled, kitchen, new Date(Math.floor(now() / 3_600_000) * 3_600_000).toISOString()),
    [settled, kitchen],
  );
  return (
    <div className="column">
      <div className="make-head">
        <h1>
          {original.id === method.id
            ? `${original.name}, version ${method.version}`
            : `A copy of ${original.name}`}
        </h1>
      </div>
      <div className="method-edit">
        <div className="column">
          <div className="method-fields">
            <TextInput
              label="Name"
              value={method.name}
              maxLength={80}
              error={faultAt('name')}
              onChange={(e) => setMethod({ ...method, name: e.currentTarget.value })}
            />
            <TextInput
              label="Good for"
              value={method.goodFor}
              maxLength={200}
              onChange={(e) => setMethod({ ...method, goodFor: e.currentTarget.value })}
            />
          </div>
          <Aims method={method} faultAt={faultAt} onAims={(aims) => setMethod({ ...method, aims })} />
          {elsewhere.map(({ path, message }) => (
            <p key={path + message} className="field-error" role="alert">
              The method {message}.
            </p>
          ))}
          <ol className="bare" aria-label="Steps to change">
            {method.steps.map((step, index) => (
              <StepRow
                key={step.id}
                step={step}
                index={index}
                last={index === method.steps.length - 1}
                faultAt={faultAt}
                onStep={(next) =>
                  setMethod({ ...method, steps: method.steps.map((s, i) => (i === index ? next : s)) })
                }
                onMove={(by) => setMethod(movedStep(method, index, by))}
                onRemove={() => setMethod(withoutStep(method, index))}
              />
            ))}
          </ol>
          <div className="row wide">
            <NativeSelect
              label="Put in a step"
              value={kind}
              data={STEP_KINDS.map((k) => ({ value: k, label: STEP_TITLES[k] }))}
              onChange={(e) => setKind(STEP_KINDS.find((k) => k === e.currentTarget.value) ?? 'rest')}
            />
            <Button
              variant="default"
              h={48}
              onClick={() => setMethod(withStep(method, freshStep(method.steps, kind), method.steps.length))}
            >
              At the end
            </Button>
          </div>
          <Textarea
            label="Notes"
            value={method.notes}
            maxLength={2000}
            autosize
            onChange={(e) => setMethod({ ...method, notes: e.currentTarget.value })}
          />
        </div>
        <div className="column method-live">
          <div className="row method-do">
            <Button
              className="great"
              h={72}
              loading={saving}
              disabled={faults.length > 0}
              onClick={() => {
                setSaving(true);
                void onSave(method).finally(() => setSaving(false));
              }}
            >
              Keep it
            </Button>
            <Button variant="default" h={56} onClick={onLeave}>
              Leave it as it was
            </Button>
          </div>
          {faults.length > 0 && (
            <p role="status" className="caution">
              {faults.length === 1 ? 'One thing is' : `${faults.length} things are`} not right yet; what is
              shown is the last that could be followed.
            </p>
          )}
          {fault && (
            <p role="alert" className="field-error">
              {fault}
            </p>
          )}
          <MethodFacts method={settled} measured={measured} makes={[]} />
          <MethodCord measured={measured} steps={settled.steps} label="Steps as they would go" />
        </div>
      </div>
    </div>
  );
}
