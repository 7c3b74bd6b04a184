import {
  GOOD_FACTS,
  madeFromKind,
  mayGoInto,
  PRODUCTS,
  SHIPPED_METHODS,
  type MakeState,
} from '@morning-crock/core';
import type { ProductId } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { Link } from 'react-router';

/** By which way: curd is churned whole by a method of its own, everything else as the product usually is. */
function wayInto(product: ProductId, from: ProductId): string {
  const whole =
    GOOD_FACTS[from].pours?.includes('curd') === true &&
    SHIPPED_METHODS.find((method) => method.product === product && method.aims.milk?.wholeCurd === true);
  return whole ? `method=${whole.id}` : `make=${product}`;
}

/** What can be made from a batch as it stands: curd is churned, butter becomes ghee, yogurt is frozen. */
export function GoesInto({ state }: { readonly state: MakeState }) {
  const into = madeFromKind(state.plan.product);
  if (into.length === 0 || !mayGoInto(state)) return null;
  return (
    <div className="row">
      {into.map((id) => (
        <Button
          key={id}
          component={Link}
          to={`/new?${wayInto(id, state.plan.product)}&batch=${state.id}`}
          variant="default"
        >
          Make {PRODUCTS[id].label.toLowerCase()} from this
        </Button>
      ))}
    </div>
  );
}
