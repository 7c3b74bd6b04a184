import { PRODUCTS, type Product } from '@morning-crock/core';
import type { ProductId } from '@morning-crock/core/contract';
import { Link } from 'react-router';
import { UnstyledButton } from '@mantine/core';
import { CrockDrawing } from '../../parts/CrockDrawing.tsx';
import './what-to-make.css';

function Drawn({ product: { drawn, label } }: { readonly product: Product }) {
  return (
    <>
      <CrockDrawing fill={0.7} surface={drawn.as} brush={drawn.brush} label="" />
      <span className="serif">{label}</span>
    </>
  );
}

/** What it shall be, drawn: the first thing of a new make. */
export function WhatToMake({
  product,
  onProduct,
}: {
  readonly product: ProductId;
  readonly onProduct: (product: ProductId) => void;
}) {
  return (
    <div className="what-to-make">
      <div className="what-to-make-group" role="radiogroup" aria-label="What to make">
        {Object.values(PRODUCTS)
          .filter((p) => p.takes !== 'packet')
          .map((p) => (
            <UnstyledButton
              key={p.id}
              role="radio"
              aria-checked={p.id === product}
              className="what-to-make-one"
              onClick={() => {
                if (p.id !== product) onProduct(p.id);
              }}
            >
              <Drawn product={p} />
            </UnstyledButton>
          ))}
      </div>
      {Object.values(PRODUCTS)
        .filter((p) => p.takes === 'packet')
        .map((p) => (
          // It is planned where the packets are.
          <Link key={p.id} to="/cultures/wake" className="what-to-make-one">
            <Drawn product={p} />
          </Link>
        ))}
    </div>
  );
}
