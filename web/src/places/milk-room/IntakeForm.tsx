import {
  compositionOfFacts,
  litresOfMass,
  MILK_FACTS,
  MILK_KINDS,
  TREATMENTS,
  type MilkKind,
} from '@morning-crock/core';
import { lotLitres, type Lot, type LotFacts } from '@morning-crock/core/contract';
import { Autocomplete, Button, Checkbox, NativeSelect } from '@mantine/core';
import { useForm } from '@mantine/form';
import { use, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { now } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { EntryForm } from '../../parts/fields/EntryForm.tsx';
import { TriedContext } from '../../parts/fields/tried.ts';
import { AmountField } from '../../parts/fields/AmountField.tsx';
import { UNKNOWN_FAT } from './FatField.tsx';
import { IntakeDetails } from './IntakeDetails.tsx';
import { factsOf, faultsOf, isBought, type IntakeValues } from './intake-values.ts';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { SournessFields } from '../../parts/fields/SournessFields.tsx';
import { DayTimeFields, useDayTime } from '../../parts/words/DayTime.tsx';
import '../../parts/fields/popover-styles.ts';

/** Milk straight from the animal, °C. */
const FROM_THE_ANIMAL_C = 34;

/** What came in last from somewhere, so that the same animal is typed once. */
const asLast = (lots: readonly Lot[], source: string): Lot | undefined =>
  [...lots]
    .sort((a, b) => b.takenInMs - a.takenInMs)
    .find((lot) => lot.source === source && lot.role === 'milk');

/** As much of a source's name as leaves room for the day in the name of a lot. */
const LONGEST_SOURCE = 60;

/** Who gave it; anything may be typed, what is known is offered. */
function SourceField(props: {
  readonly source: string;
  readonly known: readonly string[];
  readonly onSource: (source: string) => void;
}) {
  const { source, known, onSource } = props;
  const tried = use(TriedContext);
  return (
    <Autocomplete
      label="Animal, herd or shop"
      value={source}
      data={[...known]}
      maxLength={80}
      size="lg"
      error={tried && source.trim() === '' ? 'Enter a name.' : null}
      onChange={onSource}
    />
  );
}

/** A milking or a purchase comes in. */
export function IntakeForm({ lots }: { readonly lots: readonly Lot[] }) {
  const kitchen = useKitchen();
  const units = useUnits();
  const navigate = useNavigate();
  const { site, herd } = kitchen;
  const [openedMs] = useState(now);
  const came = useDayTime(openedMs);
  const { atMs } = came;
  const nameOf = ({ source, kind }: IntakeValues): string =>
    Number.isNaN(atMs)
      ? ''
      : `${(source || MILK_FACTS[kind].label).slice(0, LONGEST_SOURCE)}, ${units.day(atMs).slice(0, 3)} ${Number(came.time.slice(0, 2)) < 12 ? 'morning' : 'evening'}`;
  const form = useForm<IntakeValues>({
    mode: 'controlled',
    initialValues: {
      source: herd[0]?.name ?? '',
      kind: herd[0]?.kind ?? 'cow-lean',
      what: 'milk',
      treatment: herd.length > 0 ? 'raw' : 'pasteurised',
      homogenised: false,
      fat: UNKNOWN_FAT,
      sour: { soured: false },
      feed: null,
      place: 'cold',
      container: '',
      warm: false,
      cameInC: FROM_THE_ANIMAL_C,
      cost: null,
      amount: null,
      name: '',
    },
    validate: (values) => faultsOf(factsOf(values, nameOf(values), site.roomC)),
  });
  const { values, setFieldValue: set, setValues } = form;
  const { source, kind, what, treatment, homogenised, sour, place, warm, cameInC, amount } = values;
  const usualName = nameOf(values);
  const facts = factsOf(values, usualName, site.roomC);
  const of = compositionOfFacts(facts);
  const take = async (): Promise<void> => {
    if (form.validate().hasErrors || !amount) return;
    const lotId = ulid();
    await record(
      lotId,
      'milk-moved',
      {
        kind: 'intake',
        lot: facts,
        litres: litresOfMass(amount.massKg, of),
        typed: amount.typed,
        forRecord: false,
      },
      atMs,
    );
    void navigate(`/milk?lot=${lotId}`);
  };
  return (
    <EntryForm className="intake" label="Add milk" onEntry={() => void take()}>
      <div className="sections">
        <section className="section" aria-labelledby="in-what">
          <h2 id="in-what">Milk or cream</h2>
          <SourceField
            source={source}
            known={[...new Set([...herd.map((h) => h.name), ...lots.map((l) => l.source)])]}
            onSource={(next) => {
              const known = herd.find((h) => h.name === next);
              const last = asLast(lots, next);
              setValues({
                source: next,
                ...(known
                  ? { kind: known.kind, treatment: 'raw' as const }
                  : last
                    ? { kind: last.kind, treatment: last.treatment, homogenised: last.homogenised }
                    : {}),
              });
            }}
          />
          <AmountField
            label="Amount"
            of={of}
            by="volume"
            amount={amount}
            check={(massKg) => {
              const fault = lotLitres.safeParse(litresOfMass(massKg, of)).error?.issues[0]?.message;
              return fault === undefined ? null : `It ${fault}.`;
            }}
            onAmount={(next) => set('amount', next)}
          />
          <Choices
            legend="Type"
            value={what}
            options={[
              { value: 'milk', label: 'milk' },
              { value: 'cream', label: 'cream' },
            ]}
            onChange={(next) => set('what', next)}
          />
          {what === 'cream' && <SournessFields value={sour} onChange={(next) => set('sour', next)} />}
          <NativeSelect
            label="Animal or kind"
            value={kind}
            data={MILK_KINDS.map((k) => ({ value: k, label: MILK_FACTS[k].label }))}
            onChange={(e) => {
              const next = e.currentTarget.value as MilkKind;
              setValues({ kind: next, ...(isBought(next) ? { treatment: 'pasteurised' as const } : {}) });
            }}
          />
          <Choices
            legend="Heat treatment"
            value={treatment}
            options={TREATMENTS.map((t) => ({ value: t, label: t }))}
            onChange={(next) => set('treatment', next)}
          />
          <Checkbox
            label="Homogenised (cream does not rise)"
            checked={homogenised || treatment === 'ultra-heated'}
            disabled={treatment === 'ultra-heated'}
            onChange={(e) => set('homogenised', e.currentTarget.checked)}
          />
        </section>
        <section className="section" aria-labelledby="in-when">
          <h2 id="in-when">When and where</h2>
          <DayTimeFields at={came} happened />
          <NativeSelect
            label="Stored"
            value={place}
            data={[
              { value: 'cold', label: 'in the fridge' },
              { value: 'counter', label: `on the counter, ${units.temperature(site.roomC)}` },
              { value: 'freezer', label: 'in the freezer' },
            ]}
            onChange={(e) => set('place', e.currentTarget.value as LotFacts['place'])}
          />
          {place === 'cold' && (
            <Checkbox
              label="Put in the fridge warm"
              checked={warm}
              onChange={(e) => set('warm', e.currentTarget.checked)}
            />
          )}
          {place === 'cold' && warm && (
            <>
              <StepSlider
                label="Temperature then"
                value={cameInC}
                shown={units.temperature(cameInC)}
                min={8}
                max={40}
                step={1}
                onChange={(next) => set('cameInC', next)}
              />
              <p className="caution note">
                Warm milk cools slowly in the fridge, and those hours shorten how long it keeps. Cool it in an
                ice bath first, stirring: <Link to="/sums/ice-bath">How much ice?</Link>
              </p>
            </>
          )}
          <Button type="submit" h={72}>
            Add to milk room
          </Button>
          <IntakeDetails
            form={form}
            usualFat={compositionOfFacts({ ...facts, fatFraction: null }).fatFraction}
            usualName={usualName}
          />
        </section>
      </div>
    </EntryForm>
  );
}
