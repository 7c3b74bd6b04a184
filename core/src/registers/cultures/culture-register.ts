import {
  PRODUCT_TAKES,
  type Culture,
  type CultureChange,
  type MakePlan,
  type MakeUnderWay,
} from '../../contract/index.ts';
import { keptKind } from '../../science/souring/index.ts';
import { effectiveEvents, feeding, instantOf, today, type LoggedEvent } from '../../log/index.ts';
import { methodSteps } from '../../products/index.ts';
import { isHeated } from '../../setup/index.ts';
import { childOf, cultureOf, placeOf, withLess } from './culture.ts';

/** The events cultures are folded from; those of makes tell where they went and what was kept. */
export const CULTURE_EVENTS = feeding('cultures');

/** A make as its cultures need it. */
interface MakeOf {
  readonly name: string;
  readonly plan: MakePlan;
  readonly startedMs: number;
  finished: boolean;
  /** Something of it was kept. */
  kept: boolean;
}

/** What a fold of the register works on. */
export interface CultureDraft {
  readonly cultures: Map<string, Culture>;
  readonly makes: Map<string, MakeOf>;
}

export type Cultures = {
  readonly cultures: ReadonlyMap<string, Culture>;
  readonly makes: ReadonlyMap<string, Readonly<MakeOf>>;
};

export function openCultures(cultures: readonly Culture[] = []): CultureDraft {
  return { cultures: new Map(cultures.map((c) => [c.id, c])), makes: new Map() };
}

export function copyCultures(draft: CultureDraft): CultureDraft {
  return {
    cultures: new Map(draft.cultures),
    makes: new Map([...draft.makes].map(([id, make]) => [id, { ...make }])),
  };
}

/** It opens a packet, rather than taking some of a living culture. */
const wakes = (plan: MakePlan): boolean => PRODUCT_TAKES[plan.product] === 'packet';

/** Something of it is put by for the next one: of a cheese or of kefir on grains there is not. */
const putsBy = (plan: MakePlan): boolean =>
  methodSteps(plan).some(({ facts }) => facts.endedBy === 'reserved');

/** Makes under way that were begun with a starter, and of which something is to be kept. */
export function makesUnderWay(all: Cultures): MakeUnderWay[] {
  return [...all.makes].flatMap(([id, { name, plan, startedMs, finished, kept }]) =>
    finished || plan.starter.kind === 'none' || wakes(plan) || !putsBy(plan)
      ? []
      : [{ id, name, startedMs, kept }],
  );
}

interface Moment {
  readonly eventId: string;
  readonly atMs: number;
}

type Handler<K extends CultureChange['kind']> = (
  draft: CultureDraft,
  own: Culture,
  data: Extract<CultureChange, { kind: K }>,
  moment: Moment,
) => Culture;

const put = (culture: Culture, place: Culture['stays'][0]['place'], fromMs: number): Culture => ({
  ...culture,
  stays: [...culture.stays, { fromMs, place }],
});

/** One entry a kind of change; each gives the culture as it is afterwards. */
const HANDLERS: { readonly [K in Exclude<CultureChange['kind'], 'taken-in'>]: Handler<K> } = {
  split: (draft, own, { into, massKg, backUp }, { atMs }) => {
    draft.cultures.set(
      into.cultureId,
      childOf(own, {
        id: into.cultureId,
        name: into.name,
        place: into.place,
        bornMs: atMs,
        massKg,
        backUp,
        // It is as old as what it came of.
        stays: [...own.stays, { fromMs: atMs, place: into.place }],
      }),
    );
    return withLess(own, massKg);
  },
  merge: (draft, own, { into, with: others, massKg }, { atMs }) => {
    const parents = [own, ...others.flatMap((id) => draft.cultures.get(id) ?? [])];
    draft.cultures.set(
      into.cultureId,
      childOf(own, {
        id: into.cultureId,
        name: into.name,
        place: into.place,
        bornMs: atMs,
        massKg,
        parents: parents.map((p) => p.id),
        // Mixed it is a line of its own: nothing learned of one of them need hold.
        lineId: into.cultureId,
        turn: Math.max(...parents.map((p) => p.turn)),
        heirloom: parents.every((p) => p.heirloom),
        rawMilk: parents.some((p) => p.rawMilk),
      }),
    );
    return own;
  },
  freeze: (_draft, own, _data, { atMs }) => put(own, 'freezer', atMs),
  revive: (_draft, own, { place }, { atMs }) => put(own, place, atMs),
  put: (_draft, own, { place }, { atMs }) => put(own, place, atMs),
  feed: (_draft, own, { massKg }, { atMs }) => {
    const place = own.stays.at(-1)!.place;
    return {
      ...own,
      fedMs: atMs,
      // Fresh milk: its keeping begins anew where it stands.
      stays: [{ fromMs: atMs, place }],
      ...(massKg === null ? {} : { massKg, weighings: [...own.weighings, [atMs, massKg]] }),
    };
  },
  weigh: (_draft, own, { massKg }, { atMs }) => ({
    ...own,
    massKg,
    weighings: [...own.weighings, [atMs, massKg]],
  }),
  sign: (_draft, own, { sign, note }, { atMs }) => ({ ...own, signs: [...own.signs, { sign, atMs, note }] }),
  discard: (_draft, own, { reason, note }, { atMs }) => ({ ...own, gone: { atMs, reason, note } }),
  rename: (_draft, own, { name }) => ({ ...own, name }),
};

function change(draft: CultureDraft, cultureId: string, data: CultureChange, moment: Moment): void {
  if (data.kind === 'taken-in') {
    draft.cultures.set(cultureId, cultureOf(cultureId, data.culture, moment.atMs));
    return;
  }
  const own = draft.cultures.get(cultureId);
  if (!own) return;
  const handler = HANDLERS[data.kind] as Handler<typeof data.kind>;
  draft.cultures.set(cultureId, handler(draft, own, data, moment));
}

/** A make took some of a culture. */
function use(
  draft: CultureDraft,
  makeId: string,
  massKg: number | null,
  packets: number | null,
  atMs: number,
): void {
  const make = draft.makes.get(makeId);
  const id = make?.plan.starter.cultureId;
  const culture = id === undefined ? undefined : draft.cultures.get(id);
  if (!make || !culture || culture.makes.some((m) => m.makeId === makeId)) return;
  draft.cultures.set(culture.id, {
    // Grains are strained out again: a make is fresh milk to them.
    ...(culture.kind === 'kefir-grains'
      ? { ...culture, fedMs: atMs, stays: [{ fromMs: atMs, place: placeOf(culture) }] }
      : withLess(culture, massKg)),
    makes: [...culture.makes, { makeId, name: make.name, atMs }],
    packet: culture.packet && {
      ...culture.packet,
      packetsLeft: Math.max(0, culture.packet.packetsLeft - (packets ?? 0)),
      opened:
        culture.packet.opened || ((packets ?? 0) % 1 !== 0 && culture.packet.packetsLeft > (packets ?? 0)),
    },
  });
}

/** Something of a make is kept: the next turn of its culture. */
function keep(
  draft: CultureDraft,
  makeId: string,
  data: {
    readonly massKg: number;
    readonly name?: string | undefined;
    readonly place?: Culture['stays'][0]['place'] | undefined;
  },
  { eventId, atMs }: Moment,
): void {
  const make = draft.makes.get(makeId);
  if (!make) return;
  make.kept = true;
  const kind = keptKind(make.plan.starter.kind);
  const parent = draft.cultures.get(make.plan.starter.cultureId ?? '');
  const unheated = make.plan.milk.treatment === 'raw' && !isHeated(make.plan);
  const place = data.place ?? 'cold';
  const name = data.name ?? parent?.name ?? make.name;
  const rawMilk = unheated || (parent?.rawMilk ?? false);
  if (parent) {
    draft.cultures.set(
      eventId,
      childOf(parent, {
        id: eventId,
        name,
        kind,
        place,
        bornMs: atMs,
        bornOf: makeId,
        massKg: data.massKg,
        rawMilk,
        turn: parent.turn + 1,
        heirloom: parent.heirloom,
      }),
    );
    return;
  }
  draft.cultures.set(eventId, {
    ...cultureOf(
      eventId,
      { name, kind, heirloom: false, source: null, place, massKg: data.massKg, packet: null, rawMilk },
      atMs,
    ),
    turn: 1,
    bornOf: makeId,
  });
}

/** Carries one effective event out. */
export function applyToCultures(draft: CultureDraft, sent: LoggedEvent): void {
  const event = today(sent);
  const moment: Moment = { eventId: event.id, atMs: instantOf(event) };
  switch (event.type) {
    case 'culture-changed':
      change(draft, event.streamId, event.data, moment);
      return;
    case 'make-started': {
      const { plan } = event.data;
      draft.makes.set(event.streamId, {
        name: plan.name,
        plan,
        startedMs: Date.parse(plan.startAt),
        finished: false,
        kept: false,
      });
      // A waking opens one packet.
      if (wakes(plan)) use(draft, event.streamId, null, 1, moment.atMs);
      return;
    }
    case 'starter-added': {
      const make = draft.makes.get(event.streamId);
      // What was parted off another make had its starter with that one.
      if (make?.plan.splitFrom !== undefined) return;
      const { massKg, statedRatio } = event.data;
      const stated = draft.cultures.get(make?.plan.starter.cultureId ?? '')?.packet?.statedLitres ?? null;
      const packets =
        statedRatio === null || stated === null ? null : (statedRatio * make!.plan.milk.litres) / stated;
      use(draft, event.streamId, massKg, packets, moment.atMs);
      return;
    }
    case 'reserved':
      keep(draft, event.streamId, event.data, moment);
      return;
    case 'finished': {
      const make = draft.makes.get(event.streamId);
      if (make) make.finished = true;
      return;
    }
    default:
  }
}

/**
 * Folds a kitchen's cultures: a family tree that draws itself from what its makes kept.
 * @param events any order, of any stream; what is nothing to cultures is passed over
 */
export function foldCultures(events: readonly LoggedEvent[]): CultureDraft {
  const draft = openCultures();
  for (const event of effectiveEvents(events)) applyToCultures(draft, event);
  return draft;
}
