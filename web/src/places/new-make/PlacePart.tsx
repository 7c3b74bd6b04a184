import { PLACE_FACTS, placeAmbientC, placeFades } from '@morning-crock/core';
import type { KitchenSettings, MakePlan } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { Link } from 'react-router';
import { useUnits } from '../../data/use-units.ts';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { JarsPart } from './JarsPart.tsx';

const withOwn = <T extends { readonly id: string }>(items: readonly T[], own: T): readonly T[] =>
  items.some((item) => item.id === own.id) ? items : [...items, own];

/** Pot, warm place, bottles and jars. */
export function PlacePart(props: {
  readonly plan: MakePlan;
  readonly kitchen: KitchenSettings;
  readonly change: (part: Partial<MakePlan>) => void;
  readonly replace: (plan: MakePlan) => void;
}) {
  const { plan, kitchen, change, replace } = props;
  const units = useUnits();
  const pots = withOwn(kitchen.pots, plan.pot);
  const places = withOwn(kitchen.places, plan.place);
  const burners = withOwn(kitchen.burners, plan.burner);
  return (
    <>
      <NativeSelect
        label="Pot"
        value={plan.pot.id}
        data={pots.map((p) => ({ value: p.id, label: `${p.name}, ${units.volume(p.litres)}` }))}
        onChange={(e) => change({ pot: pots.find((p) => p.id === e.currentTarget.value) ?? plan.pot })}
      />
      {burners.length > 1 && (
        <NativeSelect
          label="Burner"
          value={plan.burner.id}
          data={burners.map((b) => ({ value: b.id, label: `${b.name}, ${b.powerKw} kW` }))}
          onChange={(e) =>
            change({ burner: burners.find((b) => b.id === e.currentTarget.value) ?? plan.burner })
          }
        />
      )}
      <NativeSelect
        label="Keep warm in"
        value={plan.place.id}
        data={places.map((p) => ({ value: p.id, label: p.name }))}
        onChange={(e) => change({ place: places.find((p) => p.id === e.currentTarget.value) ?? plan.place })}
      />
      {plan.place.kind === 'appliance' ? (
        <StepSlider
          label="Dial setting"
          value={plan.place.setPointC ?? 43}
          shown={units.temperature(plan.place.setPointC ?? 43)}
          min={20}
          max={80}
          step={0.5}
          onChange={(setPointC) => change({ place: { ...plan.place, setPointC } })}
        />
      ) : (
        <p className="quiet">
          {PLACE_FACTS[plan.place.kind].label}. Temperature drifts towards{' '}
          {units.temperature(placeAmbientC(plan.place, plan.roomC, 1))}
          {placeFades(plan.place) && ', and falls from then on'}.
        </p>
      )}
      <Link to="/sums/warm-box?for=new">Hot bottles for a box</Link>
      <JarsPart plan={plan} kitchen={kitchen} replace={replace} />
    </>
  );
}
