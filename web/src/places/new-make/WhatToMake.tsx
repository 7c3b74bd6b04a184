import { PRODUCTS } from '@morning-crock/core';
import type { ProductId } from '@morning-crock/core/contract';
import { UnstyledButton } from '@mantine/core';
import { CrockDrawing } from '../../parts/CrockDrawing.tsx';
import './what-to-make.css';

/** What it shall be, drawn: the first thing of a new make. */
export function WhatToMake({
  product,
  onProduct,
}: {
  readonly product: ProductId;
  readonly onProduct: (product: ProductId) => void;
}) {
  return (
    <div className="what-to-make" role="radiogroup" aria-label="What to make">
      {Object.values(PRODUCTS).map((p) => (
        <UnstyledButton
          key={p.id}
          role="radio"
          aria-checked={p.id === product}
          className="what-to-make-one"
          onClick={() => {
            if (p.id !== product) onProduct(p.id);
          }}
        >
          <CrockDrawing fill={0.7} surface={p.drawn.as} brush={p.drawn.brush} label="" />
          <span>
            <span className="serif">{p.label}</span>
            <span className="quiet">{p.line}</span>
          </span>
        </UnstyledButton>
      ))}
    </div>
  );
}
