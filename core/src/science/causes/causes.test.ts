import { describe, expect, it } from '@jest/globals';
import {
  answered,
  answersOf,
  CAUSE_IDS,
  CAUSES,
  CLUE_IDS,
  CLUES,
  cluesOf,
  COMPLAINT_IDS,
  COMPLAINTS,
  COMPLAINTS_OF,
  entropyBits,
  expectedBits,
  FAULTY_KINDS,
  priorsOf,
  weigh,
  whatWouldTell,
  type CauseId,
} from './index.ts';

const sum = (values: readonly number[]): number => values.reduce((all, value) => all + value, 0);

describe('the tables of what may go wrong', () => {
  it('gives every complaint causes that leave room for none of them', () => {
    for (const id of COMPLAINT_IDS) {
      const shares = Object.values(COMPLAINTS[id].causes);
      expect(sum(shares)).toBeGreaterThan(0.85);
      expect(sum(shares)).toBeLessThanOrEqual(1.0001);
      expect(sum(priorsOf(id, {}).map(({ share }) => share))).toBeCloseTo(1, 9);
    }
  });

  it('has a kind of thing for every complaint, and a complaint for every cause', () => {
    const offered = new Set(FAULTY_KINDS.flatMap((kind) => COMPLAINTS_OF[kind]));
    expect([...offered].sort()).toEqual([...COMPLAINT_IDS].sort());
    const blamed = new Set(COMPLAINT_IDS.flatMap((id) => Object.keys(COMPLAINTS[id].causes)));
    expect([...blamed].sort()).toEqual([...CAUSE_IDS].sort());
  });

  it('has answers whose shares add up to one, for every clue and every cause it tells of', () => {
    for (const id of CLUE_IDS) {
      const { answers, usual, tells } = CLUES[id];
      for (const shares of [usual, ...Object.values(tells)]) {
        expect(shares).toHaveLength(answers.length);
        expect(sum(shares)).toBeCloseTo(1, 9);
        expect(Math.min(...shares)).toBeGreaterThan(0);
      }
    }
  });

  it('can tell the causes of a complaint apart: each but those it shares with no clue changes some answer', () => {
    const silent = COMPLAINT_IDS.flatMap((id) =>
      (Object.keys(COMPLAINTS[id].causes) as CauseId[])
        .filter(
          (cause) =>
            Object.keys(COMPLAINTS[id].causes).length > 1 &&
            !cluesOf(id).some((clue) => CLUES[clue].tells[cause]),
        )
        .map((cause) => `${id}: ${cause}`),
    );
    // That it only needs time, no answer shows.
    expect(silent.filter((one) => !one.includes('not-yet'))).toEqual([]);
  });

  it('speaks in sentences with their temperatures in braces', () => {
    for (const id of CAUSE_IDS) {
      for (const words of [CAUSES[id].explained, CAUSES[id].next]) {
        expect(words).toMatch(/\.$/);
        expect(words).not.toMatch(/°/);
      }
      expect(CAUSES[id].title).not.toMatch(/\.$/);
    }
  });
});

describe('weighing', () => {
  it('comes to Bayes: prior times likelihood, over all', () => {
    const priors = priorsOf('skin', {});
    const posterior = weigh(priors, new Map(), new Map([['lid', answered('lid', 1)]]));
    const joint = priors.map(({ cause, share }) => share * answersOf('lid', cause)[1]!);
    for (const [i, { cause }] of priors.entries())
      expect(posterior.find((one) => one.cause === cause)!.share).toBeCloseTo(joint[i]! / sum(joint), 12);
  });

  it('does not mind the order of what becomes known', () => {
    const first: [Parameters<typeof answered>[0], number][] = [
      ['heated', 0],
      ['taken-out', 1],
      ['moved', 1],
    ];
    const known = (order: typeof first) => new Map(order.map(([id, a]) => [id, answered(id, a)] as const));
    const forward = weigh(priorsOf('thin', {}), new Map(), known(first));
    const backward = weigh(priorsOf('thin', {}), new Map(), known([...first].reverse()));
    expect(forward.map(({ cause }) => cause)).toEqual(backward.map(({ cause }) => cause));
    for (const [i, { share }] of forward.entries()) expect(share).toBeCloseTo(backward[i]!.share, 12);
  });

  it('comes to none of them when every clue of every cause says otherwise', () => {
    const known = new Map(
      cluesOf('burnt').map(
        (clue) => [clue, answered(clue, CLUES[clue].usual.indexOf(Math.max(...CLUES[clue].usual)))] as const,
      ),
    );
    expect(weigh(priorsOf('burnt', {}), new Map(), known)[0]!.cause).toBeNull();
  });

  it('never expects to lose by a question, and to gain all of it by one that decides', () => {
    for (const id of COMPLAINT_IDS) {
      const beliefs = priorsOf(id, {});
      for (const clue of cluesOf(id))
        expect(
          expectedBits(
            beliefs,
            beliefs.map(({ cause }) => answersOf(clue, cause)),
          ),
        ).toBeGreaterThanOrEqual(-1e-12);
    }
    const two = [
      { cause: 'ropy' as const, share: 0.5 },
      { cause: null, share: 0.5 },
    ];
    expect(
      expectedBits(two, [
        [1, 0],
        [0, 1],
      ]),
    ).toBeCloseTo(entropyBits([0.5, 0.5]), 12);
  });

  it('asks nothing that is known already', () => {
    const beliefs = priorsOf('thin', {});
    const [best] = whatWouldTell('thin', beliefs, new Map());
    const after = whatWouldTell('thin', beliefs, new Map([[best!.clue, answered(best!.clue, 0)]]));
    expect(after.map(({ clue }) => clue)).not.toContain(best!.clue);
  });

  it('lets what a kitchen settled before move the priors, slowly', () => {
    const share = (settled: readonly ('pot-scorched' | null)[]) =>
      priorsOf('ghee-bitter', { settled }).find(({ cause }) => cause === 'pot-scorched')!.share;
    expect(share([])).toBeLessThan(share(['pot-scorched']));
    expect(share(['pot-scorched']) - share([])).toBeLessThan(0.05);
    expect(share(Array.from({ length: 60 }, () => 'pot-scorched' as const))).toBeGreaterThan(0.75);
  });

  it('refuses an answer that is none', () => {
    expect(() => answered('heated', 3)).toThrow(RangeError);
  });
});
