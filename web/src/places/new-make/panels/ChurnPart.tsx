import { batchOf, CHURN_FACTS, CHURN_KINDS, CHURN_SPEEDS, loadsFor, temperBath } from '@morning-crock/core';
import type { KitchenSettings, MakePlan, StepKind } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { useUnits } from '../../../data/use-units.ts';
import { Choices } from '../../../parts/fields/Choices.tsx';
import { StepSlider } from '../../../parts/fields/StepSlider.tsx';
import { stepOf, withStep, type Of } from '../../../parts/words/method-step.ts';

/** A churn nobody entered in the Kitchen is as large as a large jar, L. */
const USUAL_LITRES = 2;

/** How it is tempered and churned. */
export function ChurnPart(props: {
  readonly plan: MakePlan;
  readonly kitchen: KitchenSettings;
  readonly change: (part: Partial<MakePlan>) => void;
}) {
  const { plan, kitchen, change } = props;
  const units = useUnits();
  const temper = stepOf(plan, 'temper');
  const churn = stepOf(plan, 'churn');
  if (!temper || !churn) return null;
  const bath = temperBath(plan);
  const { litres } = batchOf(plan);
  const loads = churn.loads ?? 1;
  const half = loadsFor(litres, churn.litres);
  const own = kitchen.churns.find((c) => c.name === churn.name);
  const set = <K extends StepKind>(kind: K, part: Partial<Omit<Of<K>, 'id' | 'kind'>>): void =>
    change({ method: withStep(plan, kind, part) });
  return (
    <>
      <StepSlider
        label="Churning temperature"
        value={temper.toC}
        shown={units.temperature(temper.toC)}
        min={6}
        max={23}
        step={0.5}
        onChange={(toC) => set('temper', { toC })}
      />
      <Choices
        legend="Temper the cream"
        value={temper.standing}
        options={[
          { value: 'room', label: `at room temperature, ${units.temperature(plan.roomC)}` },
          { value: 'cold', label: 'in the fridge' },
          { value: 'bath', label: 'in a water bath, in minutes' },
        ]}
        onChange={(standing) => set('temper', { standing })}
      />
      {bath && (
        <p className="quiet">
          {units.volume(bath.litres)} of water at {units.temperature(bath.celsius)}
          {bath.iceKg > 0 && `, with ${units.mass(bath.iceKg)} of ice`}. Stir the cream.
        </p>
      )}
      <NativeSelect
        label="Churn"
        value={own ? own.id : churn.churn}
        data={[
          ...(kitchen.churns.length > 0
            ? [
                {
                  group: 'My churns',
                  items: kitchen.churns.map((c) => ({
                    value: c.id,
                    label: `${c.name}, ${units.volume(c.litres)}`,
                  })),
                },
              ]
            : []),
          {
            group: kitchen.churns.length > 0 ? 'Other' : 'Churns',
            items: CHURN_KINDS.map((kind) => ({ value: kind, label: CHURN_FACTS[kind].label })),
          },
        ]}
        onChange={(e) => {
          const chosen = kitchen.churns.find((c) => c.id === e.currentTarget.value);
          const kind = CHURN_KINDS.find((k) => k === e.currentTarget.value);
          // Another churn holds other loads.
          if (chosen)
            set('churn', {
              churn: chosen.kind ?? 'crank',
              name: chosen.name,
              litres: chosen.litres,
              loads: undefined,
              setting: chosen.settings
                ? { at: Math.ceil(chosen.settings / 2), of: chosen.settings }
                : undefined,
            });
          else if (kind)
            set('churn', {
              churn: kind,
              name: CHURN_FACTS[kind].label,
              litres: USUAL_LITRES,
              loads: undefined,
              setting: undefined,
            });
        }}
      />
      {!own && (
        <StepSlider
          label="Capacity"
          value={churn.litres}
          shown={units.volume(churn.litres)}
          min={0.5}
          max={20}
          step={0.5}
          onChange={(holds) => set('churn', { litres: holds, loads: undefined })}
        />
      )}
      <StepSlider
        label="Loads"
        value={loads}
        shown={`${loads === 1 ? 'one' : loads} of ${units.volume(litres / loads)}${loads === half ? '' : `, ${half === 1 ? 'one' : half} would half fill the churn`}`}
        min={1}
        max={Math.min(40, Math.max(6, 2 * half))}
        step={1}
        onChange={(n) => set('churn', { loads: n })}
      />
      {loads > 1 && (
        <p className="quiet">
          Loads are churned one after another. The next load waits in the fridge and is tempered while this
          one churns.
        </p>
      )}
      {CHURN_FACTS[churn.churn].motor && (
        <>
          {!churn.setting && (
            <Choices
              legend="Speed"
              value={churn.speed}
              options={CHURN_SPEEDS.map((speed) => ({ value: speed, label: speed }))}
              onChange={(speed) => set('churn', { speed })}
            />
          )}
          <StepSlider
            label="How many settings does it have?"
            value={churn.setting?.of ?? 0}
            shown={churn.setting ? `${churn.setting.of} settings` : 'low, medium, high'}
            min={0}
            max={16}
            step={1}
            onChange={(of) =>
              set('churn', {
                setting:
                  of < 2 ? undefined : { at: Math.min(churn.setting?.at ?? Math.ceil(of / 2), of), of },
              })
            }
          />
          {churn.setting && (
            <StepSlider
              label="Setting"
              value={churn.setting.at}
              shown={`${churn.setting.at} of ${churn.setting.of}`}
              min={1}
              max={churn.setting.of}
              step={1}
              onChange={(at) => set('churn', { setting: { at, of: churn.setting!.of } })}
            />
          )}
        </>
      )}
    </>
  );
}
