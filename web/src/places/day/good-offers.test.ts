import { expect, test } from '@jest/globals';
import type { ProductId } from '@morning-crock/core/contract';
import { goodOffers } from './good-offers.ts';

const offer = (id: string, product: ProductId) => ({ id, product });
const ALL = [
  offer('yogurt', 'yogurt'),
  offer('yogurt-strained', 'yogurt'),
  offer('skyr', 'skyr'),
  offer('kefir', 'kefir'),
  offer('clabber', 'clabber'),
  offer('brined', 'cheese'),
  offer('creamer', 'creamer'),
];
const made = (product: ProductId, methodId: string) => ({ product, methodId });

test('one offer a product, five at most', () => {
  const offers = goodOffers(ALL, []);
  expect(offers.map(({ product }) => product)).toEqual(['yogurt', 'skyr', 'kefir', 'clabber', 'cheese']);
});

test('what is made most often comes first, by the method it was made with last', () => {
  const offers = goodOffers(ALL, [
    made('creamer', 'creamer'),
    made('yogurt', 'yogurt-strained'),
    made('yogurt', 'yogurt'),
    made('creamer', 'creamer'),
    made('creamer', 'creamer'),
  ]);
  expect(offers.slice(0, 2).map(({ id }) => id)).toEqual(['creamer', 'yogurt-strained']);
});

test('a method that is not on offer gives way to one that is', () => {
  expect(goodOffers(ALL, [made('kefir', 'gone')]).map(({ id }) => id)[0]).toBe('kefir');
  expect(goodOffers([], [])).toEqual([]);
});
