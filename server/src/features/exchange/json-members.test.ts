import { describe, expect, test } from '@jest/globals';
import { Readable } from 'node:stream';
import { AppError } from '../../plugins/errors.ts';
import { jsonMembers, type JsonMember, type WantedParts } from './json-members.ts';

const PARTS: WantedParts = { format: 100, 'makes.*.id': 60, 'makes.*.events.*': 400, 'rows.*': 200 };

/** A text as a disk gives it away: in pieces that end anywhere. */
function pieces(text: string, size: number): Readable {
  const bytes = Buffer.from(text);
  const parts: Buffer[] = [];
  for (let i = 0; i < bytes.length; i += size) parts.push(bytes.subarray(i, i + size));
  return Readable.from(parts);
}
async function read(text: string, size = 7): Promise<JsonMember[]> {
  const found: JsonMember[] = [];
  for await (const member of jsonMembers(pieces(text, size), PARTS))
    if (member.value !== undefined) found.push(member);
  return found;
}
async function fault(text: string): Promise<{ code: string; path: string; message: string }> {
  const error: unknown = await read(text).catch((thrown: unknown) => thrown);
  if (!(error instanceof AppError)) throw new Error(`was read, or failed otherwise: ${String(error)}`);
  const [detail] = error.details;
  return { code: error.code, path: detail!.path, message: detail!.message };
}

const FILE = {
  format: 'x',
  notice: 'passed over: { [ "',
  makes: [
    { id: 'a"b', events: [{ at: 1, text: 'ü \\ " ] }' }, { deep: [[[[1]]]] }] },
    { other: { id: 'not this one', events: [1] }, events: [], id: 'c' },
    { id: 'd', events: [3, -1.5e3, true, null, 'x'] },
  ],
  rows: [{ makes: 1 }],
  last: 1,
};
const WANTED = [
  ['format', 'x'],
  ['makes.0.id', 'a"b'],
  ['makes.0.events.0', { at: 1, text: 'ü \\ " ] }' }],
  ['makes.0.events.1', { deep: [[[[1]]]] }],
  ['makes.1.id', 'c'],
  ['makes.2.id', 'd'],
  ['makes.2.events.0', 3],
  ['makes.2.events.1', -1500],
  ['makes.2.events.2', true],
  ['makes.2.events.3', null],
  ['makes.2.events.4', 'x'],
  ['rows.0', { makes: 1 }],
];

describe('the wanted parts of a document', () => {
  test.each([1, 2, 3, 5, 11, 64, 100_000])(
    'are the same wherever its bytes are cut: every %i',
    async (size) => {
      for (const text of [JSON.stringify(FILE), JSON.stringify(FILE, null, 3)])
        expect((await read(text, size)).map(({ path, value }) => [path, value])).toEqual(WANTED);
    },
  );

  test('of a list that is gone through each member is told where it begins', async () => {
    const begun: string[] = [];
    for await (const { part, path } of jsonMembers(pieces('{"makes":[{},{"id":"a"},{}]}', 4), PARTS))
      begun.push(`${part} ${path}`);
    expect(begun).toEqual(['makes.* makes.0', 'makes.* makes.1', 'makes.*.id makes.1.id', 'makes.* makes.2']);
  });

  test('what stands nowhere is not found, and an empty list has nothing', async () => {
    expect(await read('{"makes":[],"rows":[]}')).toEqual([]);
    expect(await read('{}')).toEqual([]);
  });
});

describe('what is refused, with where it stands', () => {
  test('nested too deep, wanted or passed over, at once', async () => {
    const deep = `${'['.repeat(40)}1${']'.repeat(40)}`;
    expect(await fault(`{"rows":[${deep}]}`)).toMatchObject({ path: 'rows.0', code: 'bad-input' });
    expect((await fault(`{"notice":${deep}}`)).message).toContain('nested');
    // Nothing behind the bracket that is too deep is read.
    expect((await fault(`{"rows":[${'['.repeat(200_000)}`)).message).toContain('nested');
    expect(await read(`{"notice":${'['.repeat(20)}${']'.repeat(20)}}`)).toEqual([]);
  });

  test('larger than such a part may be', async () => {
    expect(await fault(`{"makes":[{"id":"${'x'.repeat(80)}"}]}`)).toMatchObject({
      code: 'too-large',
      path: 'makes.0.id',
    });
    expect((await read(`{"notice":"${'x'.repeat(5000)}","format":"y"}`)).map(({ value }) => value)).toEqual([
      'y',
    ]);
  });

  test.each([
    ['{"makes":1}', 'makes', 'list'],
    ['{"makes":{"id":1}}', 'makes', 'list'],
    ['{"makes":[[1]]}', 'makes.0', 'object'],
    ['{"format":tru}', 'format', 'JSON'],
    ['{"format" 1}', 'format', 'JSON'],
    ['{"rows":[1}', 'rows.0', 'JSON'],
    ['{"rows":[,]}', 'rows.0', 'JSON'],
    ['{"rows":[1]', '', 'middle'],
    ['', '', 'middle'],
    ['[1]', '', 'is a list'],
    ['hello', '', 'JSON'],
    ['{} {}', '', 'after its end'],
  ])('%s', async (text, path, words) => {
    const told = await fault(text);
    expect([told.path, told.message]).toEqual([path, expect.stringContaining(words)]);
    // Whoever reads it is told in our words, not in the parser's.
    expect(told.message).not.toMatch(/token|position|unexpected/i);
  });
});
