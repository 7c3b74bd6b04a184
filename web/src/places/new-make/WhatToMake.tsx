import { PRODUCTS, type Product } from '@morning-crock/core';
import { PRODUCT_TAKES, type ProductId } from '@morning-crock/core/contract';
import { UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useRecentMakesQuery } from '../../data/api.ts';
import { CrockDrawing } from '../../parts/drawings/CrockDrawing.tsx';
import { LARGE_PRODUCTS, oftenMade } from '../../parts/tables/often-made.ts';
import './what-to-make.css';

function Drawn({ product: { drawn, label } }: { readonly product: Product }) {
  return (
    <>
      <CrockDrawing fill={0.7} surface={drawn.as} brush={drawn.brush} label="" />
      <span className="serif">{label}</span>
    </>
  );
}

/** What it shall be, drawn, in one row: the three large ones, what this kitchen makes often, and all others behind a button. */
export function WhatToMake({
  product,
  onProduct,
}: {
  readonly product: ProductId;
  readonly onProduct: (product: ProductId) => void;
}) {
  const { data } = useRecentMakesQuery();
  const [all, setAll] = useState(false);
  const often = useMemo(() => oftenMade((data ?? []).flatMap(({ product: made }) => made ?? [])), [data]);
  const short = [...new Set([...LARGE_PRODUCTS, ...often, product])];
  const rest = Object.values(PRODUCTS).filter(
    ({ id }) => PRODUCT_TAKES[id] !== 'packet' && !short.includes(id),
  );
  const offered = [...short.map((id) => PRODUCTS[id]), ...(all ? rest : [])];
  return (
    <div className="what-to-make">
      <div className="what-to-make-group" role="radiogroup" aria-label="What to make">
        {offered.map((p) => (
          <UnstyledButton
            key={p.id}
            role="radio"
            aria-checked={p.id === product}
            className="what-to-make-one"
            onClick={() => {
              setAll(false);
              if (p.id !== product) onProduct(p.id);
            }}
          >
            <Drawn product={p} />
          </UnstyledButton>
        ))}
      </div>
      {all &&
        Object.values(PRODUCTS)
          .filter((p) => PRODUCT_TAKES[p.id] === 'packet')
          .map((p) => (
            // It is planned where the packets are.
            <Link key={p.id} to="/cultures/wake" className="what-to-make-one">
              <Drawn product={p} />
            </Link>
          ))}
      <UnstyledButton className="what-to-make-all" aria-expanded={all} onClick={() => setAll(!all)}>
        {all ? 'Fewer' : 'All products'}
      </UnstyledButton>
    </div>
  );
}
