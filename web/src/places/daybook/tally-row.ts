import type { Tally } from '@morning-crock/core';
import { inTable, type Cell } from '../../parts/print/table-file.ts';

/** What of some makes goes into a table file. */
export const TALLY_COLUMNS = [
  'makes',
  'litres_in',
  'kg_out',
  'cost',
  'cost_per_kg',
  'saved',
  'minutes_of_hands',
  'kwh',
] as const;

/** Some makes added up as cells under `TALLY_COLUMNS`. */
export const tallyRow = (t: Tally): Cell[] => [
  t.makes,
  inTable(t.litres),
  inTable(t.kgOut),
  t.costed > 0 ? inTable(t.cost) : null,
  inTable(t.costPerKg),
  inTable(t.saved),
  inTable(t.handsMin),
  inTable(t.energyKwh),
];
