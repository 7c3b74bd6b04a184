import { readFileSync, writeFileSync } from 'node:fs';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { createConfig, lintFromString } from '@redocly/openapi-core';
import prettier from 'prettier';
import { withRoutes, type ApiDocument } from './api-doc.ts';
import { ROUTE_FACTS } from './route-facts.ts';
import { createTestKitchen, type TestKitchen } from './testing/index.ts';

const PAGE = new URL('../../docs/API.md', import.meta.url);
let kitchen: TestKitchen;
let text: string;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: Date.parse('2026-03-02T06:00:00.000Z') });
  text = (await kitchen.app.inject('/api/openapi.json')).body;
});
afterAll(() => kitchen.close());

test('every route says what it is for, under a name of its own, and no line is of a route there is not', () => {
  const { paths } = JSON.parse(text) as { paths: Record<string, Record<string, { operationId?: string }>> };
  const there = Object.entries(paths).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => `${method.toUpperCase()} ${path.replace(/\{(\w+)\}/g, ':$1')}`),
  );
  expect(there.sort()).toEqual(Object.keys(ROUTE_FACTS).sort());
  const names = Object.values(ROUTE_FACTS).map(({ id }) => id);
  expect(new Set(names).size).toBe(names.length);
});

test('a linter for such documents finds nothing in it', async () => {
  const config = await createConfig({ extends: ['recommended'] });
  const found = await lintFromString({ source: text, config });
  expect(found.map(({ ruleId, message, location }) => [ruleId, message, location[0]?.pointer])).toEqual([]);
});

test('docs/API.md tells the routes as they are', async () => {
  const page = readFileSync(PAGE, 'utf8');
  const options = await prettier.resolveConfig(PAGE.pathname);
  const made = await prettier.format(withRoutes(page, JSON.parse(text) as ApiDocument), {
    ...options,
    parser: 'markdown',
  });
  // `npm run api-doc` writes it.
  if (process.env['MC_WRITE_DOCS'] === 'yes') writeFileSync(PAGE, made);
  else expect(page).toBe(made);
});
