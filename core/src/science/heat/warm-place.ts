/** Where milk incubates. Each relaxes the milk toward an ambient with its own time constant. */
export const WARM_PLACE_KINDS = [
  'appliance',
  'oven-lamp',
  'insulated-box',
  'towel',
  'thermos',
  'room',
  'oven-pilot',
  'oven-preheated',
  'hot-pan',
] as const;
export type WarmPlaceKind = (typeof WARM_PLACE_KINDS)[number];

export interface WarmPlace {
  readonly kind: WarmPlaceKind;
  /** Appliances only: what the dial says, °C. */
  readonly setPointC?: number | undefined;
  /** What it really holds minus what it says, or than its kind usually does, K. */
  readonly biasC?: number | undefined;
  /** Time constant for 2 litres, h. */
  readonly tauH: number;
  /** How far it may be off while nobody reads it, one σ, K; left out, as the book has its kind. */
  readonly biasSigmaC?: number | undefined;
}

interface PlaceFacts {
  readonly label: string;
  readonly tauH: number;
  /** Ambient above the room, K: all the time, or when it begins. */
  readonly aboveRoomC: number;
  /** What it was warmed to fades away so slowly, h; left out, it stays. */
  readonly fadesH?: number;
  /** Something hot, or a flame, that cloth and paper must not touch. */
  readonly burns?: true;
  /** An oven that somebody may heat without looking. */
  readonly oven?: true;
  /** Temperature bias when nobody measured, one σ, K. */
  readonly biasSigmaC: number;
}

/** Time constants at two litres [F: kitchen observation]; a bare pot in the room follows the same law. */
export const PLACE_FACTS: Readonly<Record<WarmPlaceKind, PlaceFacts>> = {
  appliance: { label: 'Appliance with a temperature setting', tauH: 0.75, aboveRoomC: 0, biasSigmaC: 1 },
  'oven-lamp': {
    label: 'Oven with the lamp on',
    tauH: 3,
    aboveRoomC: 15,
    burns: true,
    oven: true,
    biasSigmaC: 2,
  },
  'insulated-box': { label: 'Insulated box', tauH: 10, aboveRoomC: 0, biasSigmaC: 2 },
  towel: { label: 'Wrapped in two thick towels', tauH: 8, aboveRoomC: 0, biasSigmaC: 2 },
  thermos: { label: 'Thermos', tauH: 25, aboveRoomC: 0, biasSigmaC: 2 },
  room: { label: 'Unwrapped pot at room temperature', tauH: 1.8, aboveRoomC: 0, biasSigmaC: 2 },
  'oven-pilot': {
    label: 'Oven with a pilot light',
    tauH: 3,
    aboveRoomC: 18,
    burns: true,
    oven: true,
    biasSigmaC: 2,
  },
  'oven-preheated': {
    label: 'Oven, warmed up and switched off',
    tauH: 3,
    aboveRoomC: 30,
    fadesH: 2.5,
    burns: true,
    oven: true,
    biasSigmaC: 2.5,
  },
  'hot-pan': {
    label: 'Box or oven with a hot iron pan beside the pot',
    tauH: 5,
    aboveRoomC: 16,
    fadesH: 3,
    burns: true,
    biasSigmaC: 2.5,
  },
};

/** An appliance nobody has held a thermometer into, and one that was checked with water: σ, K [F]. */
export const APPLIANCE_SIGMA_C = { unchecked: 1.5, checked: 0.5 } as const;

/** A refrigerator, °C. */
export const FRIDGE_C = 4;
/** A household freezer, °C. */
export const FREEZER_C = -18;

/**
 * The temperature a place pulls the milk toward, °C.
 * @param hour since the milk came into it: what was only warmed up fades
 * @example placeAmbientC({ kind: 'oven-preheated', tauH: 3 }, 20, 2.5) // 31
 */
export function placeAmbientC(place: WarmPlace, roomC: number, hour = 0): number {
  if (place.kind === 'appliance') return (place.setPointC ?? 43) + (place.biasC ?? 0);
  const { aboveRoomC, fadesH } = PLACE_FACTS[place.kind];
  return (
    roomC +
    aboveRoomC * (fadesH === undefined ? 1 : Math.exp(-Math.max(0, hour) / fadesH)) +
    (place.biasC ?? 0)
  );
}

/** Whether a place keeps its warmth, or only fades from what it was warmed to. */
export const placeFades = ({ kind }: Pick<WarmPlace, 'kind'>): boolean =>
  PLACE_FACTS[kind].fadesH !== undefined;

/** Time constant for some litres: proportional to the cube root of the volume (surface to volume), h. */
export function placeTauH(place: WarmPlace, litres: number): number {
  return place.tauH * Math.cbrt(litres / 2);
}

/** Whether a place has heat of its own, that a check finds: an appliance, a lamp, a pilot light. */
export const placeWarms = ({ kind }: Pick<WarmPlace, 'kind'>): boolean =>
  kind === 'appliance' || (PLACE_FACTS[kind].aboveRoomC > 0 && !placeFades({ kind }));
