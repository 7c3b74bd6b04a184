import { madeFromKind, mayGoInto, PRODUCTS, type MakeState } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { Link } from 'react-router';

/** What can be made from a batch as it stands: curd is churned, butter becomes ghee, yogurt is frozen. */
export function GoesInto({ state }: { readonly state: MakeState }) {
  const into = madeFromKind(state.plan.product);
  if (into.length === 0 || !mayGoInto(state)) return null;
  return (
    <div className="row">
      {into.map((id) => (
        <Button key={id} component={Link} to={`/new?make=${id}&batch=${state.id}`} variant="default">
          Make {PRODUCTS[id].label.toLowerCase()} from this
        </Button>
      ))}
    </div>
  );
}
