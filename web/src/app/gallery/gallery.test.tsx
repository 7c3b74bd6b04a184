import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup } from '@testing-library/react';
import axe from 'axe-core';
import { STEP_TYPES } from '@morning-crock/core';
import { answerWith, emptyOutbox, quietKitchen, show } from '../../testing/page.tsx';
import { galleryStates } from './states.tsx';
import { walkedMakes } from './walked-makes.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
const STATES = galleryStates(START);

beforeEach(() => {
  emptyOutbox();
  answerWith(quietKitchen);
});
afterEach(cleanup);

test('every kind of step is among them that a shipped method has', () => {
  const shown = new Set(walkedMakes(START).map(({ kind }) => kind));
  // What only makers put into methods of their own, or the plan of a batch puts in.
  const own = ['feed', 'stand', 'second-ripen', 'add-dose', 'mix-in', 'own'];
  expect(Object.keys(STEP_TYPES).filter((kind) => !shown.has(kind as never) && !own.includes(kind))).toEqual(
    [],
  );
});

describe('each is drawn, and a screen reader finds its way in it', () => {
  test.each(STATES.map(({ group, name, show: draw }) => [`${group}: ${name}`, draw] as const))(
    '%s',
    async (_name, draw) => {
      const { container } = show(<main>{draw()}</main>);
      // Colours and sizes are measured where they are drawn, in the journeys.
      const { violations } = await axe.run(container, {
        rules: { 'color-contrast': { enabled: false }, 'label-content-name-mismatch': { enabled: false } },
      });
      expect(violations.map(({ id, nodes }) => [id, nodes[0]?.html])).toEqual([]);
    },
  );
});
