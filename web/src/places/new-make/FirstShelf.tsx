import { PRODUCTS } from '@morning-crock/core';
import { PRODUCT_TAKES, type KitchenSettings, type ProductId } from '@morning-crock/core/contract';
import { UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { now } from '../../data/clock.ts';
import { CrockDrawing } from '../../parts/drawings/CrockDrawing.tsx';
import { LARGE_PRODUCTS } from '../../parts/tables/often-made.ts';
import { firstWords } from './first-words.ts';
import './first-shelf.css';

/** The shelf with nothing on it yet: an empty crock for each thing that can be made, what it needs and how long it takes. */
export function FirstShelf({ kitchen }: { readonly kitchen: KitchenSettings }) {
  const [more, setMore] = useState(false);
  const shown = useMemo(() => {
    const startAt = new Date(Math.round(now())).toISOString();
    const others = Object.values(PRODUCTS).filter(
      ({ id }) => PRODUCT_TAKES[id] !== 'packet' && !LARGE_PRODUCTS.includes(id),
    );
    const ids: ProductId[] = [...LARGE_PRODUCTS, ...(more ? others.map(({ id }) => id) : [])];
    return ids.map((id) => ({ product: PRODUCTS[id], ...firstWords(id, kitchen, startAt) }));
  }, [kitchen, more]);
  return (
    <section aria-labelledby="first-shelf">
      <h2 id="first-shelf" className="below-m">
        What do you want to make?
      </h2>
      <ul className="bare first-shelf">
        {shown.map(({ product, needs, time }, at) => (
          <li key={product.id} className={at < LARGE_PRODUCTS.length ? undefined : 'small'}>
            <Link to={`/new?make=${product.id}&first=1`} className="first-crock">
              <CrockDrawing fill={0} surface="still" brush={product.drawn.brush} label="" />
              <span className="tag">
                <span className="tag-name">{product.label}</span>
                <span>{needs}</span>
                <span className="quiet">{time}</span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
      {!more && (
        <UnstyledButton className="first-more" onClick={() => setMore(true)}>
          More to make
        </UnstyledButton>
      )}
    </section>
  );
}
