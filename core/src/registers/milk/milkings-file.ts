import { milkingRow, type MilkingRow } from '../../contract/index.ts';
import { litresOfMass, MILK_FACTS, MILK_KINDS, type MilkKind } from '../../science/milk/index.ts';
import { createTimeReader, partedOrder, timeShape, type BadRow } from '../../trace/index.ts';
import { isMassUnit, isVolumeUnit, toKilograms, toLitres, UNIT_LABEL } from '../../science/units/index.ts';

/** What a kind of milk is called in files, now and before. */
const namesOf = (kind: MilkKind): readonly string[] => {
  const label = MILK_FACTS[kind].label.toLowerCase();
  return [label, label.replace('shop milk, ', 'shop, ')];
};

/** The columns of a milkings file, as written out; the names on the right are read as well. */
export const MILKING_COLUMNS = [
  'date',
  'time',
  'source',
  'kind',
  'amount',
  'unit',
  'fat_percent',
  'note',
] as const;
type Column = (typeof MILKING_COLUMNS)[number];
const ALSO: Readonly<Record<string, Column>> = {
  day: 'date',
  clock: 'time',
  animal: 'source',
  herd: 'source',
  name: 'source',
  breed: 'kind',
  quantity: 'amount',
  litres: 'amount',
  liters: 'amount',
  fat: 'fat_percent',
  'fat %': 'fat_percent',
  remark: 'note',
  remarks: 'note',
};
/** Columns nothing can be read without. */
const NEEDED: readonly Column[] = ['date', 'source', 'amount'];
/** When only the day is known: in the middle of it. */
const UNKNOWN_TIME = '12:00';

/** What is read with: the kitchen's zone, its clock, and the animals it knows. */
export interface MilkingsContext {
  readonly zone: string;
  readonly nowMs: number;
  readonly herd: readonly { readonly name: string; readonly kind: MilkKind }[];
}

export interface MilkingsRead {
  readonly rows: readonly MilkingRow[];
  readonly bad: readonly BadRow[];
  /** What nobody can tell from the file alone. */
  readonly doubts: readonly string[];
}

/** Words for a unit as people and files write it. */
function unitOf(text: string): string | null {
  const plain = text.trim();
  if (plain === '' || /^(l|litres?|liters?)$/i.test(plain)) return 'L';
  if (/^(ml|millilitres?|milliliters?)$/i.test(plain)) return 'mL';
  const found = Object.entries(UNIT_LABEL).find(
    ([key, label]) =>
      key.toLowerCase() === plain.toLowerCase() || label.toLowerCase() === plain.toLowerCase(),
  );
  return found?.[0] ?? null;
}

/**
 * Reads a table of milkings: one row a milking, the first row its columns' names. Bad rows are told with their line
 * and their reason, and are left out; the others can be taken.
 * @param table cells by line, the first line the head
 */
export function readMilkings(
  table: readonly { readonly line: number; readonly cells: readonly string[] }[],
  context: MilkingsContext,
): MilkingsRead | { readonly fault: string } {
  const [head, ...body] = table;
  if (!head) return { fault: 'The file is empty.' };
  const columns = head.cells.map((cell): Column | null => {
    const name = cell.trim().toLowerCase();
    return MILKING_COLUMNS.find((c) => c === name) ?? ALSO[name] ?? null;
  });
  const missing = NEEDED.filter((name) => !columns.includes(name));
  if (missing.length > 0) {
    return {
      fault: `The first line must name the columns. Missing: ${missing.join(', ')}. Known columns: ${MILKING_COLUMNS.join(', ')}.`,
    };
  }
  const inLitres = head.cells.some((cell) => /^lit(re|er)s$/i.test(cell.trim()));
  const cellOf = (cells: readonly string[], name: Column): string => {
    const at = columns.indexOf(name);
    return at < 0 ? '' : (cells[at] ?? '').trim();
  };
  const dates = body.map(({ cells }) => cellOf(cells, 'date'));
  const parted = dates.find((d) => timeShape(d) === 'parted');
  const order = partedOrder(dates);
  const doubts: string[] = [];
  if (parted !== undefined && order === null)
    doubts.push(`“${parted}” is read as day, month, year, because the file does not say.`);
  const readers = {
    iso: createTimeReader('iso', { zone: context.zone, startMs: 0 }),
    parted: createTimeReader(order ?? 'day-month-year', { zone: context.zone, startMs: 0 }),
  };
  const rows: MilkingRow[] = [];
  const bad: BadRow[] = [];
  const lastKind = new Map<string, MilkKind>(context.herd.map((h) => [h.name.toLowerCase(), h.kind]));
  for (const { line, cells } of body) {
    if (cells.every((cell) => cell.trim() === '')) continue;
    const refuse = (why: string): void => void bad.push({ line, text: cells.join(' · ').slice(0, 80), why });
    const date = cellOf(cells, 'date');
    const shape = timeShape(date);
    const reader = shape === 'iso' || shape === 'parted' ? readers[shape] : null;
    const stamp = /\d:\d/.test(date) ? date : `${date} ${cellOf(cells, 'time') || UNKNOWN_TIME}`;
    const atMs = reader?.(stamp) ?? null;
    if (atMs === null) {
      refuse(date === '' ? 'has no date' : `“${stamp}” is not a date and time`);
      continue;
    }
    if (atMs > context.nowMs) {
      refuse(`“${stamp}” is in the future`);
      continue;
    }
    const source = cellOf(cells, 'source');
    if (source === '') {
      refuse('has no animal, herd or shop');
      continue;
    }
    const kindText = cellOf(cells, 'kind').toLowerCase();
    const kind =
      kindText === ''
        ? (lastKind.get(source.toLowerCase()) ?? 'cow-lean')
        : MILK_KINDS.find((k) => k === kindText || namesOf(k).includes(kindText));
    if (!kind) {
      refuse(`“${kindText}” is not a known kind of milk`);
      continue;
    }
    lastKind.set(source.toLowerCase(), kind);
    const amountText = cellOf(cells, 'amount');
    const amount = /^[+-]?\d+([.,]\d+)?$/.test(amountText)
      ? Number(amountText.replace(',', '.'))
      : Number.NaN;
    if (Number.isNaN(amount)) {
      refuse(amountText === '' ? 'has no amount' : `“${amountText}” is not a number`);
      continue;
    }
    if (amount <= 0) {
      refuse(`${amountText} is not an amount of milk`);
      continue;
    }
    const unitText = inLitres ? 'L' : cellOf(cells, 'unit');
    const unit = unitOf(unitText);
    const litres =
      unit === null
        ? null
        : isVolumeUnit(unit)
          ? toLitres(amount, unit)
          : isMassUnit(unit)
            ? litresOfMass(toKilograms(amount, unit), MILK_FACTS[kind].composition)
            : null;
    if (litres === null) {
      refuse(`“${unitText}” is not a known unit`);
      continue;
    }
    const fatText = cellOf(cells, 'fat_percent').replace('%', '').replace(',', '.').trim();
    const fat = fatText === '' ? null : Math.round(Number(fatText) * 1e4) / 1e6;
    const row = milkingRow.safeParse({
      line,
      at: new Date(atMs).toISOString(),
      source,
      kind,
      litres,
      fatFraction: fat,
      note: cellOf(cells, 'note'),
    });
    if (row.success) rows.push(row.data);
    else refuse(row.error.issues.map((i) => `${i.path.join('.')} ${i.message}`).join('; '));
  }
  return { rows, bad, doubts };
}
