import type { KitchenSettings, MakePlan, ProductId, Thickness } from '../contract/index.ts';
import type { StarterKind } from '../science/souring/index.ts';
import type { KeepsAs, PoursAs } from './keeps.ts';
import type { Goods } from '../steps/index.ts';

/** What goes from a make into the milk room: the product itself, or what is left of it. */
export interface Gives {
  readonly role: 'cream' | 'buttermilk' | 'whey';
  /** How the lot is called. */
  readonly name: (plan: MakePlan) => string;
}

/**
 * The plan a new make begins with: everything filled in but what the maker wants to turn.
 * @param startAt instant in UTC
 * @param about litres, rounded to what the kitchen's measures can say
 */
export type Begin = (kitchen: KitchenSettings, startAt: string, about?: number) => MakePlan;

/** All that is known of one kind of thing that is made, but for how a plan of it begins (`begin/`). */
export interface Product {
  readonly id: ProductId;
  readonly label: string;
  /** How a recipe from elsewhere calls it; left out, none does. */
  readonly calledBy?: RegExp;
  /** What it is, in a line, where it is chosen. */
  readonly line: string;
  readonly goods: Goods;
  /** Its methods are kinds of it: a batch is called by its method, where others are called by the product. */
  readonly calledByMethod?: true;
  /** How thick it is wanted, where that is not the yogurt’s. */
  readonly thickness?: Thickness;
  /** What most people come for: offered first, and large. */
  readonly usual?: true;
  /** The pattern brushed on its crock, and how what is in it looks when it is drawn for its own sake. */
  readonly drawn: {
    readonly brush: 'waves' | 'sprigs' | 'cord' | 'buds' | 'flames' | 'reeds' | 'nets' | 'stars';
    readonly as: 'set' | 'thick' | 'lump' | 'gold' | 'poured' | 'wheel';
  };
  /** What of the larder it can be made from; left out, nothing. */
  readonly madeFrom?: readonly PoursAs[];
  /** What it is soured with, the usual first; empty when nothing sours in it. */
  readonly starters: readonly StarterKind[];
  /** How long it keeps, when nothing more is known of it. */
  readonly keeps: KeepsAs;
  /** What becomes of its weighings in the milk room; left out, it leaves the milk room for good. */
  readonly gives?: { readonly out?: Gives; readonly buttermilk?: Gives; readonly whey?: Gives };
}
