import type { CultureChange, CultureFacts } from '../contract/index.ts';
import { DAY_MS } from '../science/units/index.ts';

/** One entry about a culture of the demo; `culture` is the stream it belongs to. */
export interface DemoCultureEntry {
  readonly culture: string;
  readonly atMs: number;
  readonly data: CultureChange;
}

/** The cultures the fold has besides what its makes keep. */
export interface DemoCultures {
  readonly entries: readonly DemoCultureEntry[];
  /** The heirloom every turn comes of. */
  readonly rootId: string;
}

const facts = (name: string, over: Partial<CultureFacts>): CultureFacts => ({
  name,
  kind: 'fresh-yogurt',
  heirloom: false,
  source: null,
  place: 'cold',
  massKg: null,
  packet: null,
  rawMilk: false,
  ...over,
});

/** An heirloom from a neighbour, grains that are fed each week and grow, and two sorts of packets. */
export function demoCultures(nowMs: number, newId: (atMs: number) => string): DemoCultures {
  const at = (daysAgo: number): number => Math.round(nowMs - daysAgo * DAY_MS);
  const entries: DemoCultureEntry[] = [];
  const rootId = newId(at(95));
  entries.push({
    culture: rootId,
    atMs: at(95),
    data: {
      kind: 'taken-in',
      culture: facts('Hearthside', { heirloom: true, source: 'a neighbour’s crock', massKg: 0.31 }),
    },
  });
  const grains = newId(at(41));
  entries.push({
    culture: grains,
    atMs: at(41),
    data: { kind: 'taken-in', culture: facts('Sill grains', { kind: 'kefir-grains', massKg: 0.038 }) },
  });
  for (const [i, day] of [34, 27, 20, 13, 6].entries()) {
    const massKg = Math.round(38 * 1.045 ** (7 * (i + 1) * 0.35)) / 1000;
    entries.push({
      culture: grains,
      atMs: at(day),
      data: { kind: 'feed', milkKg: 0.52, massKg, typed: { value: massKg * 1000, unit: 'g' } },
    });
  }
  entries.push({
    culture: newId(at(180)),
    atMs: at(180),
    data: {
      kind: 'taken-in',
      culture: facts('Loft heirloom, dried', {
        kind: 'dried-mesophilic',
        heirloom: true,
        source: 'the winter swap',
        packet: {
          lot: 'W-11',
          useBy: new Date(at(-9)).toISOString(),
          statedLitres: 1,
          packets: 2,
          openedLeft: 0,
        },
      }),
    },
  });
  entries.push({
    culture: newId(at(70)),
    atMs: at(70),
    data: {
      kind: 'taken-in',
      culture: facts('Spare sachets', {
        kind: 'dried-yogurt',
        place: 'freezer',
        packet: {
          lot: '0417',
          useBy: new Date(at(-310)).toISOString(),
          statedLitres: 2,
          packets: 5,
          openedLeft: 0.5,
        },
      }),
    },
  });
  return { entries, rootId };
}
