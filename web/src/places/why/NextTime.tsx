import {
  CAUSES,
  changedFor,
  COMPLAINTS,
  toDegrees,
  type CauseId,
  type ComplaintId,
  type MakeState,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { useKitchenQuery } from '../../data/api.ts';
import { record } from '../../data/store.ts';
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
  if (place.biasC === entered) return <p className="settled">{place.name} is entered as colder now.</p>;
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

/** One change for the next time, taken over with a tap where a plan or the kitchen can have it. */
export function NextTime(props: {
  readonly state: MakeState;
  readonly complaint: ComplaintId;
  readonly cause: CauseId | null;
  readonly placeOffC: number | null;
  /** Of a batch that was never entered nothing can be repeated. */
  readonly entered: boolean;
}) {
  const { state, complaint, cause, placeOffC, entered } = props;
  const units = useUnits();
  return (
    <section className="next-time" aria-label="This batch and the next">
      {!state.finished && (
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
