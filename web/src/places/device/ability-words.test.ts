import { describe, expect, test } from '@jest/globals';
import type { DeviceFacts } from '../../data/device-facts.ts';
import { abilities } from './ability-words.ts';

const ALL: DeviceFacts = {
  secure: true,
  camera: 'allowed',
  screen: 'stays-on',
  page: 'kept',
  lasting: true,
  notices: 'allowed',
};
const works = (facts: Partial<DeviceFacts>, sound = true): Record<string, string> =>
  Object.fromEntries(abilities({ ...ALL, ...facts }, sound).map((a) => [a.name, a.works]));

describe('what works on a device', () => {
  test('where everything is allowed all of it does, but nobody promises that a locked device rings', () => {
    expect(works({})).toEqual({
      'Secure address': 'yes',
      'Scan tags and labels': 'yes',
      'Screen stays on': 'yes',
      'Works without the network': 'yes',
      'Entries kept on this device': 'yes',
      Sound: 'yes',
      Notifications: 'yes',
      'Alarms while the device is locked': 'maybe',
    });
  });

  test('at an address that is not secure only sound and entries are left, and each says what to do', () => {
    const plain = {
      ...ALL,
      secure: false,
      camera: 'unsupported',
      page: 'unsupported',
      notices: 'unsupported',
    } as const;
    expect(Object.values(works(plain)).filter((w) => w === 'yes')).toHaveLength(2);
    for (const { works: does, text } of abilities(plain, true))
      if (does === 'no') expect(text).toMatch(/\. |Trust|secure/);
  });

  test.each([
    [{ notices: 'ask' }, 'Notifications', 'no'],
    [{ notices: 'blocked' }, 'Alarms while the device is locked', 'no'],
    [{ camera: 'blocked' }, 'Scan tags and labels', 'no'],
    [{ camera: 'ask' }, 'Scan tags and labels', 'yes'],
    [{ screen: 'refused' }, 'Screen stays on', 'maybe'],
    [{ page: 'on-its-way' }, 'Works without the network', 'maybe'],
    [{ lasting: false }, 'Entries kept on this device', 'maybe'],
  ] as const)('%j: %s is %s', (facts, name, expected) => {
    expect(works(facts)[name]).toBe(expected);
  });

  test('every line is short enough to be read at arm’s length', () => {
    for (const camera of ['allowed', 'ask', 'blocked', 'none', 'unsupported'] as const)
      for (const notices of ['allowed', 'ask', 'blocked', 'unsupported'] as const)
        for (const { text } of abilities({ ...ALL, camera, notices }, false))
          expect(text.split(/[.:] /).every((sentence) => sentence.split(' ').length <= 20)).toBe(true);
  });
});
