import { describe, expect, test } from '@jest/globals';
import { beginPlan, defaultKitchen, goodsFor, planFromGood } from '@morning-crock/core';
import { goodLike } from '@morning-crock/core/fixtures';
import type { Good } from '@morning-crock/core/contract';
import { unitsOf } from '../../data/units-of.ts';
import { goodKeyOf, goodsGroups, leavesWords, planOfChoice, shortGoods } from './goods-group.ts';

const kitchen = defaultKitchen('UTC');
const units = unitsOf(kitchen);
const AT = '2026-03-02T10:00:00.000Z';
const madeMs = Date.parse(AT) - 2 * 86_400_000;
const butterOf = (n: number, name: string, massKg: number, makeId: string | null = null): Good => ({
  ...goodLike({ what: 'butter', name, makeId }),
  id: `01HGGGGGGGGGGGGGGGGGGGGG0${n}`,
  madeMs,
  putUpMs: madeMs,
  sizesKg: [massKg],
  putUpKg: massKg,
  stocks: [{ place: 'cold', size: 0, massKg, sinceMs: madeMs, used: [0, 0], thawed: false, thawFor: null }],
});
const STORED = butterOf(1, 'Stall butter', 0.5);
const CHURNED = butterOf(2, 'Butter from the pot', 0.4, '01HMMMMMMMMMMMMMMMMMMMMM01');
const here = { larder: [STORED], batches: [CHURNED], goods: [STORED, CHURNED] };
const ghee = beginPlan('ghee', kitchen, AT);
const fitting = (goods: readonly Good[]) => goodsFor(ghee, goods);

describe('what a plan can be made from', () => {
  test('stands in groups, the larder first; an empty group is none', () => {
    expect(
      goodsGroups(here, fitting, units).map(({ group, items }) => [group, items.map(({ label }) => label)]),
    ).toEqual([
      ['Larder', ['Stall butter, 500 g']],
      ['Batches under way', ['Butter from the pot, 400 g']],
    ]);
    expect(goodsGroups({ ...here, larder: [] }, fitting, units)).toHaveLength(1);
    expect(goodsGroups({ larder: [], batches: [], goods: [] }, fitting, units)).toEqual([]);
  });

  test('a choice is found again by what it says, and another choice is none of them', () => {
    const [, batches] = goodsGroups(here, fitting, units);
    const plan = planOfChoice(ghee, here.goods, batches!.items[0]!.value, Number.POSITIVE_INFINITY)!;
    expect(goodKeyOf(plan)).toBe(batches!.items[0]!.value);
    expect(plan.milk.goods![0]!.massKg).toBeCloseTo(0.4, 9);
    expect(planOfChoice(ghee, here.goods, 'bought', 1)).toBeNull();
  });
});

describe('what is said of it', () => {
  const made = (good: Good, kg: number) => planFromGood(ghee, { good, stock: good.stocks[0]! }, kg);

  test('more than there is of it is short by so much', () => {
    expect(shortGoods(made(STORED, 0.5), here.goods, units)).toBeNull();
    expect(shortGoods(made(STORED, 0.62), here.goods, units)).toBe(
      'Only 500 g of Stall butter is left: 120 g short.',
    );
    expect(shortGoods(ghee, here.goods, units)).toBeNull();
  });

  test('a batch that gives all it has is over; one that gives some goes on', () => {
    const said = (kg: number) => leavesWords(made(CHURNED, kg).milk.goods?.[0], here.batches, units);
    expect(said(0.4)).toBe('Starting this batch uses up Butter from the pot and finishes it.');
    expect(said(0.1)).toBe(
      'Starting this batch takes 100 g from Butter from the pot. The rest stays in that batch.',
    );
    // Of goods that stand in the larder there is no batch to speak of.
    expect(leavesWords(made(STORED, 0.5).milk.goods?.[0], here.batches, units)).toBeNull();
    expect(leavesWords(undefined, here.batches, units)).toBeNull();
  });
});
