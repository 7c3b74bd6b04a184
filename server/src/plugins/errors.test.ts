import { expect, test } from '@jest/globals';
import { toldOf } from './errors.ts';

const error = (message: string, more: object = {}) => Object.assign(new Error(message), more) as never;

test.each([
  ['a connection that broke before it was asked', "Can't add new command when connection is in closed state"],
  ['a pool that is closed', 'Pool is closed.'],
])('%s is a database that is away', (_what, message) => {
  expect(toldOf(error(message, { fatal: true })).code).toBe('database-away');
});

test.each([
  ['ER_OPTION_PREVENTS_STATEMENT', 'read-only'],
  ['ER_READ_ONLY_MODE', 'read-only'],
  ['ER_RECORD_FILE_FULL', 'disk-full'],
  ['ER_LOCK_WAIT_TIMEOUT', 'database-away'],
  ['ER_DUP_ENTRY', 'internal'],
])('%s is told as %s', (code, told) => {
  expect(toldOf(error('x', { code })).code).toBe(told);
});

test('what the web server says of a request never reaches anybody in its own words', () => {
  const words = toldOf(
    error('Unexpected token } in JSON at position 7', {
      code: 'FST_ERR_CTP_INVALID_JSON_BODY',
      statusCode: 400,
    }),
  );
  expect(words).toEqual({ code: 'bad-input', details: [{ path: '', message: 'is not valid JSON' }] });
  const other = toldOf(error('FST_ERR_X: boom in parser', { code: 'FST_ERR_X', statusCode: 415 }));
  expect(other.details[0]!.message).not.toContain('boom');
});
