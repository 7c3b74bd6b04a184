import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import type { CauseFound } from '@morning-crock/core';
import { lineLike } from '@morning-crock/core/fixtures';
import { api } from '../../data/api.ts';
import { store } from '../../data/store.ts';
import { answerWith, emptyOutbox, quietKitchen, show } from '../../testing/page.tsx';
import { AlikeBut } from './AlikeBut.tsx';
import { AskCard } from './AskCard.tsx';
import { CauseList } from './CauseList.tsx';
import { ComplaintChoice } from './ComplaintChoice.tsx';

beforeEach(() => {
  emptyOutbox();
  answerWith(quietKitchen);
});
afterEach(cleanup);

const cause = (
  of: CauseFound['cause'],
  share: number,
  evidence: CauseFound['evidence'] = [],
): CauseFound => ({
  cause: of,
  share,
  evidence,
});

test('the complaint is chosen by what it is about, then it is one line that can be changed', async () => {
  const chosen = jest.fn();
  const { user } = show(
    <ComplaintChoice kinds={['butter', 'cream']} complaint={null} onComplaint={chosen} />,
  );
  expect(screen.queryByRole('button', { name: 'Lumpy cream' })).toBeNull();
  await user.click(screen.getByRole('radio', { name: 'Cream' }));
  await user.click(screen.getByRole('button', { name: 'Lumpy cream' }));
  expect(chosen).toHaveBeenCalledWith('cream-lumps', 'cream');
  cleanup();
  show(<ComplaintChoice kinds={['butter']} complaint="crumbly" onComplaint={chosen} />);
  expect(screen.getByText('Crumbly')).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Streaky' })).toBeNull();
});

test('three causes at most, each with its bar and its figures for and against; none of them stays a choice', async () => {
  const settle = jest.fn();
  const { user } = show(
    <CauseList
      settled={undefined}
      onSettle={settle}
      causes={[
        cause('place-cold', 0.61, [
          { words: '{33}, planned {43}.', atMs: Date.parse('2026-03-02T14:20:00Z'), nats: 3 },
          { words: 'Starter 3 days old.', atMs: null, nats: -0.6 },
        ]),
        cause('starter-weak', 0.2),
        cause('too-hot', 0.1),
        cause(null, 0.05),
        cause('phage', 0.04),
      ]}
    />,
  );
  expect(screen.getAllByRole('listitem').filter((item) => item.querySelector('.cause-bar'))).toHaveLength(3);
  expect(screen.getByRole('img', { name: 'about 61 in 100 batches like this' })).toBeTruthy();
  expect(screen.getByText('For').parentElement!.textContent).toContain('14:20 33 °C, planned 43 °C.');
  expect(screen.getByText('Against').parentElement!.textContent).toContain('Starter 3 days old.');
  await user.click(screen.getAllByRole('button', { name: 'This was it' })[1]!);
  expect(settle).toHaveBeenLastCalledWith('starter-weak');
  await user.click(screen.getByRole('button', { name: 'None of these fits' }));
  expect(settle).toHaveBeenLastCalledWith(null);
});

test('what somebody said it was stays in sight, however unlikely it is', () => {
  show(
    <CauseList
      settled="phage"
      onSettle={() => undefined}
      causes={[
        cause('place-cold', 0.9),
        cause('starter-weak', 0.06),
        cause('too-hot', 0.04),
        cause('phage', 0),
      ]}
    />,
  );
  expect(screen.getByText('The culture stopped part of the way')).toBeTruthy();
  expect(screen.getByText('You said: this was it.')).toBeTruthy();
});

test('a question is answered with a tap; a reading is checked, and saved as it was typed', async () => {
  const answer = jest.fn();
  const taken = jest.fn();
  const { user } = show(
    <AskCard
      ask={{ clue: 'starter-age', bits: 0.4 }}
      cues={['liquid', 'set']}
      onAnswer={answer}
      onTaken={taken}
    />,
  );
  await user.click(screen.getByRole('button', { name: 'More than two weeks' }));
  expect(answer).toHaveBeenCalledWith('starter-age', 2);
  cleanup();
  const again = show(
    <AskCard
      ask={{ reading: 'temperature', bits: 0.4 }}
      cues={['liquid', 'set']}
      onAnswer={answer}
      onTaken={taken}
    />,
  );
  expect(screen.getByRole('button', { name: 'Save reading' })).toHaveProperty('disabled', true);
  await again.user.type(screen.getByLabelText('Temperature now'), '33.5');
  await again.user.click(screen.getByRole('button', { name: 'Save reading' }));
  expect(taken).toHaveBeenLastCalledWith({
    type: 'temperature-read',
    data: expect.objectContaining({ celsius: 33.5, typed: { value: 33.5, unit: 'C' } }),
  });
  cleanup();
  const third = show(
    <AskCard
      ask={{ reading: 'cue', bits: 0.4 }}
      cues={['liquid', 'set']}
      onAnswer={answer}
      onTaken={taken}
    />,
  );
  await third.user.click(screen.getByRole('button', { name: 'Liquid' }));
  expect(taken).toHaveBeenLastCalledWith({ type: 'cue-seen', data: { cue: 'liquid', cleanSmell: null } });
});

test('a batch that came out well and differed in one thing is offered to be compared, in the kitchen’s words', async () => {
  const thin = lineLike(20, { ways: ['touched'], faults: [{ complaint: 'thin', settled: 'unheated' }] });
  const held = lineLike(12, { name: 'Wool-wrapped', ways: ['held-hot'] });
  const large = lineLike(11, { id: '01HZZZZZZZZZZZZZZZZZZZZZ11', name: 'For the feast', litres: 9 });
  const open = (makes: readonly object[]): void => {
    cleanup();
    answerWith((path, init) =>
      path === '/api/makes'
        ? { status: 200, body: { makes, now: new Date().toISOString() } }
        : quietKitchen(path, init),
    );
    store.dispatch(api.util.resetApiState());
    show(<AlikeBut makeId={thin.id} />);
  };
  open([thin, held]);
  expect(
    await screen.findByText(/It was held hot; this batch was only brought to temperature\./),
  ).toBeTruthy();
  expect(screen.getByText('Wool-wrapped')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Compare both' }).getAttribute('href')).toBe(
    `/daybook/${thin.id}/beside/${held.id}`,
  );
  open([{ ...thin, ways: [] }, large]);
  expect(await screen.findByText(/Amount: 9 L then, 4 L now\./)).toBeTruthy();
  open([thin, { ...held, milk: 'Goat' }]);
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(screen.queryByRole('link', { name: 'Compare both' })).toBeNull();
});
