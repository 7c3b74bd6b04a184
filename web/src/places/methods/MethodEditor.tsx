import {
  freshStep,
  measureMethod,
  methodFaults,
  movedStep,
  withoutStep,
  withStep,
} from '@morning-crock/core';
import { STEP_KINDS, type Method, type StepKind } from '@morning-crock/core/contract';
import { Button, NativeSelect, Textarea, TextInput } from '@mantine/core';
import { useDeferredValue, useMemo, useState } from 'react';
import { now } from '../../data/clock.ts';
import { wholeHour } from '../../data/whole-hour.ts';
import { STEP_TITLES } from '../../parts/words/entry-words.ts';
import { AimsForm } from './AimsForm.tsx';
import { MethodCord } from './MethodCord.tsx';
import { MethodFacts } from './MethodFacts.tsx';
import { StepRow } from './StepRow.tsx';
import { useMethods } from '../../data/use-methods.ts';

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
  const measured = useMemo(() => measureMethod(settled, kitchen, wholeHour(now())), [settled, kitchen]);
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
          <AimsForm method={method} faultAt={faultAt} onAims={(aims) => setMethod({ ...method, aims })} />
          {elsewhere.map(({ path, message }) => (
            <p key={path + message} className="field-error" role="alert">
              The method {message}.
            </p>
          ))}
          <ol className="bare" aria-label="Steps">
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
              label="Step to add"
              value={kind}
              data={STEP_KINDS.map((k) => ({ value: k, label: STEP_TITLES[k] }))}
              onChange={(e) => setKind(STEP_KINDS.find((k) => k === e.currentTarget.value) ?? 'rest')}
            />
            <Button
              variant="default"
              h={48}
              onClick={() => setMethod(withStep(method, freshStep(method.steps, kind), method.steps.length))}
            >
              Add at the end
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
              Save method
            </Button>
            <Button variant="default" h={56} onClick={onLeave}>
              Discard changes
            </Button>
          </div>
          {faults.length > 0 && (
            <p role="status" className="caution">
              {faults.length === 1 ? 'One thing needs fixing.' : `${faults.length} things need fixing.`} The
              figures shown are from the last version that worked.
            </p>
          )}
          {fault && (
            <p role="alert" className="field-error">
              {fault}
            </p>
          )}
          <MethodFacts method={settled} measured={measured} makes={[]} />
          <MethodCord measured={measured} steps={settled.steps} label="Planned steps" />
        </div>
      </div>
    </div>
  );
}
