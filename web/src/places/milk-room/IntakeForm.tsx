import {
  compositionOfFacts,
  litresOfMass,
  MILK_FACTS,
  MILK_KINDS,
  SYSTEM_UNITS,
  toLitres,
  TREATMENTS,
  UNIT_LABEL,
  type MilkKind,
  type VolumeUnit,
} from '@morning-crock/core';
import { FEEDS, lotFacts, lotLitres, type Lot, type LotFacts } from '@morning-crock/core/contract';
import { Autocomplete, Button, Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { use, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { now } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/Choices.tsx';
import { EntryForm } from '../../parts/EntryForm.tsx';
import { TriedContext } from '../../parts/tried.ts';
import { QuantityField } from '../../parts/QuantityField.tsx';
import { AmountField, type TypedAmount } from '../../parts/AmountField.tsx';
import { FatField, UNKNOWN_FAT, type Fat } from './FatField.tsx';
import { StepSlider } from '../../parts/StepSlider.tsx';
import { DayTimeFields, useDayTime } from '../../parts/DayTime.tsx';

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
      error={tried && source.trim() === '' ? 'Needs a name.' : null}
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
  const [source, setSource] = useState(herd[0]?.name ?? '');
  const [kind, setKind] = useState<MilkKind>(herd[0]?.kind ?? 'cow-lean');
  const [what, setWhat] = useState<LotFacts['what']>('milk');
  const [treatment, setTreatment] = useState<LotFacts['treatment']>(herd.length > 0 ? 'raw' : 'pasteurised');
  const [homogenised, setHomogenised] = useState(false);
  const [fat, setFat] = useState<Fat>(UNKNOWN_FAT);
  const [soured, setSoured] = useState(false);
  const [feed, setFeed] = useState<LotFacts['feed']>(null);
  const [place, setPlace] = useState<LotFacts['place']>('cold');
  const [container, setContainer] = useState('');
  const [warm, setWarm] = useState(false);
  const [cameInC, setCameInC] = useState(FROM_THE_ANIMAL_C);
  const [cost, setCost] = useState<{ value: number; per: VolumeUnit } | null>(null);
  const [amount, setAmount] = useState<TypedAmount | null>(null);
  const came = useDayTime(openedMs);
  const [name, setName] = useState('');
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const bought = kind.startsWith('shop');
  const { atMs } = came;
  const usualName = Number.isNaN(atMs)
    ? ''
    : `${(source || MILK_FACTS[kind].label).slice(0, LONGEST_SOURCE)}, ${units.day(atMs).slice(0, 3)} ${Number(came.time.slice(0, 2)) < 12 ? 'morning' : 'evening'}`;
  const facts: LotFacts = {
    name: name.trim() || usualName,
    source: source.trim(),
    what,
    kind,
    treatment,
    homogenised: homogenised || treatment === 'ultra-heated',
    fatFraction: fat.known ? fat.fraction : null,
    feed: bought ? null : feed,
    costPerLitre: cost && cost.value / toLitres(1, cost.per),
    ...(what === 'cream' && soured ? { soured } : {}),
    ...(warm && place === 'cold' ? { cameInC } : {}),
    place,
    placeC: place === 'counter' ? site.roomC : null,
    container: container.trim() || null,
  };
  const of = compositionOfFacts(facts);
  const take = async (): Promise<void> => {
    const parsed = lotFacts.safeParse(facts);
    setFaults(
      Object.fromEntries(parsed.error?.issues.map((i) => [String(i.path[0] ?? 'name'), i.message]) ?? []),
    );
    if (!parsed.success || !amount) return;
    const lotId = ulid();
    await record(
      lotId,
      'milk-moved',
      {
        kind: 'intake',
        lot: parsed.data,
        litres: litresOfMass(amount.massKg, of),
        typed: amount.typed,
        forRecord: false,
      },
      atMs,
    );
    void navigate(`/milk?lot=${lotId}`);
  };
  const fault = (path: string) =>
    faults[path] && (
      <p className="field-error" role="alert">
        {faults[path]}
      </p>
    );
  return (
    <EntryForm className="intake" label="Milk in" onEntry={() => void take()}>
      <div className="sections">
        <section className="section" aria-labelledby="in-what">
          <h2 id="in-what">What</h2>
          <SourceField
            source={source}
            known={[...new Set([...herd.map((h) => h.name), ...lots.map((l) => l.source)])]}
            onSource={(next) => {
              setSource(next);
              const known = herd.find((h) => h.name === next);
              const last = asLast(lots, next);
              if (known) {
                setKind(known.kind);
                setTreatment('raw');
              } else if (last) {
                setKind(last.kind);
                setTreatment(last.treatment);
                setHomogenised(last.homogenised);
              }
            }}
          />
          <AmountField
            label="How much"
            of={of}
            by="volume"
            amount={amount}
            check={(massKg) => {
              const fault = lotLitres.safeParse(litresOfMass(massKg, of)).error?.issues[0]?.message;
              return fault === undefined ? null : `It ${fault}.`;
            }}
            onAmount={setAmount}
          />
          <Choices
            legend="It is"
            value={what}
            options={[
              { value: 'milk', label: 'milk' },
              { value: 'cream', label: 'cream' },
            ]}
            onChange={setWhat}
          />
          {what === 'cream' && (
            <Checkbox label="Soured" checked={soured} onChange={(e) => setSoured(e.currentTarget.checked)} />
          )}
          <NativeSelect
            label="Of"
            value={kind}
            data={MILK_KINDS.map((k) => ({ value: k, label: MILK_FACTS[k].label }))}
            onChange={(e) => {
              const next = e.currentTarget.value as MilkKind;
              setKind(next);
              if (next.startsWith('shop')) setTreatment('pasteurised');
            }}
          />
          <Choices
            legend="Treated"
            value={treatment}
            options={TREATMENTS.map((t) => ({ value: t, label: t }))}
            onChange={setTreatment}
          />
          <Checkbox
            label="Homogenised (no cream rises)"
            checked={homogenised || treatment === 'ultra-heated'}
            disabled={treatment === 'ultra-heated'}
            onChange={(e) => setHomogenised(e.currentTarget.checked)}
          />
        </section>
        <section className="section" aria-labelledby="in-when">
          <h2 id="in-when">When and where</h2>
          <DayTimeFields at={came} happened />
          <NativeSelect
            label="Stands"
            value={place}
            data={[
              { value: 'cold', label: 'in the cold' },
              { value: 'counter', label: `on the counter, ${units.temperature(site.roomC)}` },
              { value: 'freezer', label: 'in the freezer' },
            ]}
            onChange={(e) => setPlace(e.currentTarget.value as LotFacts['place'])}
          />
          {place === 'cold' && (
            <Checkbox
              label="Put there still warm"
              checked={warm}
              onChange={(e) => setWarm(e.currentTarget.checked)}
            />
          )}
          {place === 'cold' && warm && (
            <>
              <StepSlider
                label="It was at"
                value={cameInC}
                shown={units.temperature(cameInC)}
                min={8}
                max={40}
                step={1}
                onChange={setCameInC}
              />
              <p className="caution note">
                In the cold it stays warm for hours, and they count for its keeping. An iced bath first,
                stirred, is quicker: <Link to="/sums/ice-bath">how much ice?</Link>
              </p>
            </>
          )}
          <Button type="submit" h={72}>
            It is in
          </Button>
          <details className="more-about">
            <summary>More about it: fat, feed, cost, name</summary>
            <div className="lot-form">
              <TextInput
                label="In what (may stay empty)"
                value={container}
                maxLength={80}
                onChange={(e) => setContainer(e.currentTarget.value)}
              />
              <FatField
                fat={fat}
                usual={compositionOfFacts({ ...facts, fatFraction: null }).fatFraction}
                onFat={setFat}
              />
              {fault('fatFraction')}
              {!bought && (
                <Choices
                  legend="Fed on"
                  value={feed ?? 'unknown'}
                  options={[
                    ...FEEDS.map((f) => ({ value: f, label: f === 'mixed' ? 'both' : f })),
                    { value: 'unknown' as const, label: 'not said' },
                  ]}
                  onChange={(v) => setFeed(v === 'unknown' ? null : v)}
                />
              )}
              <QuantityField
                label={`Cost${units.money ? `, ${units.money}` : ''}`}
                value={cost?.value ?? null}
                unit={cost?.per ?? SYSTEM_UNITS[units.system].milk[0]!}
                units={SYSTEM_UNITS[units.system].milk.map((u) => ({
                  value: u,
                  label: `a ${UNIT_LABEL[u]}`,
                }))}
                check={(v) => (v < 0 ? 'A cost cannot be negative.' : v > 1000 ? 'That is very dear.' : null)}
                optional
                onEmpty={() => setCost(null)}
                onChange={(value, per) => setCost({ value, per })}
              />
              <TextInput
                label="Name"
                value={name}
                placeholder={usualName}
                maxLength={80}
                onChange={(e) => setName(e.currentTarget.value)}
              />
              {fault('name')}
            </div>
          </details>
        </section>
      </div>
    </EntryForm>
  );
}
