import type { WakingPlan } from './cultures.ts';
import type { MethodSnapshot } from './methods.ts';
import type { MakePlan } from './plan.ts';
import { litresOfMass, MILK_FACTS } from '../science/milk/index.ts';

/** Milk is taken for shop milk: the packet says nothing of it. */
const KIND = 'shop-whole';
const MILK = MILK_FACTS[KIND].composition;
/** A packet in a small feed is many times its dose: the model is held to what was ever measured. */
const MOST_DOSE = 6;
/** The name of the nth step of a kind: "feed", "feed-2". */
export const nthStep = (kind: 'feed' | 'stand', n: number): string => (n === 1 ? kind : `${kind}-${n}`);
/** Milk of the nth feed, kg. */
export const feedKg = (choices: WakingPlan, n: number): number =>
  choices.feedsKg?.[n - 1] ?? choices.firstFeedKg * choices.growth ** (n - 1);

/** The step in which a culture soaks cold before its first feed. */
const SOAK = 'soak';

function methodOf(choices: WakingPlan): MethodSnapshot {
  const feeds = Array.from({ length: choices.feeds }, (_, i) => i + 1);
  return {
    id: 'waking',
    version: 1,
    steps: [
      ...(choices.soakH
        ? [
            {
              id: SOAK,
              kind: 'own' as const,
              title: 'Soak cold',
              doing: 'Stir the culture into a little cold milk. Cover it and leave it in the fridge.',
              handsMin: 4,
              waitMin: choices.soakH * 60,
              stands: 'cold' as const,
            },
          ]
        : []),
      ...feeds.flatMap((n): MethodSnapshot['steps'] => [
        { id: nthStep('feed', n), kind: 'feed', massKg: feedKg(choices, n), rest: choices.restBetween },
        { id: nthStep('stand', n), kind: 'stand' },
      ]),
      { id: 'reserve', kind: 'reserve' },
    ],
  };
}

/** What a waking's own choices say nothing about: the room, the height, and who is there when. */
type Around = Pick<MakePlan, 'burner' | 'roomC' | 'altitudeM' | 'presence' | 'roomByUtcHour'>;
const ANYWHERE: Around = {
  burner: { id: '00000000000000000000000000', name: 'a burner', powerKw: 1.8, efficiency: 0.5 },
  roomC: 20,
  altitudeM: 0,
};

/**
 * The make that a waking is: feeds and stands one after another, each feed some times the one before.
 * @param around left out for what was begun before a waking was a make like any other: it never said
 */
export function makePlanOfWaking(choices: WakingPlan, around: Around = ANYWHERE): MakePlan {
  const { firstFeedKg, kind, celsius, treatment, cultureId } = choices;
  const inAllKg = Array.from({ length: choices.feeds }, (_, i) => feedKg(choices, i + 1)).reduce(
    (sum, kg) => sum + kg,
    0,
  );
  const litres = litresOfMass(inAllKg, MILK);
  const packets = (choices.packetLitres ?? 1) / litresOfMass(firstFeedKg, MILK);
  return {
    product: 'waking',
    method: methodOf(choices),
    name: choices.name,
    milk: {
      litres,
      typed: { value: litres, unit: 'L' },
      kind: KIND,
      treatment,
      fatFraction: null,
      startC: 5,
    },
    wanted: { sourness: 'mild', thickness: 'spoonable' },
    starter: {
      kind,
      ageD: null,
      massKg: null,
      statedRatio: Math.min(MOST_DOSE, packets),
      typed: { value: 1, unit: 'packet' },
      ...(cultureId === null ? {} : { cultureId }),
    },
    // Ultra-heated milk needs no scalding.
    heat: { kind: treatment === 'ultra-heated' ? 'none' : 'touch', targetC: 82, holdMin: 0 },
    inoculateC: celsius,
    pot: {
      id: '00000000000000000000000000',
      name: 'a jar',
      litres: Math.min(100, Math.max(0.1, litres * 1.2)),
      lidded: true,
      lossFactor: 1,
    },
    place: {
      id: '00000000000000000000000000',
      name: 'the waking place',
      kind: 'appliance',
      setPointC: celsius,
      tauH: 1,
    },
    startAt: choices.startAt,
    repeatOf: null,
    ...around,
  };
}

/** Whether feeds grow by one share all along. */
function evenly(feedsKg: readonly number[]): boolean {
  const growth = (feedsKg[1] ?? 0) / feedsKg[0]!;
  return feedsKg.every(
    (kg, i) => i === 0 || (growth >= 1 && Math.abs(kg / feedsKg[i - 1]! / growth - 1) < 1e-6),
  );
}

/** The choices a waking was planned by; `null` for the plan of anything else. The carton's size is not kept with it. */
export function choicesOfWaking(plan: MakePlan): WakingPlan | null {
  const feeds = plan.method.steps.filter((step) => step.kind === 'feed');
  const [first, second] = feeds;
  const soak = plan.method.steps.find(({ id }) => id === SOAK);
  const { kind, cultureId, statedRatio } = plan.starter;
  if (!first || (kind !== 'dried-yogurt' && kind !== 'dried-mesophilic')) return null;
  return {
    name: plan.name,
    cultureId: cultureId ?? null,
    kind,
    packetLitres: (statedRatio ?? 1) * litresOfMass(first.massKg, MILK),
    treatment: plan.milk.treatment,
    cartonLitres: 1,
    firstFeedKg: first.massKg,
    growth: second ? Math.min(6, Math.max(1, second.massKg / first.massKg)) : 1,
    feeds: feeds.length,
    ...(evenly(feeds.map(({ massKg }) => massKg)) ? {} : { feedsKg: feeds.map(({ massKg }) => massKg) }),
    ...(soak?.kind === 'own' ? { soakH: soak.waitMin / 60 } : {}),
    celsius: plan.inoculateC,
    restBetween: first.rest,
    startAt: plan.startAt,
  };
}
