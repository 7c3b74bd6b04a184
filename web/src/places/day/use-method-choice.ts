import { PRODUCTS } from '@morning-crock/core';
import { useState } from 'react';
import { useMakesQuery } from '../../data/api.ts';
import { useMethods } from '../../data/use-methods.ts';
import { amountOfLitres, isWeighed } from './day-goods.ts';

/** A batch of what nobody made here yet, L, and of butter, kg. */
const USUAL_LITRES = 2;
const USUAL_KG = 0.5;

/** A method to be chosen for a batch of a day, and how much of it is usually made here. */
export function useMethodChoice() {
  const { shown, kitchen } = useMethods();
  const [methodId, choose] = useState('yogurt');
  const { data: made = [] } = useMakesQuery();
  const method = shown.find(({ id }) => id === methodId)?.method;
  const weighed = method !== undefined && isWeighed(method.product);
  /** As much as last time, which the list of makes begins with. */
  const lastLitres = made.find((make) => make.methodId === methodId && make.litres > 0)?.litres;
  const last = lastLitres !== undefined && method ? amountOfLitres(method, kitchen, lastLitres) : undefined;
  return {
    methodId,
    choose,
    method,
    weighed,
    /** L, of what is weighed kg; `undefined` where it was never made. */
    last,
    usual: last ?? (weighed ? USUAL_KG : USUAL_LITRES),
    options: shown.map(({ id, method: own }) => ({
      value: id,
      label: `${PRODUCTS[own.product].label}: ${own.name}`,
    })),
  };
}
