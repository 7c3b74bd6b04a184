import type { Culture, CultureKind, MakeUnderWay } from '../../contract/index.ts';
import { isLive, placeOf } from './culture.ts';
import { DAY_MS, HOUR_MS } from '../../science/units/index.ts';

/** Something a culture wants, and by when. */
export interface Due {
  readonly kind: 'sign' | 'use-by' | 'use-within' | 'feed' | 'reserve' | 'refresh' | 'back-up';
  /** The culture, or for `reserve` the make. */
  readonly id: string;
  readonly name: string;
  readonly atMs: number;
  readonly text: string;
}

interface Strong {
  /** Days it is strong as a starter, and days after which nothing is promised. */
  readonly cold: readonly [number, number];
  /** Turns after which a fresh one is worth a thought; `null`: it goes on for ever. */
  readonly turns: number | null;
  /** Wants fresh milk every so many days, in the cold and at room heat. */
  readonly fed?: readonly [cold: number, room: number];
}

/** By kind [judgement]; source: docs/SCIENCE.md, vigour and keeping. */
export const STRONG: Readonly<Record<CultureKind, Strong>> = {
  'fresh-yogurt': { cold: [7, 14], turns: 5 },
  'dried-yogurt': { cold: [540, 720], turns: null },
  'cultured-buttermilk': { cold: [10, 14], turns: 5 },
  'milk-kefir': { cold: [7, 14], turns: 3 },
  'kefir-grains': { cold: [7, 14], turns: null, fed: [7, 1.5] },
  'yogurt-whey': { cold: [5, 7], turns: 2 },
  'sour-milk-whey': { cold: [5, 7], turns: 2 },
  'dried-mesophilic': { cold: [540, 720], turns: null },
};
const FROZEN_DAYS = 90;
/** A packet whose day is near is told so many days before. */
const TELL_BEFORE_DAYS = 21;
/** A make is reminded of so long after its start, when nothing of it was kept. */
const REMIND_AFTER_MS = 4 * HOUR_MS;

/** When a live culture should have been used by: strong until, and past which nothing is promised, ms. */
export function useWithin(culture: Culture): { readonly strongMs: number; readonly endMs: number } {
  const since = culture.fedMs ?? culture.bornMs;
  if (culture.packet) {
    const end = culture.packet.useByMs ?? since + STRONG[culture.kind].cold[1] * DAY_MS;
    return { strongMs: end, endMs: end };
  }
  if (placeOf(culture) === 'freezer') {
    const frozenMs = culture.stays.at(-1)!.fromMs;
    return { strongMs: frozenMs + FROZEN_DAYS * DAY_MS, endMs: frozenMs + 2 * FROZEN_DAYS * DAY_MS };
  }
  const [strong, end] = STRONG[culture.kind].cold;
  return { strongMs: since + strong * DAY_MS, endMs: since + end * DAY_MS };
}

type Rule = (culture: Culture, all: readonly Culture[], nowMs: number) => Due | null;

const own = (culture: Culture, kind: Due['kind'], atMs: number, text: string): Due => ({
  kind,
  id: culture.id,
  name: culture.name,
  atMs,
  text,
});

/** The youngest living one of a line that is not in the freezer. */
function youngest(all: readonly Culture[], lineId: string): Culture | undefined {
  return all
    .filter((c) => c.lineId === lineId && isLive(c) && placeOf(c) !== 'freezer')
    .sort((a, b) => b.bornMs - a.bornMs)[0];
}

/** One entry a rule. */
const RULES: readonly Rule[] = [
  (culture) => {
    const sign = culture.signs.at(-1);
    return sign
      ? own(
          culture,
          'sign',
          sign.atMs,
          'This culture shows a sign of contamination. Do not taste it. Discard it and clean everything.',
        )
      : null;
  },
  (culture, _all, nowMs) => {
    const useByMs = culture.packet?.useByMs;
    if (useByMs === null || useByMs === undefined || useByMs - nowMs > TELL_BEFORE_DAYS * DAY_MS) return null;
    return own(
      culture,
      'use-by',
      useByMs,
      useByMs < nowMs
        ? 'Past its use-by date. Weaker than the packet says.'
        : 'Nearly out of date. Use the packet soon, or expect it to be weaker.',
    );
  },
  (culture) => {
    const fed = STRONG[culture.kind].fed;
    if (!fed || placeOf(culture) === 'freezer') return null;
    const days = placeOf(culture) === 'room' ? fed[1] : fed[0];
    return own(culture, 'feed', (culture.fedMs ?? culture.bornMs) + days * DAY_MS, 'Needs fresh milk.');
  },
  (culture, all, nowMs) => {
    if (culture.packet || STRONG[culture.kind].fed) return null;
    // Only the youngest of a line is worth a word; a back-up has its own long time.
    if (placeOf(culture) !== 'freezer' && youngest(all, culture.lineId)?.id !== culture.id) return null;
    const { strongMs, endMs } = useWithin(culture);
    return own(
      culture,
      'use-within',
      strongMs,
      nowMs > endMs
        ? 'Too old to rely on. Use a larger dose or a fresh culture.'
        : culture.heirloom
          ? 'Make a new batch by then to keep the culture strong.'
          : 'At full strength until then.',
    );
  },
  (culture, all) => {
    const { turns } = STRONG[culture.kind];
    if (culture.heirloom || turns === null || culture.turn < turns) return null;
    if (youngest(all, culture.lineId)?.id !== culture.id) return null;
    return own(
      culture,
      'refresh',
      culture.bornMs,
      `Generation ${culture.turn}. Some makers start a fresh culture about now. Check how fast this one sets.`,
    );
  },
  (culture, all, nowMs) => {
    if (!culture.heirloom || culture.packet || youngest(all, culture.lineId)?.id !== culture.id) return null;
    const saved = all.some(
      (c) =>
        c.lineId === culture.lineId &&
        isLive(c) &&
        placeOf(c) === 'freezer' &&
        nowMs - c.stays.at(-1)!.fromMs < FROZEN_DAYS * DAY_MS,
    );
    return saved
      ? null
      : own(culture, 'back-up', nowMs, 'No recent back-up in the freezer. Freeze a spoonful.');
  },
];

/** Makes under way nothing of which was kept yet. */
function reserves(underWay: readonly MakeUnderWay[], nowMs: number): Due[] {
  return underWay
    .filter((make) => !make.kept && nowMs - make.startedMs >= REMIND_AFTER_MS)
    .map((make) => ({
      kind: 'reserve',
      id: make.id,
      name: make.name,
      atMs: make.startedMs + REMIND_AFTER_MS,
      text: 'Keep a spoonful for the next batch before you eat the rest.',
    }));
}

/** Everything that is due, the soonest first; never more than one line a culture and a reason. */
export function dueOf(cultures: readonly Culture[], underWay: readonly MakeUnderWay[], nowMs: number): Due[] {
  const found = cultures
    .filter(isLive)
    .flatMap((culture) => RULES.flatMap((rule) => rule(culture, cultures, nowMs) ?? []));
  return [...found, ...reserves(underWay, nowMs)].sort((a, b) => a.atMs - b.atMs);
}

/** What to do about a sign of contamination. */
export const SIGN_FACTS = {
  mould: { label: 'fuzzy or coloured mould', act: 'Discard all of it, even the part that looks clean.' },
  pink: { label: 'pink or orange streaks', act: 'Discard it. These streaks do not come from your culture.' },
  gas: { label: 'gas or bubbles in yogurt', act: 'Discard it. In kefir, bubbles are normal.' },
  foul: { label: 'putrid smell', act: 'Discard it without tasting.' },
  yeasty: {
    label: 'smell of yeast or beer',
    act: 'Discard yogurt or buttermilk with this smell. In kefir it is normal.',
  },
} as const;
