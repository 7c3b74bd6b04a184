import type { KitchenSettings, LotFacts, MilkMovement } from '../contract/index.ts';
import {
  creamingOf,
  litresOnDay,
  massOfLitresKg,
  MILK_FACTS,
  settle,
  withFat,
} from '../science/milk/index.ts';
import { createRandom } from '../science/numerics/index.ts';
import { LANTERN_FOLD } from './demo-kitchen.ts';
import { DAY_MS, HOUR_MS } from '../science/units/index.ts';

const DAYS = 62;
/** What a litre of own milk costs the fold in hay and work, groats. */
const COST_PER_LITRE = 0.42;

/** What is true of an animal and what nobody in the demo is told. */
interface Giver {
  readonly name: string;
  readonly daysInMilk: number;
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly fat: number;
  /** Share of the day's milk at each milking, with its hour. */
  readonly milkings: readonly (readonly [hour: number, share: number])[];
}

const GIVERS: readonly Giver[] = [
  {
    name: 'Marrow',
    daysInMilk: 71,
    a: 3.4,
    b: 0.21,
    c: 0.0034,
    fat: 0.041,
    milkings: [
      [6, 0.54],
      [17, 0.46],
    ],
  },
  {
    name: 'Quillet',
    daysInMilk: 204,
    a: 2.4,
    b: 0.19,
    c: 0.003,
    fat: 0.039,
    milkings: [
      [6.2, 0.55],
      [17.2, 0.45],
    ],
  },
  { name: 'The ewes', daysInMilk: 88, a: 2.1, b: 0.22, c: 0.011, fat: 0.069, milkings: [[7, 1]] },
];

/** One movement of the demo; `lot` is the stream it belongs to. */
export interface DemoMovement {
  readonly lot: string;
  readonly atMs: number;
  readonly data: MilkMovement;
}

/** The kitchen's section of animals, as the demo begins. */
export function demoHerd(nowMs: number): KitchenSettings['herd'] {
  return LANTERN_FOLD.herd.map((member) => ({
    ...member,
    freshSince: new Date(
      nowMs - (GIVERS.find((g) => g.name === member.name)?.daysInMilk ?? 60) * DAY_MS,
    ).toISOString(),
  }));
}

const kindOf = (name: string): LotFacts['kind'] =>
  LANTERN_FOLD.herd.find((h) => h.name === name)?.kind ?? 'cow-lean';

/**
 * Two months of milkings, played from hidden curves: the older ones on record, the last ones in the jars; five
 * skimmings in the pot in the cold, three in the freezer, one churning weighed.
 * @param today midnight before it, where the fold is
 * @param newId makes identities
 */
export function demoMilk(nowMs: number, today: number, newId: (atMs: number) => string): DemoMovement[] {
  const random = createRandom(4711);
  const movements: DemoMovement[] = [];
  const say = (lot: string, atMs: number, data: MilkMovement): void => {
    if (atMs <= nowMs) movements.push({ lot, atMs: Math.round(atMs), data });
  };
  const litresAt = (giver: Giver, atMs: number, share: number): number => {
    const day = giver.daysInMilk - (nowMs - atMs) / DAY_MS;
    return Math.round(litresOnDay(giver, day) * share * Math.exp(0.07 * random.normal()) * 10) / 10;
  };
  const intake = (giver: Giver, atMs: number, litres: number, forRecord: boolean, name: string): string => {
    const lot = newId(atMs);
    say(lot, atMs, {
      kind: 'intake',
      lot: {
        name,
        source: giver.name,
        what: 'milk',
        kind: kindOf(giver.name),
        treatment: 'raw',
        homogenised: false,
        fatFraction: null,
        feed: 'hay',
        costPerLitre: COST_PER_LITRE,
        place: 'cold',
        placeC: null,
        container: null,
      },
      litres,
      typed: { value: litres, unit: 'L' },
      forRecord,
    });
    return lot;
  };

  // What is older than three days is eaten, sold and drunk: it is on record only.
  const stock: { giver: Giver; atMs: number; litres: number }[] = [];
  for (let back = DAYS; back >= 0; back--) {
    for (const giver of GIVERS) {
      for (const [hour, share] of giver.milkings) {
        const atMs = today - back * DAY_MS + hour * HOUR_MS + (random.uniform() - 0.5) * 0.5 * HOUR_MS;
        if (atMs > nowMs || giver.daysInMilk - (nowMs - atMs) / DAY_MS < 4) continue;
        const litres = litresAt(giver, atMs, share);
        if (nowMs - atMs > 3 * DAY_MS) intake(giver, atMs, litres, true, giver.name);
        else stock.push({ giver, atMs, litres });
      }
    }
  }

  /** A night's cream, weighed with a kitchen scale: the truth is not the book's. */
  const skimOf = (
    giver: Giver,
    lot: string,
    atMs: number,
    litres: number,
    hours: number,
  ): [string, number] => {
    const usual = MILK_FACTS[kindOf(giver.name)].composition;
    const of = withFat(usual, giver.fat);
    const layers = settle({
      composition: of,
      massKg: massOfLitresKg(litres, of),
      creaming: creamingOf(kindOf(giver.name), 'raw', false),
      hours,
      factor: 0.94,
    });
    const creamKg = Math.round(layers.creamKg * (0.96 + 0.08 * random.uniform()) * 1000) / 1000;
    const cream = newId(atMs);
    const rest = newId(atMs + 1);
    say(lot, atMs, {
      kind: 'skim',
      cream: { lotId: cream, name: `Cream of ${giver.name}` },
      rest: { lotId: rest, name: `Skimmed of ${giver.name}` },
      creamKg,
      fatFraction: Math.round(layers.creamFatFraction * 1000) / 1000,
      weighed: true,
      typed: { value: creamKg * 1000, unit: 'g' },
    });
    restOf.set(cream, rest);
    return [cream, creamKg];
  };
  const restOf = new Map<string, string>();
  const pool = (cream: string, atMs: number, massKg: number, pot: string, frozen: boolean): void =>
    say(cream, atMs, {
      kind: 'pool',
      into: frozen
        ? { lotId: pot, name: 'Frozen cream', place: 'freezer' }
        : { lotId: pot, name: 'Cream pot', place: 'cold' },
      massKg,
      soured: false,
      typed: null,
    });
  const toAnimals = (lot: string, atMs: number, litres: number): void =>
    say(lot, atMs, {
      kind: 'give',
      to: 'animals',
      massKg: litres,
      typed: { value: Math.round(litres * 1000), unit: 'g' },
      note: 'the hens',
    });

  // Weeks of skimmings in the freezer, and one churning that was weighed.
  const frozenPot = newId(today - 30 * DAY_MS);
  const cow = GIVERS[0]!;
  for (const back of [33, 24, 12]) {
    const atMs = today - back * DAY_MS + 17 * HOUR_MS;
    const litres = litresAt(cow, atMs, 0.46);
    const lot = intake(cow, atMs, litres, false, `${cow.name}, evening`);
    const [cream, creamKg] = skimOf(cow, lot, atMs + 14 * HOUR_MS, litres, 14);
    pool(cream, atMs + 14.1 * HOUR_MS, creamKg, frozenPot, true);
    toAnimals(
      restOf.get(cream)!,
      atMs + 20 * HOUR_MS,
      massOfLitresKg(litres, MILK_FACTS['cow-lean'].composition) - creamKg,
    );
  }
  {
    const atMs = today - 18 * DAY_MS + 17 * HOUR_MS;
    const litres = litresAt(cow, atMs, 0.46);
    const lot = intake(cow, atMs, litres, false, `${cow.name}, evening`);
    const [cream, creamKg] = skimOf(cow, lot, atMs + 15 * HOUR_MS, litres, 15);
    const truFat = 0.27;
    const butterKg = Math.round(((creamKg * (truFat - 0.006)) / (0.81 - 0.006)) * 1000) / 1000;
    const buttermilkKg = Math.round((creamKg - butterKg - 0.01) * 1000) / 1000;
    const grams = (massKg: number) => ({ value: Math.round(massKg * 1000), unit: 'g' }) as const;
    say(cream, atMs + 40 * HOUR_MS, {
      kind: 'churn',
      massKg: creamKg,
      butterKg,
      buttermilkKg,
      typed: grams(butterKg),
      typedCream: grams(creamKg),
      typedButtermilk: grams(buttermilkKg),
    });
    toAnimals(
      restOf.get(cream)!,
      atMs + 20 * HOUR_MS,
      massOfLitresKg(litres, MILK_FACTS['cow-lean'].composition) - creamKg,
    );
  }

  // The last three days: cows' milk skimmed into the pot until five portions are in it, the latest milkings in jars.
  const pot = newId(nowMs - 2 * DAY_MS);
  let portions = 0;
  for (const { giver, atMs, litres } of [...stock].sort((x, y) => x.atMs - y.atMs)) {
    const evening = (atMs - today + 4 * DAY_MS) % DAY_MS >= DAY_MS / 2;
    const label = `${giver.name}, ${evening ? 'evening' : 'morning'}`;
    const ageH = (nowMs - atMs) / HOUR_MS;
    const lot = intake(giver, atMs, litres, false, label);
    if (giver.name === 'The ewes') {
      // The stall takes the ewes' milk; the last one stands.
      if (ageH > 25)
        say(lot, atMs + 5 * HOUR_MS, {
          kind: 'give',
          to: 'used',
          massKg: massOfLitresKg(litres, MILK_FACTS.ewe.composition),
          typed: { value: litres, unit: 'L' },
          note: 'ewe crocks',
        });
      continue;
    }
    if (ageH > 23 && portions < 5) {
      const [cream, creamKg] = skimOf(giver, lot, atMs + 12.5 * HOUR_MS, litres, 12.5);
      pool(cream, atMs + 12.6 * HOUR_MS, creamKg, pot, false);
      portions++;
      const restKg = massOfLitresKg(litres, MILK_FACTS['cow-lean'].composition) - creamKg;
      if (portions < 5) toAnimals(restOf.get(cream)!, atMs + 13 * HOUR_MS, restKg);
      continue;
    }
    if (ageH > 23)
      toAnimals(lot, atMs + 10 * HOUR_MS, massOfLitresKg(litres, MILK_FACTS['cow-lean'].composition));
  }
  return movements.sort((x, y) => x.atMs - y.atMs);
}
