import { describe, expect, test } from '@jest/globals';
import { MINUTE_MS } from '../science/units/index.ts';
import { between, stoppedWithin } from './aims.ts';
import type { Exercise } from './exercise.ts';
import { lesson, PATIENT, START_MS } from './fixtures/players.ts';
import { measured } from './instruments.ts';
import { PERFECT, played, type Player } from './players.ts';
import { scoring, type BatchScore } from './score.ts';
import { momentAt, walkPractice } from './walk.ts';

function scoreOf({ batches, limitH }: Exercise, player: Player): BatchScore {
  const [batch] = batches;
  const { hands, outcome } = played(batch!, player, limitH);
  const run = scoring(batch!, hands, START_MS + outcome.minutes * MINUTE_MS, limitH);
  for (;;) {
    const step = run.next();
    if (step.done === true) return step.value;
    expect(step.value).toBeGreaterThanOrEqual(0);
    expect(step.value).toBeLessThanOrEqual(1);
  }
}

describe('a score that teaches', () => {
  test('who did all well is told so, and that nothing cost much', () => {
    const score = scoreOf(lesson('stop-in-time', 0), PERFECT);
    expect(score.won).toBe(true);
    expect(score.decisions).toEqual([]);
    for (const aim of score.aims) expect(aim.met).toBe(true);
  });

  test('who churned on is told how much earlier, and what that gives', () => {
    const late: Player = (seen) =>
      seen.moment.work === 'churn' && seen.moment.overMin < 4 ? [] : PERFECT(seen);
    const score = scoreOf(lesson('stop-in-time', 0), late);
    expect(score.won).toBe(false);
    const [dearest] = score.decisions;
    expect(dearest?.otherwise.kind).toBe('shifted');
    expect(dearest?.otherwise.kind === 'shifted' && dearest.otherwise.minutes).toBeLessThan(0);
    expect(dearest?.noun).toBe('churned on after the break');
    expect(dearest!.to!).toBeLessThan(dearest!.from!);
  });

  test('who never measured is told what would have helped, and when', () => {
    const score = scoreOf(lesson('cold-warmer', 0), PATIENT);
    const [dearest] = score.decisions;
    expect(dearest).toMatchObject({
      hand: null,
      otherwise: { kind: 'done', act: { kind: 'bath', to: 'warm' } },
    });
    expect(dearest!.gain).toBeGreaterThan(0.1);
    expect(score.aims.find(({ id }) => id === 'in-time')).toMatchObject({ met: false });
    expect(score.allowed.minutes).toBeLessThan(score.outcome.minutes);
  });

  test('no decision told makes anything else worse, and the dearest comes first', () => {
    const score = scoreOf(lesson('heat-and-hold', 0), (seen) =>
      seen.moment.flame === 'full'
        ? PERFECT(seen).filter((act) => act.kind === 'done')
        : [{ kind: 'flame', to: 'full' }],
    );
    expect(score.decisions.length).toBeGreaterThan(0);
    expect(score.decisions.length).toBeLessThanOrEqual(3);
    const gains = score.decisions.map(({ gain }) => gain);
    expect(gains).toEqual([...gains].sort((a, b) => b - a));
    expect(score.decisions[0]!.otherwise).toMatchObject({ kind: 'done', act: { kind: 'stir' } });
  });

  test('who stopped washing too soon and forgot the salt is told both', () => {
    const hasty: Player = (seen) =>
      PERFECT(seen).some((act) => act.kind === 'say' && act.said.type === 'salted') || seen.moment.rinses >= 2
        ? [{ kind: 'say', said: { type: 'step-done', data: { step: seen.state.current!.step.id } } }]
        : PERFECT(seen);
    const score = scoreOf(lesson('wash-and-salt', 0), hasty);
    const done = score.decisions.map(({ otherwise }) =>
      otherwise.kind === 'done' && otherwise.act.kind === 'told' ? otherwise.act.event.type : otherwise.kind,
    );
    expect(done.sort()).toEqual(['rinsed', 'salted']);
  });

  test('the replay is the true curve, from its beginning to its end', () => {
    const score = scoreOf(lesson('tired-starter', 0), PERFECT);
    expect(score.curve[0]!.atMs).toBe(0);
    expect(score.curve.at(-1)!.ph!).toBeLessThan(4.6);
    const times = score.curve.map(({ atMs }) => atMs);
    expect(times).toEqual([...times].sort((a, b) => a - b));
  });
});

describe('what is measured', () => {
  const { world } = lesson('cold-warmer', 0).batches[0]!;
  const walk = walkPractice(world, [], START_MS);
  const moment = momentAt(walk, START_MS + 90 * MINUTE_MS);

  test('a thermometer is near the truth, and the same for the same moment', () => {
    const read = measured(world, moment, 'thermometer');
    expect(read).toEqual(measured(world, moment, 'thermometer'));
    expect(read?.type === 'temperature-read' && Math.abs(read.data.celsius - moment.celsius)).toBeLessThan(
      1.5,
    );
  });

  test('one that reads high reads high', () => {
    const high = { ...world, truth: { ...world.truth, readsHighC: 5 } };
    const read = measured(high, moment, 'thermometer');
    expect(read?.type === 'temperature-read' && read.data.celsius - moment.celsius).toBeGreaterThan(3.5);
  });

  test('a strip tells halves, a finger in words, scales only of a cloth', () => {
    const strip = measured(world, moment, 'strip');
    expect(strip?.type === 'ph-read' && (strip.data.ph * 2) % 1).toBe(0);
    expect(measured(world, moment, 'finger')).toMatchObject({ type: 'heat-felt' });
    expect(measured(world, moment, 'scales')).toBeNull();
    expect(measured(world, { ...moment, ph: null }, 'meter')).toBeNull();
  });
});

describe('aims', () => {
  test('between two figures is near, outside less and less', () => {
    expect(between(5, 4, 6, 2)).toBe(1);
    expect(between(7, 4, 6, 2)).toBe(0.5);
    expect(between(9, 4, 6, 2)).toBe(0);
    expect(between(null, 4, 6, 2)).toBe(0);
  });

  test('what is not ended is never met', () => {
    const { outcome } = played(lesson('stop-in-time', 0).batches[0]!, PERFECT, 2);
    expect(stoppedWithin(1).near(outcome)).toBe(1);
    expect(stoppedWithin(1).near({ ...outcome, ended: false })).toBe(0.5);
  });
});
