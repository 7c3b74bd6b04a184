import { describe, expect, test } from '@jest/globals';
import { defaultKitchen } from '../kitchen/index.ts';
import { defaultPlan } from '../products/index.ts';
import { COMPLAINT_IDS, COMPLAINTS } from '../science/causes/index.ts';
import { SUM_OUTPUTS } from './schemas.ts';
import { answerSum } from './index.ts';

const PLAN = defaultPlan(defaultKitchen('UTC'), '2026-03-02T06:00:00.000Z');
const USUAL = {
  plan: PLAN,
  since: '2026-03-02T10:00:00.000Z',
  now: '2026-03-02T17:00:00.000Z',
  complaint: 'not-set',
};
function ask(input: object) {
  const answer = answerSum('why', JSON.stringify(input));
  if (!answer.ok) throw new Error(answer.message);
  return SUM_OUTPUTS.why.parse(answer.json);
}
function fault(input: object): string {
  const answer = answerSum('why', JSON.stringify(input));
  return answer.ok ? '' : answer.message;
}

describe('what went wrong, at the command line', () => {
  test('a plan and a complaint in: causes, the best question, rescues out', () => {
    const out = ask(USUAL);
    expect(out.causes.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(out.causes.map(({ cause }) => cause)).toContain('none');
    expect(out.ask).toMatchObject({ reading: 'temperature', clue: null });
    expect(out.rescues.length).toBeGreaterThan(1);
    expect(out.limitAt! > USUAL.now).toBe(true);
    expect(out.stillGood).toBe(COMPLAINTS['not-set'].stillGood);
  });

  test('what it turned out to be before moves it; answers too', () => {
    const share = (more: object) => ask({ ...USUAL, ...more }).causes.find((c) => c.cause === 'phage')!.share;
    expect(share({ settled: Array.from({ length: 30 }, () => 'phage') })).toBeGreaterThan(3 * share({}));
    const hot = ask({ ...USUAL, answers: { 'hot-when-added': 1 } });
    expect(hot.causes[0]!.cause).toBe('too-hot');
    expect(hot.next).toContain('45 °C');
  });

  test('every complaint has an answer without a log, and what is to be discarded says so', () => {
    for (const complaint of COMPLAINT_IDS) {
      const out = ask({ plan: PLAN, now: USUAL.now, complaint });
      expect(out.causes.length).toBeGreaterThan(1);
      expect(out.discard !== null).toBe(COMPLAINTS[complaint].discard !== undefined);
      expect(JSON.stringify(out)).not.toMatch(/\{-?\d|\[\d+\] /);
    }
  });

  test('what is asked badly is refused with its field', () => {
    expect(fault({ ...USUAL, complaint: 'sad' })).toContain('complaint');
    expect(fault({ ...USUAL, answers: { heated: 3 } })).toBe('answers.heated: has 3 answers, counted from 0');
    expect(fault({ now: USUAL.now, complaint: 'thin' })).toContain('needs either a batch or a plan');
    expect(fault({ make: { id: '0'.repeat(26), events: [] }, now: USUAL.now, complaint: 'thin' })).toContain(
      'make.events',
    );
  });
});
