import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import { answerWith, quietKitchen, show } from '../testing/page.tsx';
import { api } from './api.ts';
import { opensHereOnly, useKitchenAddress } from './kitchen-address.ts';
import { store } from './store.ts';

const Shown = () => <p>at {useKitchenAddress()}</p>;
const letsIn = (address: string | null): void =>
  answerWith((path, entry) =>
    path === '/api/tablets'
      ? { status: 200, body: { address, secure: null, tablets: [] } }
      : quietKitchen(path, entry),
  );

beforeEach(() => void store.dispatch(api.util.resetApiState()));
afterEach(cleanup);

test('opened on the kitchen’s own computer, what is printed carries the address tablets join at', async () => {
  letsIn('http://192.168.7.20:4620');
  show(<Shown />);
  expect(await screen.findByText('at http://192.168.7.20:4620')).toBeTruthy();
});

test('where nobody else is let in it is this computer’s, and that is known to open nowhere else', async () => {
  letsIn(null);
  show(<Shown />);
  expect(await screen.findByText(`at ${location.origin}`)).toBeTruthy();
  expect(opensHereOnly(location.origin)).toBe(true);
  expect(opensHereOnly('http://192.168.7.20:4620')).toBe(false);
  expect(opensHereOnly('http://127.0.0.1:4610')).toBe(true);
});
