import {
  CAUSES,
  changedFor,
  COMPLAINTS,
  duplicated,
  methodChangedFor,
  nextVersion,
  toDegrees,
  type CauseId,
  type ComplaintId,
  type MakeState,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { useState } from 'react';
import { ulid } from 'ulid';
import { useKitchenQuery } from '../../data/api.ts';
import { refusalOf } from '../../data/refusal-of.ts';
import { record } from '../../data/store.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useUnits } from '../../data/use-units.ts';

/** Less than this is no news of a place, K. */
const WORTH_ENTERING_K = 1.5;

/** The place that was colder than it was entered, and a tap that says so in the kitchen. */
function PlaceOff({ state, offC }: { readonly state: MakeState; readonly offC: number }) {
  const units = useUnits();
  const { data } = useKitchenQuery();
  const place = data?.settings.places.find(({ id }) => id === state.plan.place.id);
  if (!data || !place || Math.abs(offC) < WORTH_ENTERING_K) return null;
  const rounded = Math.round(offC * 2) / 2;
  const entered = (state.plan.place.biasC ?? 0) + rounded;
  // What is reckoned moves a little with each reading: what was just entered is not asked for again.
  if (Math.abs((place.biasC ?? 0) - entered) < WORTH_ENTERING_K)
    return <p className="settled">{place.name} is entered as colder now.</p>;
  return (
    <Button
      variant="default"
      onClick={() =>
        void record(data.id, 'kitchen-changed', {
          section: 'places',
          value: data.settings.places.map((one) => (one.id === place.id ? { ...one, biasC: entered } : one)),
        })
      }
    >
      Enter {place.name} as {units.difference(Math.abs(rounded))} colder
    </Button>
  );
}

/** The same change saved with the method: a new version of one's own, or a copy of one that came with the product. */
function MethodToo({ state, cause }: { readonly state: MakeState; readonly cause: CauseId }) {
  const { shown } = useMethods();
  const [saved, setSaved] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const of = shown.find(({ id }) => id === state.plan.method.id);
  const changed = of && methodChangedFor(of.method, state.plan, cause);
  if (saved !== null) return <p className="settled">Saved as “{saved}”.</p>;
  if (!of || !changed) return null;
  const save = async (): Promise<void> => {
    const next = of.own
      ? { ...changed, version: nextVersion(of.own) }
      : duplicated(changed, ulid(), `${changed.name}, our version`.slice(0, 80));
    const refused = await refusalOf(await record(next.id, 'method-changed', { kind: 'saved', method: next }));
    if (refused === null) setSaved(next.name);
    else setFault(refused);
  };
  return (
    <>
      <Button variant="default" onClick={() => void save()}>
        Change the method
      </Button>
      {fault !== null && <p role="alert">{fault}</p>}
    </>
  );
}

/** One change for the next time, taken over with a tap where a plan or the kitchen can have it. */
export function NextTime(props: {
  readonly state: MakeState;
  readonly complaint: ComplaintId;
  readonly cause: CauseId | null;
  readonly placeOffC: number | null;
  /** Of a batch that was never entered nothing can be repeated. */
  readonly entered: boolean;
  /** It is not to be eaten: it is good for nothing. */
  readonly over: boolean;
}) {
  const { state, complaint, cause, placeOffC, entered, over } = props;
  const units = useUnits();
  return (
    <section className="next-time" aria-label="This batch and the next">
      {!over && !state.finished && (
        <>
          <h2>This batch</h2>
          <p>{toDegrees(COMPLAINTS[complaint].stillGood, units.temperatureUnit)}</p>
        </>
      )}
      {cause !== null && (
        <>
          <h2>Next time</h2>
          <p>{toDegrees(CAUSES[cause].next, units.temperatureUnit)}</p>
          {entered && (
            <div className="row">
              {cause === 'place-cold' && placeOffC !== null && <PlaceOff state={state} offC={placeOffC} />}
              <MethodToo state={state} cause={cause} />
              {changedFor(state.plan, cause) && (
                <Button component={Link} to={`/new?repeat=${state.id}&change=${cause}`} variant="default">
                  Repeat with this change
                </Button>
              )}
            </div>
          )}
        </>
      )}
    </section>
  );
}
