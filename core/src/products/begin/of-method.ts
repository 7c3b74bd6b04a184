import { CHURN_FACTS } from '../../science/butter/index.ts';
import type { KitchenSettings, MakePlan, Method, StepInstance } from '../../contract/index.ts';
import { STARTER_FACTS } from '../../science/souring/index.ts';
import { boilingPointC, usualFlame } from '../../science/heat/index.ts';
import { batchOf } from '../../setup/index.ts';
import { massOfLitresKg, MILK_FACTS } from '../../science/milk/index.ts';
import { STEP_TYPES } from '../../steps/index.ts';
import { defaultKitchen, kitchenOfToday } from '../../kitchen/index.ts';
import { typedMass } from '../../science/units/index.ts';
import { PRODUCTS } from '../catalogue.ts';
import { SHIPPED_METHODS } from '../methods/index.ts';

const gram = (kg: number): number => Math.round(kg * 1000) / 1000;

/** The kitchen's first place of a kind; one that it has not got is put up as the book knows it. */
function placeOf(kitchen: KitchenSettings, wanted: NonNullable<Method['aims']['place']>): MakePlan['place'] {
  const is = (place: { readonly kind: string }): boolean => place.kind === wanted.kind;
  const place =
    kitchen.places.find(is) ??
    kitchenOfToday(defaultKitchen(kitchen.site.zone)).places.find(is) ??
    kitchen.places[0]!;
  if (wanted.setPointC === undefined || place.kind !== 'appliance') return place;
  return { ...place, setPointC: wanted.setPointC };
}

function withMilk(milk: MakePlan['milk'], aims: Method['aims']['milk']): MakePlan['milk'] {
  const {
    kind = milk.kind,
    treatment = milk.treatment,
    startC = milk.startC,
    soured,
    wholeCurd,
  } = aims ?? {};
  return {
    ...milk,
    kind,
    treatment,
    startC,
    fatFraction: aims?.fatFraction ?? milk.fatFraction,
    ...(soured === undefined ? {} : { soured }),
    ...(wholeCurd === undefined ? {} : { wholeCurd }),
  };
}

/** A churn that only says what kind it is, is the kitchen's own of that kind; by hand, any that hands turn. */
function withOwnChurn(step: StepInstance, { churns }: KitchenSettings): StepInstance {
  if (step.kind !== 'churn' || step.name !== CHURN_FACTS[step.churn].label) return step;
  const kindOf = (churn: KitchenSettings['churns'][number]) => churn.kind ?? 'crank';
  const byHand = !CHURN_FACTS[step.churn].motor;
  const own =
    churns.find((churn) => kindOf(churn) === step.churn) ??
    (byHand ? churns.find((churn) => !CHURN_FACTS[kindOf(churn)].motor) : undefined);
  if (!own) return step;
  return {
    ...step,
    churn: kindOf(own),
    name: own.name,
    litres: own.litres,
    ...(own.settings ? { setting: { at: Math.ceil(own.settings / 2), of: own.settings } } : {}),
  };
}

/** High up milk boils before it gets to where a method wants it: then just below that. */
function reachable(heat: MakePlan['heat'], altitudeM: number): MakePlan['heat'] {
  const most = Math.floor(boilingPointC(altitudeM) - 1);
  return heat.kind !== 'boil' && heat.kind !== 'none' && heat.targetC > most
    ? { ...heat, targetC: most }
    : heat;
}

/**
 * What a batch is called: as its product, where many ways lead to the same thing; by its method, where that is a thing of
 * its own, or has a name that the kitchen gave.
 * @example batchName(brined) // 'Brined cheese'; of yogurt held hot: 'Yogurt'
 */
function batchName({ id, name, product }: Method): string {
  const { label, calledByMethod } = PRODUCTS[product];
  const shipped = SHIPPED_METHODS.some((method) => method.id === id && method.name === name);
  return shipped && !calledByMethod ? label : name;
}

/**
 * The plan of a method in a kitchen: what it decides laid over what the kitchen usually does.
 * @param base how a plan of its product begins here
 */
export function planByMethod(base: MakePlan, method: Method, kitchen: KitchenSettings): MakePlan {
  const { aims } = method;
  const measures = kitchen.units.measures;
  const plan: MakePlan = {
    ...base,
    product: method.product,
    name: batchName(method),
    method: {
      id: method.id,
      version: method.version,
      name: method.name,
      steps: method.steps.map((step) => withOwnChurn(step, kitchen)),
    },
    milk: withMilk(base.milk, aims.milk),
    ...(aims.heat
      ? { heat: reachable({ flame: usualFlame(aims.heat.kind), ...aims.heat }, base.altitudeM) }
      : {}),
    ...(aims.inoculateC === undefined ? {} : { inoculateC: aims.inoculateC }),
    ...(aims.place ? { place: placeOf(kitchen, aims.place) } : {}),
    wanted: {
      ...base.wanted,
      ...(PRODUCTS[method.product].thickness && { thickness: PRODUCTS[method.product].thickness }),
      ...(aims.sourness && { sourness: aims.sourness }),
    },
    ...(aims.cooling && aims.cooling !== 'counter'
      ? {
          cooling: {
            kind: aims.cooling,
            waterLitres: Math.max(2, 2 * base.milk.litres),
            waterC: 14,
            iceKg: aims.cooling === 'iced-bath' ? Math.round(5 * base.milk.litres) / 10 : 0,
            stirred: true,
          },
        }
      : {}),
  };
  if (aims.powderShare !== undefined && aims.powderShare > 0) {
    const massKg = gram(
      aims.powderShare * massOfLitresKg(plan.milk.litres, MILK_FACTS[plan.milk.kind].composition),
    );
    plan.milk = { ...plan.milk, powder: { kind: 'skim', massKg, typed: typedMass(massKg, measures) } };
  }
  // What is turned again and again is turned when somebody is up.
  if (method.steps.some((step) => STEP_TYPES[step.kind].everyMin))
    plan.presence = {
      zone: kitchen.site.zone,
      cooks: kitchen.cooks.slice(0, 12),
      absences: kitchen.absences,
    };
  const milkKg = batchOf(plan).massKg;
  if (aims.starter) {
    const { kind, share, statedRatio, also } = aims.starter;
    const byMass = STARTER_FACTS[kind].dosing === 'mass';
    const massKg = byMass ? Math.max(0.001, gram((share ?? 0) * milkKg)) : null;
    plan.starter = {
      kind,
      ageD: null,
      massKg,
      statedRatio: STARTER_FACTS[kind].dosing === 'stated' ? (statedRatio ?? 1) : null,
      typed: massKg === null ? null : typedMass(massKg, measures),
    };
    if (also) {
      const alsoKg = Math.max(0.001, gram(also.share * milkKg));
      plan.starter.also = { kind: also.kind, ageD: null, massKg: alsoKg, typed: typedMass(alsoKg, measures) };
    }
  }
  return plan;
}
