import {
  CHECK_READ_H,
  checkedPlace,
  checkResult,
  fromCelsius,
  fromLitres,
  nextCheckMs,
  placeAmbientC,
  placeFades,
  placeWarms,
  SYSTEM_UNITS,
  toCelsius,
  toLitres,
  UNIT_LABEL,
} from '@morning-crock/core';
import { warmPlace, type KitchenPlace, type KitchenSettings } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { now } from '../../data/clock.ts';
import { record } from '../../data/store.ts';
import { useUnits } from '../../data/use-units.ts';
import { NumberField } from '../../parts/fields/NumberField.tsx';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { valueFault } from '../../parts/fields/value-checks.ts';

/** Water a check is usually made with, L, and as warm as it comes from the tap. */
const USUAL_WATER = { litres: 1, celsius: 40 } as const;

interface CheckProps {
  readonly kitchenId: string;
  readonly settings: KitchenSettings;
  readonly place: KitchenPlace;
}

/** Why a check cannot be stored, and the field it is about. */
interface CheckFault {
  readonly field: string;
  readonly message: string;
}

/** Stores a place as its check left it; nothing when it cannot be, and why. */
function store({ kitchenId, settings, place }: CheckProps, changed: KitchenPlace): CheckFault | null {
  const parsed = warmPlace.safeParse(changed);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    return { field: String(issue?.path.at(-1)), message: issue?.message ?? 'cannot be stored' };
  }
  void record(kitchenId, 'kitchen-changed', {
    section: 'places',
    value: settings.places.map((other) => (other.id === place.id ? parsed.data : other)),
  });
  return null;
}

/** What is asked to begin a check. */
function BeginCheck(props: CheckProps) {
  const { place, settings } = props;
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const [litres, setLitres] = useState<number>(USUAL_WATER.litres);
  const [celsius, setCelsius] = useState<number>(USUAL_WATER.celsius);
  const [fault, setFault] = useState<CheckFault | null>(null);
  const faultOf = (field: string): string | null => (fault?.field === field ? fault.message : null);
  const unit = SYSTEM_UNITS[settings.units.measures].milk[0]!;
  if (!open)
    return (
      <Button variant="default" onClick={() => setOpen(true)}>
        Check {place.name}
      </Button>
    );
  return (
    <form
      aria-label={`Check ${place.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        setFault(
          store(props, {
            ...place,
            check: { startedAt: new Date(now()).toISOString(), litres, startC: celsius, readings: [] },
          }),
        );
      }}
    >
      <p>
        Fill {place.name} with warm water and switch it on, or close it, as you do for a batch. Then read the
        water after one hour and after three.
      </p>
      <div className="field-row">
        <NumberField
          label="Water"
          unit={UNIT_LABEL[unit]}
          value={fromLitres(litres, unit)}
          fault={faultOf('litres')}
          onValue={(v) => setLitres(toLitres(v, unit))}
        />
        <NumberField
          label="Water temperature now"
          unit={`°${units.temperatureUnit}`}
          value={fromCelsius(celsius, units.temperatureUnit)}
          fault={faultOf('startC')}
          width={240}
          onValue={(v) => setCelsius(toCelsius(v, units.temperatureUnit))}
        />
        <Button type="submit">Start check</Button>
        <Button variant="default" onClick={() => setOpen(false)}>
          Cancel
        </Button>
      </div>
    </form>
  );
}

/** A check that is going on: what was read, and when to read next. */
function GoingCheck(props: CheckProps & { readonly check: NonNullable<KitchenPlace['check']> }) {
  const { place, settings, check } = props;
  const units = useUnits();
  const [celsius, setCelsius] = useState(Number.NaN);
  const [fault, setFault] = useState<string | null>(null);
  const nextMs = nextCheckMs(place);
  const nowMs = now();
  const add = (): void => {
    if (!Number.isFinite(celsius)) return setFault('Enter the temperature of the water.');
    const read: KitchenPlace = {
      ...place,
      check: {
        ...check,
        readings: [...check.readings, { at: new Date(now()).toISOString(), celsius }],
      },
    };
    if (read.check!.readings.length < CHECK_READ_H.length)
      return setFault(store(props, read)?.message ?? null);
    const result = checkResult(read, settings.site.roomC);
    setFault(
      result.outcome === 'fault'
        ? result.fault
        : (store(props, checkedPlace(read, settings.site.roomC))?.message ?? null),
    );
  };
  return (
    <form
      aria-label={`Check ${place.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <p>
        Checking {place.name} since {units.time(Date.parse(check.startedAt), nowMs)}:{' '}
        {[check.startC, ...check.readings.map((r) => r.celsius)].map((c) => units.temperature(c)).join(', ')}.{' '}
        {nextMs !== null && <strong>Read the water about {units.time(nextMs, nowMs)}.</strong>}
      </p>
      <div className="field-row">
        <QuantityField
          key={check.readings.length}
          label="Water temperature"
          value={null}
          unit={units.temperatureUnit}
          units={[{ value: units.temperatureUnit, label: `°${units.temperatureUnit}` }]}
          check={(value, unit) => valueFault('temperature', value, unit)}
          onFault={(faulty) => {
            if (faulty) setCelsius(Number.NaN);
          }}
          onChange={(value) => setCelsius(toCelsius(value, units.temperatureUnit))}
        />
        <Button type="submit">Add reading</Button>
        <Button
          variant="default"
          onClick={() => {
            const { check: _check, ...rest } = place;
            setFault(store(props, rest)?.message ?? null);
          }}
        >
          Stop check
        </Button>
      </div>
      {fault && (
        <p className="field-error" role="alert">
          {fault}
        </p>
      )}
    </form>
  );
}

/** What is known of a place that was checked. */
function CheckedWords({ place, roomC }: { readonly place: KitchenPlace; readonly roomC: number }) {
  const units = useUnits();
  return (
    <span className="quiet">
      {place.name}, checked {units.day(Date.parse(place.checkedAt!))}
      {placeWarms(place) && `: holds about ${units.temperature(placeAmbientC(place, roomC))}`}.
    </span>
  );
}

/** Warm places are checked with water, not believed: what each really holds, and how fast it follows. */
export function PlaceChecks({
  kitchenId,
  settings,
}: {
  readonly kitchenId: string;
  readonly settings: KitchenSettings;
}) {
  // A counter is as warm as its room, and what was only warmed up is never twice the same.
  const places = settings.places.filter((place) => place.kind !== 'room' && !placeFades(place));
  return (
    <section className="section" aria-labelledby="place-checks">
      <h2 id="place-checks">Check a warm place</h2>
      <p className="quiet">
        Few appliances hold what their dial says. A check with water takes three hours and makes every
        forecast surer.
      </p>
      <ul className="bare place-checks">
        {places.map((place) => (
          <li key={place.id}>
            {place.check ? (
              <GoingCheck kitchenId={kitchenId} settings={settings} place={place} check={place.check} />
            ) : (
              <>
                {place.checkedAt !== undefined && <CheckedWords place={place} roomC={settings.site.roomC} />}
                <BeginCheck kitchenId={kitchenId} settings={settings} place={place} />
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
