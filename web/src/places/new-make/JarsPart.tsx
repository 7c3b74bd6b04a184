import {
  batchOf,
  fillJars,
  fromLitres,
  SYSTEM_UNITS,
  toLitres,
  UNIT_LABEL,
  USUAL_HEADSPACE,
} from '@morning-crock/core';
import type { Jar, KitchenSettings, MakePlan } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { useUnits } from '../../data/use-units.ts';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';

/** A jar nobody measured, L, and what is left empty of it. */
const USUAL_JAR_LITRES = 0.5;
const FOUR_FIFTHS_EMPTY = 0.2;

/** How many jars of a kind a plan has, by the name they were taken from. */
function countOf(jars: readonly Jar[], kind: KitchenSettings['jars'][number]): number {
  return jars.filter((j) => j.litres === kind.litres && j.name.startsWith(kind.name)).length;
}

/** As many jars of one kind as asked for; the others stay. */
function withCount(jars: readonly Jar[], kind: KitchenSettings['jars'][number], count: number): Jar[] {
  const others = jars.filter((j) => !(j.litres === kind.litres && j.name.startsWith(kind.name)));
  const own = jars.filter((j) => j.litres === kind.litres && j.name.startsWith(kind.name)).slice(0, count);
  while (own.length < count)
    own.push({ id: ulid(), name: `${kind.name} ${own.length + 1}`, litres: kind.litres });
  return [...others, ...own];
}

/** Jars enough for the batch, larger kinds first, as far as the kitchen has them. */
function jarsFor(plan: MakePlan, kinds: KitchenSettings['jars']): Jar[] {
  let jars: Jar[] = [];
  for (const kind of [...kinds].sort((a, b) => b.litres - a.litres)) {
    for (let n = 1; n <= kind.count; n++) {
      if (fillJars({ ...plan, jars }).leftOverLitres < 0.02) return jars;
      jars = withCount(jars, kind, n);
    }
  }
  return jars;
}

/** Jars of a kitchen that never entered any: so many of one size, filled to four fifths. */
function PlainJars({
  plan,
  setJars,
}: {
  readonly plan: MakePlan;
  readonly setJars: (jars: Jar[], headspace: number) => void;
}) {
  const units = useUnits();
  const jars = plan.jars ?? [];
  const fill = fillJars(plan);
  const unit = SYSTEM_UNITS[units.system].milk[units.system === 'metric' ? 1 : 0]!;
  const [litres, setLitres] = useState(jars[0]?.litres ?? USUAL_JAR_LITRES);
  const enough = Math.ceil(batchOf(plan).litres / (litres * (1 - FOUR_FIFTHS_EMPTY)));
  const set = (count: number, each: number): void =>
    setJars(
      Array.from({ length: count }, (_, i) => ({
        id: jars[i]?.id ?? ulid(),
        name: `Jar ${i + 1}`,
        litres: each,
      })),
      FOUR_FIFTHS_EMPTY,
    );
  return (
    <>
      <StepSlider
        label="Jars"
        value={jars.length}
        shown={jars.length === 0 ? 'none, in the pot' : `${jars.length}`}
        min={0}
        max={40}
        step={1}
        onChange={(count) => set(count, litres)}
      />
      <QuantityField
        label="Each holds"
        value={Number(fromLitres(litres, unit).toFixed(2))}
        unit={unit}
        units={[{ value: unit, label: UNIT_LABEL[unit] }]}
        check={(value) => {
          const each = toLitres(value, unit);
          return each >= 0.03 && each <= 20 ? null : 'Enter the size of one jar.';
        }}
        onChange={(value) => {
          setLitres(toLitres(value, unit));
          if (jars.length > 0) set(jars.length, toLitres(value, unit));
        }}
      />
      {jars.length === 0 ? (
        <p className="quiet">{enough} jars of this size hold the batch, each filled to four fifths.</p>
      ) : (
        <p role="status" className={fill.leftOverLitres > 0.02 ? 'caution' : ''}>
          {fill.leftOverLitres > 0.02
            ? `Too full: ${units.volume(fill.leftOverLitres)} does not fit. ${enough} jars are enough.`
            : 'Everything fits, each jar filled to four fifths.'}
        </p>
      )}
    </>
  );
}

/** Hot bottles beside it, and the jars it is filled into. */
export function JarsPart(props: {
  readonly plan: MakePlan;
  readonly kitchen: KitchenSettings;
  readonly replace: (plan: MakePlan) => void;
}) {
  const { plan, kitchen, replace } = props;
  const units = useUnits();
  const jars = plan.jars ?? [];
  const headspace = plan.headspace ?? USUAL_HEADSPACE;
  const fill = fillJars(plan);
  const setJars = (next: Jar[], space?: number): void => {
    const { jars: _before, ...rest } = plan;
    const own = space === undefined ? rest : { ...rest, headspace: space };
    replace(next.length > 0 ? { ...own, jars: next } : rest);
  };
  return (
    <>
      {plan.bottles && (
        <p role="status">
          Hot bottles: {units.volume(plan.bottles.litres)} of water at{' '}
          {units.temperature(plan.bottles.celsius)}.{' '}
          <Button
            variant="default"
            onClick={() => {
              const { bottles: _bottles, ...rest } = plan;
              replace(rest);
            }}
          >
            Remove bottles
          </Button>
        </p>
      )}
      {kitchen.jars.length === 0 ? (
        <PlainJars plan={plan} setJars={setJars} />
      ) : (
        <>
          <div className="field-row">
            <Button variant="default" onClick={() => setJars(jarsFor(plan, kitchen.jars))}>
              Fill my jars
            </Button>
            {jars.length > 0 && (
              <Button variant="default" onClick={() => setJars([])}>
                Leave in pot
              </Button>
            )}
          </div>
          {jars.length > 0 && (
            <>
              {kitchen.jars.map((kind) => (
                <StepSlider
                  key={kind.id}
                  label={`${kind.name}, ${units.volume(kind.litres)}`}
                  value={countOf(jars, kind)}
                  shown={`${countOf(jars, kind)} of ${kind.count}`}
                  min={0}
                  max={kind.count}
                  step={1}
                  onChange={(count) => setJars(withCount(jars, kind, count))}
                />
              ))}
              <StepSlider
                label="Headspace"
                value={Math.round(headspace * 100)}
                shown={`${Math.round(headspace * 100)} %`}
                min={0}
                max={30}
                step={1}
                onChange={(percent) => replace({ ...plan, headspace: percent / 100 })}
              />
              <p role="status">
                {fill.leftOverLitres > 0.02
                  ? `${units.volume(fill.leftOverLitres)} does not fit in the jars.`
                  : `Everything fits, with room for ${units.volume(Math.max(0, fill.freeLitres))} more.`}
              </p>
            </>
          )}
        </>
      )}
    </>
  );
}
