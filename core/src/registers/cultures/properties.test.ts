import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Culture, CultureChange, CultureKind, MakePlan } from '../../contract/index.ts';
import { livingShare, STARTER_FACTS, type StarterKind } from '../../science/souring/index.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { brokenBy, faultsOf, type LoggedEvent } from '../../log/index.ts';
import { defaultPlan } from '../../products/index.ts';
import { createLedger, lotId, ZERO_MS } from '../../fixtures/index.ts';
import {
  agedNow,
  applyToCultures,
  copyCultures,
  cultureReplay,
  dueOf,
  foldCultures,
  isLive,
  layTree,
  makesUnderWay,
  startersFor,
  weightOfChange,
  withWeightOfChange,
  type Cultures,
} from './index.ts';
import { HOUR_MS } from '../../science/units/index.ts';

const kitchen = defaultKitchen('UTC');
const typed = { value: 1, unit: 'g' as const };
const KINDS = (Object.keys(STARTER_FACTS) as StarterKind[]).filter((k): k is CultureKind => k !== 'none');
const mass = fc.double({ min: 0.005, max: 0.5, noNaN: true });

/** What a person may do with a culture; the numbers say with which. */
type Step =
  | {
      readonly do: 'take-in';
      readonly kind: CultureKind;
      readonly massKg: number | null;
      readonly heirloom: boolean;
    }
  | { readonly do: 'change'; readonly which: number; readonly data: (n: number) => CultureChange }
  | { readonly do: 'make'; readonly which: number; readonly usedKg: number; readonly keptKg: number | null };

const change: fc.Arbitrary<(n: number) => CultureChange> = fc.oneof(
  mass.map((massKg) => (n: number): CultureChange => ({
    kind: 'split',
    into: { cultureId: lotId(`S${n}`), name: 'fork', place: 'freezer' },
    massKg,
    backUp: true,
  })),
  fc.constant((): CultureChange => ({ kind: 'freeze' })),
  fc.constant((): CultureChange => ({ kind: 'revive', place: 'cold' })),
  fc.constant((): CultureChange => ({ kind: 'put', place: 'room' })),
  mass.map((milkKg) => (): CultureChange => ({ kind: 'feed', milkKg, massKg: milkKg, typed })),
  mass.map((massKg) => (): CultureChange => ({ kind: 'weigh', massKg, typed })),
  fc.constant((): CultureChange => ({ kind: 'sign', sign: 'gas', note: '' })),
  fc.constant((): CultureChange => ({ kind: 'discard', reason: 'eaten', note: '' })),
  fc.constant((n: number): CultureChange => ({ kind: 'rename', name: `name ${n}` })),
);
const step: fc.Arbitrary<Step> = fc.oneof(
  fc.record({
    do: fc.constant('take-in' as const),
    kind: fc.constantFrom(...KINDS),
    massKg: fc.option(mass, { nil: null }),
    heirloom: fc.boolean(),
  }),
  fc.record({ do: fc.constant('change' as const), which: fc.nat(20), data: change }),
  fc.record({
    do: fc.constant('make' as const),
    which: fc.nat(20),
    usedKg: mass,
    keptKg: fc.option(mass, { nil: null }),
  }),
);

function planWith(culture: Culture): MakePlan {
  const plan = defaultPlan(kitchen, new Date(ZERO_MS).toISOString());
  const { id: cultureId, lineId, kind, turn } = culture;
  return { ...plan, starter: { ...plan.starter, kind, cultureId, lineId, turn } };
}

/** The log of any such life, as the checks let it through. */
const life = fc.array(step, { minLength: 1, maxLength: 18 }).map((steps) => {
  const ledger = createLedger();
  const say = (stream: string, event: Pick<LoggedEvent, 'type' | 'data'>): void => {
    const hour = ledger.events.length * 5;
    const tried = createLedger();
    tried.say(stream, hour, event);
    if (cultureReplay.fault(foldCultures(ledger.events), tried.events[0]!) === null)
      ledger.say(stream, hour, event);
  };
  for (const [n, s] of steps.entries()) {
    const known = [...foldCultures(ledger.events).cultures.values()];
    if (s.do === 'take-in') {
      const { kind, massKg, heirloom } = s;
      const culture = {
        name: `line ${n}`,
        kind,
        heirloom,
        source: null,
        place: 'cold',
        massKg,
        packet: null,
        rawMilk: false,
      } as const;
      say(lotId(`C${n}`), { type: 'culture-changed', data: { kind: 'taken-in', culture } });
      continue;
    }
    const own = known[s.which % Math.max(1, known.length)];
    if (!own) continue;
    if (s.do === 'change') {
      say(own.id, { type: 'culture-changed', data: s.data(n) });
      continue;
    }
    const make = lotId(`M${n}`);
    say(make, { type: 'make-started', data: { plan: planWith(own) } });
    say(make, { type: 'starter-added', data: { massKg: s.usedKg, statedRatio: null, typed: null } });
    if (s.keptKg !== null) say(make, { type: 'reserved', data: { massKg: s.keptKg, typed } });
  }
  return ledger.events;
});
const all = (events: readonly LoggedEvent[]): Culture[] => [...foldCultures(events).cultures.values()];

describe('any life of cultures', () => {
  test('has a family without rings: parents are older, a kept turn is one more than its parent’s', () => {
    fc.assert(
      fc.property(life, (events) => {
        const byId = new Map(all(events).map((c) => [c.id, c]));
        for (const culture of byId.values()) {
          for (const parentId of culture.parents) {
            const parent = byId.get(parentId)!;
            expect(parent.bornMs).toBeLessThanOrEqual(culture.bornMs);
            expect(culture.turn).toBe(parent.turn + (culture.bornOf === null ? 0 : 1));
            expect(culture.lineId).toBe(parent.lineId);
          }
          if (culture.parents.length === 0 && culture.bornOf === null) expect(culture.turn).toBe(0);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('never leaves less than nothing of any of them, and what was used is known', () => {
    fc.assert(
      fc.property(life, (events) => {
        for (const culture of all(events)) {
          if (culture.massKg !== null) expect(culture.massKg).toBeGreaterThanOrEqual(0);
          expect(new Set(culture.makes.map((m) => m.makeId)).size).toBe(culture.makes.length);
          expect(culture.stays.length).toBeGreaterThan(0);
          const living = livingShare(culture.kind, agedNow(culture, ZERO_MS + 2000 * HOUR_MS));
          expect(living).toBeGreaterThanOrEqual(0);
          expect(living).toBeLessThanOrEqual(1);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('folds the same in any order, and entry by entry', () => {
    fc.assert(
      fc.property(life, fc.nat(40), (events, cut) => {
        const whole = foldCultures(events);
        expect(foldCultures([...events].reverse()).cultures).toEqual(whole.cultures);
        const carried = copyCultures(foldCultures(events.slice(0, cut)));
        for (const event of events.slice(cut)) applyToCultures(carried, event);
        expect(carried.cultures).toEqual(whole.cultures);
      }),
      { numRuns: 50 },
    );
  });

  test('stands as it was checked, and bears an undo of its latest entry', () => {
    fc.assert(
      fc.property(life, (events) => {
        expect(faultsOf(cultureReplay, events).size).toBe(0);
        const last = events.at(-1);
        if (!last || last.type === 'make-started') return;
        const undo = {
          ...last,
          id: lotId('UNDO'),
          type: 'voided',
          data: { target: last.id },
          seq: undefined,
        };
        expect(brokenBy(cultureReplay, events, undo as LoggedEvent)).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  test('is drawn with a place of its own for each, to the right of its parents', () => {
    fc.assert(
      fc.property(life, (events) => {
        const nodes = layTree(all(events));
        expect(nodes).toHaveLength(all(events).length);
        expect(new Set(nodes.map((n) => `${n.column} ${n.row}`)).size).toBe(nodes.length);
        const column = new Map(nodes.map((n) => [n.culture.id, n.column]));
        for (const node of nodes)
          for (const parent of node.parents) expect(node.column).toBeGreaterThan(column.get(parent)!);
      }),
      { numRuns: 60 },
    );
  });

  test('offers for a make only what is alive and clean; what is due is about something that is there', () => {
    fc.assert(
      fc.property(life, (events) => {
        const state: Cultures = foldCultures(events);
        const cultures = [...state.cultures.values()];
        const offered = startersFor(cultures);
        expect(offered.every((c) => isLive(c))).toBe(true);
        const ids = new Set([...cultures.map((c) => c.id), ...state.makes.keys()]);
        const nowMs = ZERO_MS + 400 * HOUR_MS;
        for (const due of dueOf(cultures, makesUnderWay(state), nowMs)) {
          expect(ids.has(due.id)).toBe(true);
          expect(due.text).toMatch(/\.$/);
          const culture = state.cultures.get(due.id);
          if (culture) expect(isLive(culture)).toBe(true);
        }
      }),
      { numRuns: 60 },
    );
  });
});

test('an entry about a culture corrected to another amount is about that amount alone', () => {
  fc.assert(
    fc.property(change, fc.nat(9), mass, (build, n, massKg) => {
      const data = build(n);
      const next = withWeightOfChange(data, massKg, { value: massKg * 1000, unit: 'g' });
      expect(next.kind).toBe(data.kind);
      if (weightOfChange(data) === null) expect(next).toEqual(data);
      else expect(weightOfChange(next)).toBe(massKg);
    }),
  );
});
