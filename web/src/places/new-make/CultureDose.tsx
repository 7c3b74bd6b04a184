import {
  batchOf,
  doseLikeFresh,
  lineFactor,
  SET_PH,
  STARTER_FACTS,
  vigourOf,
  typedMass,
} from '@morning-crock/core';
import type { Culture, Factor, MakePlan } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { useUnits } from '../../data/use-units.ts';

/** Share of a fresh starter the dose is compared with. */
const FRESH_SHARE = 0.02;

/** How strong the chosen culture is, and the dose that would set as a fresh one does. */
export function CultureDose(props: {
  readonly plan: MakePlan;
  readonly culture: Culture;
  readonly factors: readonly Factor[];
  readonly onDose: (dose: Partial<MakePlan['starter']>) => void;
}) {
  const { plan, culture, factors, onDose } = props;
  const units = useUnits();
  const { dosing } = STARTER_FACTS[culture.kind];
  const dried = dosing === 'stated';
  const batch = useMemo(() => batchOf(plan), [plan]);
  const celsius = plan.place.setPointC ?? plan.inoculateC;
  const pace = Math.exp(lineFactor(culture, factors)?.mean ?? 0);
  const vigour = vigourOf(culture, factors, Date.parse(plan.startAt));
  const { ageD, log10Off } = plan.starter;
  const like = useMemo(
    () =>
      doseLikeFresh({
        kind: culture.kind,
        aged: { ageD: ageD ?? 0, log10Off: log10Off ?? 0 },
        rate: pace,
        freshRatio: dried ? 1 : FRESH_SHARE,
        temperature: { kind: 'constant', celsius },
        plasmaSnfPercent: batch.plasmaSnfPercent,
        ph: SET_PH,
      }),
    [culture.kind, ageD, log10Off, pace, dried, celsius, batch.plasmaSnfPercent],
  );
  const share = like.ratio;
  const massKg = share === null ? null : Math.round(share * batch.massKg * 1e4) / 1e4;
  return (
    <div role="status">
      <p className="quiet">
        {culture.packet ? '' : `Generation ${culture.turn}. `}About {Math.round(vigour.living * 100)} % as
        strong as when fresh
        {vigour.lnPace !== null &&
          `. Sets ${Math.abs(Math.round(Math.expm1(vigour.lnPace) * 100))} % ${vigour.lnPace >= 0 ? 'faster' : 'slower'} than usual`}
        .
      </p>
      {share === null ? (
        <p className="quiet">No dose will make this starter as quick as a fresh one.</p>
      ) : (
        <div className="field-row">
          <span>
            Dose to match a fresh starter ({dried ? 'the packet dose' : `${FRESH_SHARE * 100} %`}):{' '}
            <span className="number">
              {dried
                ? `${share.toFixed(2)} × the packet dose`
                : `${(share * 100).toFixed(1)} %, ${units.mass(massKg ?? 0)}`}
            </span>
          </span>
          <Button
            variant="default"
            onClick={() =>
              onDose(
                dried
                  ? {
                      statedRatio: Math.round(share * 100) / 100,
                      typed: { value: Math.round(share * 100) / 100, unit: 'packet' },
                    }
                  : { massKg, typed: typedMass(massKg ?? 0, units.system) },
              )
            }
          >
            Use this dose
          </Button>
        </div>
      )}
    </div>
  );
}
