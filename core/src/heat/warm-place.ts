/** Where milk incubates. Each relaxes the milk toward an ambient with its own time constant. */
export const WARM_PLACE_KINDS = [
  'appliance',
  'oven-lamp',
  'insulated-box',
  'towel',
  'thermos',
  'room',
] as const;
export type WarmPlaceKind = (typeof WARM_PLACE_KINDS)[number];

export interface WarmPlace {
  readonly kind: WarmPlaceKind;
  /** Appliances only: what the dial says, °C. */
  readonly setPointC?: number | undefined;
  /** Appliances only: what it really holds minus what it says, K. */
  readonly biasC?: number | undefined;
  /** Time constant for 2 litres, h. */
  readonly tauH: number;
}

interface PlaceFacts {
  readonly label: string;
  readonly tauH: number;
  /** Ambient above the room, K. */
  readonly aboveRoomC: number;
  /** Temperature bias when nobody measured, one σ, K. */
  readonly biasSigmaC: number;
}

/** Time constants at two litres [F: kitchen observation]; a bare pot in the room follows the same law. */
export const PLACE_FACTS: Readonly<Record<WarmPlaceKind, PlaceFacts>> = {
  appliance: { label: 'Appliance with a temperature setting', tauH: 0.75, aboveRoomC: 0, biasSigmaC: 1 },
  'oven-lamp': { label: 'Oven with the lamp on', tauH: 3, aboveRoomC: 15, biasSigmaC: 2 },
  'insulated-box': { label: 'Insulated box', tauH: 10, aboveRoomC: 0, biasSigmaC: 2 },
  towel: { label: 'Wrapped in towels', tauH: 4, aboveRoomC: 0, biasSigmaC: 2 },
  thermos: { label: 'Thermos', tauH: 25, aboveRoomC: 0, biasSigmaC: 2 },
  room: { label: 'Unwrapped pot at room temperature', tauH: 1.8, aboveRoomC: 0, biasSigmaC: 2 },
};

/** A refrigerator, °C. */
export const FRIDGE_C = 4;
/** A household freezer, °C. */
export const FREEZER_C = -18;

/** The temperature a place pulls the milk toward, °C. */
export function placeAmbientC(place: WarmPlace, roomC: number): number {
  if (place.kind === 'appliance') return (place.setPointC ?? 43) + (place.biasC ?? 0);
  return roomC + PLACE_FACTS[place.kind].aboveRoomC;
}

/** Time constant for some litres: proportional to the cube root of the volume (surface to volume), h. */
export function placeTauH(place: WarmPlace, litres: number): number {
  return place.tauH * Math.cbrt(litres / 2);
}
