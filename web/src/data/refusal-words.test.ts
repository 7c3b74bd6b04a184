import { expect, test } from '@jest/globals';
import { errorOf } from '@morning-crock/core/contract';
import { refusalWords } from './refusal-words.ts';

test('a refusal is sentences, with and without a field', () => {
  const { message, next } = errorOf('no-such-make');
  expect(refusalWords(errorOf('no-such-make'))).toBe(`${message} ${next}`);
  expect(refusalWords(errorOf('no-such-make', [{ path: 'at', message: 'is early' }]))).toBe(
    `${message} is early. ${next}`,
  );
});
