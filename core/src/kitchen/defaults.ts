import { BURNER_EFFICIENCY, DEFAULT_BURNER_KW, PLACE_FACTS } from '../science/heat/index.ts';
import { kitchenOfToday } from './today.ts';
import type { KitchenChange, KitchenSettings, Prices } from '../contract/index.ts';

/** Fixed identities of the things every new kitchen starts with. */
const id = (n: number): string => `0000000000000000000000000${n}`;

/** What a kitchen has without being told; the other kinds are added by whoever has them. */
const USUAL_PLACES = [
  'appliance',
  'oven-lamp',
  'insulated-box',
  'towel',
  'thermos',
  'room',
  'oven-preheated',
] as const;

const PLACE_NAMES = {
  appliance: 'Yogurt maker',
  'oven-lamp': 'Oven, lamp on',
  'insulated-box': 'Insulated box',
  towel: 'Pot wrapped in towels',
  thermos: 'Thermos',
  room: 'On the counter',
  'oven-pilot': 'Oven with a pilot light',
  'oven-preheated': 'Oven, warmed up and off',
  'hot-pan': 'Beside a hot iron pan',
} as const;

const NO_PRICES: Prices = {
  energyPerKwh: null,
  saltPerKg: null,
  powderPerKg: null,
  starterPerKg: null,
  packetEach: null,
  handsPerHour: null,
  shop: [],
};

/** The pot of a kitchen that named none. */
const USUAL_POT = 'Pot';
/** What a pot is called within a sentence. @example potWords({ name: 'Pot' }) // 'the pot' */
export const potWords = ({ name }: { readonly name: string }): string =>
  name === USUAL_POT ? 'the pot' : name;

/** A kitchen nobody has told anything yet: nothing must be filled in before the first make. */
export function defaultKitchen(zone: string): KitchenSettings {
  return {
    units: { temperature: 'C', measures: 'metric' },
    site: { zone, altitudeM: 100, roomC: 20, shortcuts: true },
    pots: [{ id: id(1), name: USUAL_POT, litres: 5, lossFactor: 1 }],
    burners: [{ id: id(2), name: 'Burner', powerKw: DEFAULT_BURNER_KW, efficiency: BURNER_EFFICIENCY }],
    places: USUAL_PLACES.map((kind, i) => ({
      id: id(3 + i),
      name: PLACE_NAMES[kind],
      kind,
      ...(kind === 'appliance' ? { setPointC: 43, biasC: 0 } : {}),
      tauH: PLACE_FACTS[kind].tauH,
    })),
    cooks: [{ id: `0000000000000000000000000A`, name: 'Cook', sleepFrom: '22:30', sleepTo: '05:30' }],
    jars: [],
    thermometers: [],
    absences: [],
    herd: [],
    churns: [],
    prices: NO_PRICES,
    wanted: [],
  };
}

/** Folds the changes of a kitchen, oldest first: the latest change of each section counts. */
export function foldKitchen(start: KitchenSettings, changes: readonly KitchenChange[]): KitchenSettings {
  return kitchenOfToday(
    changes.reduce<KitchenSettings>(
      (settings, change) => ({ ...settings, [change.section]: change.value }),
      start,
    ),
  );
}
