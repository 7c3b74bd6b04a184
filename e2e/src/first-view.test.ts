import { expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';

const DIST = new URL('../../web/dist/', import.meta.url);
const MOST_BYTES = 200_000;

test('what the first view fetches of script and style stays small', () => {
  const page = readFileSync(fileURLToPath(new URL('index.html', DIST)), 'utf8');
  const files = [...page.matchAll(/(?:src|href)="\/(assets\/[^"]+\.(?:js|css))"/g)].map((m) => m[1]!);
  expect(files.some((f) => f.endsWith('.js')) && files.some((f) => f.endsWith('.css'))).toBe(true);
  const bytes = files.map(
    (f) => gzipSync(readFileSync(fileURLToPath(new URL(f, DIST))), { level: 9 }).length,
  );
  expect(bytes.reduce((sum, n) => sum + n, 0)).toBeLessThanOrEqual(MOST_BYTES);
});
